package taxon.formats.csv;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/**
 * Writes rows as CSV for a spreadsheet: UTF-8 with a mark, comma, CRLF (RFC 4180), and no cell that is run as a formula.
 *
 * <p>A cell that begins as a formula does gets an apostrophe before it (OWASP, "CSV Injection", from memory).
 */
public final class SpreadsheetCsv {
    private static final String RISKY = "=+-@\t\r\n＝＋－＠";
    private static final char MARK = '\uFEFF';

    private SpreadsheetCsv() {}

    public static byte[] write(List<String> header, List<List<String>> rows) {
        StringBuilder text = new StringBuilder().append(MARK);
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord(header.stream().map(SpreadsheetCsv::harmless).toList());
            for (List<String> row : rows) {
                printer.printRecord(row.stream().map(SpreadsheetCsv::harmless).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException("a StringBuilder does not fail", e);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    static String harmless(String cell) {
        String shown = cell.stripLeading();
        boolean risky = !shown.isEmpty() && RISKY.indexOf(shown.charAt(0)) >= 0;
        return risky || (!cell.isEmpty() && RISKY.indexOf(cell.charAt(0)) >= 0) ? "'" + cell : cell;
    }
}
