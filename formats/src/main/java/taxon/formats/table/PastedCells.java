package taxon.formats.table;

import java.util.List;
import java.util.Optional;
import taxon.core.listing.TableRow;

/** What a spreadsheet puts into the clipboard: cells apart by tabs, quoted where a cell holds a tab or a line break. */
public final class PastedCells {
    private PastedCells() {}

    /** The rows; empty when a quote is left open, or there is more than any table takes. Empty rows at the end are dropped. */
    public static Optional<List<TableRow>> read(String text) {
        try {
            List<TableRow> rows = CsvTable.read(text, '\t', TableLimits.MOST_ROWS + 1);
            int last = rows.size();
            while (last > 0 && rows.get(last - 1).isBlank()) {
                last--;
            }
            return last > TableLimits.MOST_ROWS ? Optional.empty() : Optional.of(List.copyOf(rows.subList(0, last)));
        } catch (UnreadableException tooMuch) {
            return Optional.empty();
        }
    }
}
