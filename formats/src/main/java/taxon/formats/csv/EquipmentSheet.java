package taxon.formats.csv;

import java.util.List;
import taxon.core.equipmentlist.EquipmentRow;

/** What a file given as an equipment list turned out to be. */
public sealed interface EquipmentSheet {

    /**
     * A list with its rows.
     *
     * @param encoding as in "UTF-8"
     * @param separator comma, semicolon or tab
     * @param headerLine the line of the header, from 1
     * @param unknownHeaders columns that were left out, as they were spelled
     * @param skipped lines that are no fixtures
     */
    record Understood(
            String encoding,
            char separator,
            int headerLine,
            List<String> unknownHeaders,
            List<EquipmentRow> rows,
            List<Skipped> skipped)
            implements EquipmentSheet {
        public Understood {
            unknownHeaders = List.copyOf(unknownHeaders);
            rows = List.copyOf(rows);
            skipped = List.copyOf(skipped);
        }
    }

    /** @param words what stood there, shortened */
    record Skipped(int line, SkipReason reason, String words) {}

    enum SkipReason {
        TOTALS,
        HEADER_AGAIN
    }

    /** A file that cannot be read as a list; nothing of it is kept. */
    record Unreadable(Fault fault, String value, String allowed) implements EquipmentSheet {
        public String sentence() {
            return switch (fault) {
                case EMPTY -> "The file is empty. It takes a header row and a row for each kind of fixture.";
                case TOO_LARGE -> "The file has " + value + " bytes; a list takes at most " + allowed + ".";
                case NOT_TEXT ->
                    "The file is no text: it holds bytes that no encoding of a list uses. Save the sheet as CSV.";
                case TOO_MANY_ROWS ->
                    "The file has more than " + allowed + " rows; one list takes at most that many. Split it.";
                case TOO_WIDE -> "Line " + value + " has more columns than a list takes, " + allowed + ".";
                case CELL_TOO_LONG -> "Line " + value + " has a cell of more than " + allowed + " characters.";
                case BROKEN_QUOTES ->
                    "A quoted cell that begins on line " + value + " is never closed, or has text after its end quote.";
                case NO_HEADER ->
                    "No header row was found in the first " + value + " lines. Columns are known by these words: "
                            + allowed + ".";
            };
        }
    }

    enum Fault {
        EMPTY,
        TOO_LARGE,
        NOT_TEXT,
        TOO_MANY_ROWS,
        TOO_WIDE,
        CELL_TOO_LONG,
        BROKEN_QUOTES,
        NO_HEADER
    }
}
