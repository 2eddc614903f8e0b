package taxon.formats.csv;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import taxon.core.paper.Cell;
import taxon.core.paper.Paper.Listing;

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
        return written(
                header,
                rows.stream()
                        .map(row -> row.stream().map(SpreadsheetCsv::harmless).toList())
                        .toList());
    }

    private static byte[] written(List<String> header, List<List<String>> rows) {
        StringBuilder text = new StringBuilder().append(MARK);
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord(header.stream().map(SpreadsheetCsv::harmless).toList());
            for (List<String> row : rows) {
                printer.printRecord(row);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("a StringBuilder does not fail", e);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** A listing; its figures are written as plain numbers with a point. */
    public static byte[] write(Listing listing) {
        return written(
                listing.header(),
                listing.rows().stream()
                        .map(row -> row.stream().map(SpreadsheetCsv::text).toList())
                        .toList());
    }

    private static String text(Cell cell) {
        return cell instanceof Cell.Figure figure ? figure.value().toPlainString() : harmless(cell.words());
    }

    static String harmless(String cell) {
        return isRisky(cell) ? "'" + cell : cell;
    }

    /** True when a table program may take a text for a formula, also behind blanks of any kind that it drops. */
    public static boolean isRisky(String cell) {
        int shown =
                cell.codePoints().dropWhile(SpreadsheetCsv::isBlank).findFirst().orElse(-1);
        return shown >= 0 && RISKY.indexOf(shown) >= 0 || !cell.isEmpty() && RISKY.indexOf(cell.charAt(0)) >= 0;
    }

    private static boolean isBlank(int letter) {
        return Character.isWhitespace(letter)
                || Character.isSpaceChar(letter)
                || Character.getType(letter) == Character.FORMAT
                || Character.getType(letter) == Character.CONTROL;
    }
}
