package taxon.formats.table;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import taxon.core.listing.TableRow;
import taxon.formats.table.TableFile.Fault;

/** The cells of a separated text, each row with the line on which it begins. */
final class CsvTable {
    private CsvTable() {}

    /**
     * Reads up to {@code most} rows and no further.
     *
     * @throws UnreadableException when a quote is left open, or a row is wider or a cell longer than is taken
     */
    static List<TableRow> read(String text, char separator, int most) throws UnreadableException {
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(separator)
                .setIgnoreEmptyLines(false)
                .get();
        List<TableRow> rows = new ArrayList<>();
        int line = 1;
        try (CSVParser parser = CSVParser.builder()
                .setReader(new StringReader(text))
                .setFormat(format)
                .get()) {
            Iterator<CSVRecord> records = parser.iterator();
            while (rows.size() < most && records.hasNext()) {
                rows.add(bounded(line, records.next()));
                line = (int) parser.getCurrentLineNumber() + 1;
            }
            return rows;
        } catch (UncheckedIOException | IOException brokenQuotes) {
            throw new UnreadableException(Fault.BROKEN_QUOTES, Integer.toString(line), "");
        }
    }

    private static TableRow bounded(int line, CSVRecord row) throws UnreadableException {
        TableLimits.checkWidth(line, row.size());
        for (String cell : row) {
            TableLimits.checkCell(line, cell);
        }
        return new TableRow(line, row.toList());
    }
}
