package taxon.formats.table;

import taxon.formats.table.TableFile.Fault;

/** How large a table may be, whatever it is read from. */
final class TableLimits {
    static final int MOST_ROWS = 50_001;
    static final int MOST_COLUMNS = 200;
    static final int LONGEST_CELL = 20_000;

    private TableLimits() {}

    /** @throws UnreadableException when a row is wider than is taken */
    static void checkWidth(int line, int columns) throws UnreadableException {
        if (columns > MOST_COLUMNS) {
            throw new UnreadableException(Fault.TOO_WIDE, Integer.toString(line), Integer.toString(MOST_COLUMNS));
        }
    }

    /** @throws UnreadableException when a cell is longer than is taken */
    static void checkCell(int line, String cell) throws UnreadableException {
        if (cell.length() > LONGEST_CELL) {
            throw new UnreadableException(Fault.CELL_TOO_LONG, Integer.toString(line), Integer.toString(LONGEST_CELL));
        }
    }

    /** @throws UnreadableException when there are more rows than are taken */
    static void checkRows(int rows) throws UnreadableException {
        if (rows > MOST_ROWS) {
            throw new UnreadableException(Fault.TOO_MANY_ROWS, "", Integer.toString(MOST_ROWS - 1));
        }
    }
}
