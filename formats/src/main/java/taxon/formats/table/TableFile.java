package taxon.formats.table;

import java.util.List;
import java.util.Locale;
import taxon.core.listing.TableRow;

/** What a file given as a table turned out to be. */
public sealed interface TableFile {

    /** A table with its rows, blank ones among them. */
    record Read(Origin origin, List<TableRow> rows) implements TableFile {
        public Read {
            rows = List.copyOf(rows);
        }
    }

    /**
     * How it was written.
     *
     * @param words "UTF-8, semicolon", "sheet Rental of 3"
     * @param sheet of a workbook; empty for text
     * @param sheets all sheets of the workbook, in their order; none for text
     */
    record Origin(String words, String sheet, List<String> sheets) {
        public Origin {
            sheets = List.copyOf(sheets);
        }
    }

    /** A file that cannot be read as a table; nothing of it is kept. */
    record Unreadable(Fault fault, String value, String allowed) implements TableFile {
        public String sentence() {
            return switch (fault) {
                case EMPTY -> "The file is empty. It takes a row for each kind of fixture.";
                case TOO_LARGE -> "The file has " + value + " bytes; a list takes at most " + allowed + ".";
                case NOT_TEXT ->
                    "The file is neither text nor an XLSX workbook: it holds bytes that no encoding of a list uses. Save the"
                            + " sheet as XLSX or CSV.";
                case OLD_WORKBOOK ->
                    "The file is a workbook in the old binary form (XLS). Save it as XLSX or CSV and give that.";
                case LOCKED -> "The workbook is locked with a password. Save it without one, or as CSV, and give that.";
                case BAD_WORKBOOK -> "The workbook cannot be read: " + value;
                case TOO_MANY_ROWS ->
                    "The table has more than " + allowed + " rows; one list takes at most that many. Split it.";
                case TOO_WIDE -> "Line " + value + " has more columns than a list takes, " + allowed + ".";
                case CELL_TOO_LONG -> "Line " + value + " has a cell of more than " + allowed + " characters.";
                case BROKEN_QUOTES ->
                    "A quoted cell that begins on line " + value + " is never closed, or has text after its end quote.";
            };
        }

        /** The name in answers: "too-many-rows". */
        public String slug() {
            return fault.name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    enum Fault {
        EMPTY,
        TOO_LARGE,
        NOT_TEXT,
        OLD_WORKBOOK,
        LOCKED,
        BAD_WORKBOOK,
        TOO_MANY_ROWS,
        TOO_WIDE,
        CELL_TOO_LONG,
        BROKEN_QUOTES
    }
}
