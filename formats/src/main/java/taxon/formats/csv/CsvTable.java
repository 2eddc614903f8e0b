package taxon.formats.csv;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import taxon.formats.csv.EquipmentSheet.Fault;
import taxon.formats.csv.EquipmentSheet.Unreadable;

/** The cells of a separated text, each row with the line on which it begins. Bounded in rows, columns and cells. */
record CsvTable(List<Row> rows) {
    static final int MOST_ROWS = 10_000;
    static final int MOST_COLUMNS = 200;
    static final int LONGEST_CELL = 20_000;

    record Row(int line, List<String> cells) {
        boolean isBlank() {
            return cells.stream().allMatch(String::isBlank);
        }
    }

    /** A table that cannot be read, or is larger than what is taken. */
    static final class UnreadableException extends Exception {
        private static final long serialVersionUID = 1L;

        private final transient Unreadable reason;

        UnreadableException(Fault fault, String value, String allowed) {
            super(fault + " " + value);
            reason = new Unreadable(fault, value, allowed);
        }

        Unreadable reason() {
            return reason;
        }
    }

    /**
     * Reads up to {@code most} rows and no further.
     *
     * @throws UnreadableException when a quote is left open, or a row is wider or a cell longer than is taken
     */
    static CsvTable read(String text, char separator, int most) throws UnreadableException {
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(separator)
                .setIgnoreEmptyLines(false)
                .get();
        List<Row> rows = new ArrayList<>();
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
            return new CsvTable(List.copyOf(rows));
        } catch (UncheckedIOException | IOException brokenQuotes) {
            throw new UnreadableException(Fault.BROKEN_QUOTES, Integer.toString(line), "");
        }
    }

    private static Row bounded(int line, CSVRecord row) throws UnreadableException {
        if (row.size() > MOST_COLUMNS) {
            throw new UnreadableException(Fault.TOO_WIDE, Integer.toString(line), Integer.toString(MOST_COLUMNS));
        }
        for (String cell : row) {
            if (cell.length() > LONGEST_CELL) {
                throw new UnreadableException(
                        Fault.CELL_TOO_LONG, Integer.toString(line), Integer.toString(LONGEST_CELL));
            }
        }
        return new Row(line, List.copyOf(row.toList()));
    }
}
