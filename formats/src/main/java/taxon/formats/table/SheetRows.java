package taxon.formats.table;

import java.util.ArrayList;
import java.util.List;
import org.apache.poi.ss.util.CellReference;
import org.apache.poi.xssf.eventusermodel.XSSFSheetXMLHandler.SheetContentsHandler;
import org.apache.poi.xssf.usermodel.XSSFComment;
import org.jspecify.annotations.Nullable;
import taxon.core.listing.TableRow;

/** Collects the rows of a sheet as it is parsed. Rows that are not in the file are blank, and are left out. */
final class SheetRows implements SheetContentsHandler {
    private final List<TableRow> rows = new ArrayList<>();
    private List<String> cells = new ArrayList<>();
    private int line;

    List<TableRow> rows() {
        return rows;
    }

    @Override
    public void startRow(int row) {
        line = row + 1;
        cells = new ArrayList<>();
    }

    /** A cell may come without its place: then it stands behind the one before. */
    @Override
    public void cell(@Nullable String place, @Nullable String shown, @Nullable XSSFComment comment) {
        if (shown == null || shown.isBlank()) {
            return;
        }
        int column = place == null ? cells.size() : new CellReference(place).getCol();
        try {
            TableLimits.checkWidth(line, column + 1);
            TableLimits.checkCell(line, shown);
        } catch (UnreadableException e) {
            throw new RowsRefusedException(e);
        }
        while (cells.size() < column) {
            cells.add("");
        }
        if (cells.size() == column) {
            cells.add(shown);
        }
    }

    @Override
    public void endRow(int row) {
        rows.add(new TableRow(line, cells));
        try {
            TableLimits.checkRows(rows.size());
        } catch (UnreadableException e) {
            throw new RowsRefusedException(e);
        }
    }
}
