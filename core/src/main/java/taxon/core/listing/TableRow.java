package taxon.core.listing;

import java.util.List;

/**
 * A row of a table as it was given.
 *
 * @param line the line of the file, or the row of the sheet, on which it begins, from 1
 * @param cells as they stand there, from the first column on
 */
public record TableRow(int line, List<String> cells) {
    public TableRow {
        cells = List.copyOf(cells);
    }

    public boolean isBlank() {
        return cells.stream().allMatch(String::isBlank);
    }

    /** The cell without the space around it; empty where the row is shorter. */
    public String cell(int index) {
        return index < cells.size() ? cells.get(index).strip() : "";
    }
}
