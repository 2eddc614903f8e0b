package taxon.formats.csv;

import java.util.List;
import java.util.Optional;
import taxon.formats.csv.CsvTable.Row;
import taxon.formats.csv.CsvTable.UnreadableException;

/** What a spreadsheet puts into the clipboard: cells apart by tabs, quoted where a cell holds a tab or a line break. */
public final class PastedCells {
    private PastedCells() {}

    /** The rows; empty when a quote is left open, or there is more than any table takes. Empty rows at the end are dropped. */
    public static Optional<List<List<String>>> read(String text) {
        try {
            List<Row> rows = CsvTable.read(text, '\t', CsvTable.MOST_ROWS + 1).rows();
            int last = rows.size();
            while (last > 0 && rows.get(last - 1).isBlank()) {
                last--;
            }
            return last > CsvTable.MOST_ROWS
                    ? Optional.empty()
                    : Optional.of(rows.subList(0, last).stream().map(Row::cells).toList());
        } catch (UnreadableException tooMuch) {
            return Optional.empty();
        }
    }
}
