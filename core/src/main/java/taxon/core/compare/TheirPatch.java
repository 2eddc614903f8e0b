package taxon.core.compare;

import java.util.List;
import taxon.core.listing.CellFault;

/**
 * The other side as it was read.
 *
 * @param rows each at its place
 * @param lines of the file, one for each row; empty where the side is no file
 * @param faults of rows that are not taken, or not whole
 * @param counting by which its numbers were read
 */
public record TheirPatch(List<PatchRow> rows, List<Integer> lines, List<RowFault> faults, Counting counting) {
    public TheirPatch {
        rows = List.copyOf(rows);
        lines = List.copyOf(lines);
        faults = List.copyOf(faults);
        if (!lines.isEmpty() && lines.size() != rows.size()) {
            throw new IllegalArgumentException(rows.size() + " rows on " + lines.size() + " lines");
        }
    }

    /**
     * What of a row could not be understood.
     *
     * @param line of the file
     * @param whole true when nothing of the row is taken
     */
    public record RowFault(int line, boolean whole, List<CellFault> cells) {
        public RowFault {
            cells = List.copyOf(cells);
        }
    }

    /** One that is no file, counted as Taxon counts. */
    public static TheirPatch of(List<PatchRow> rows) {
        return new TheirPatch(rows, List.of(), List.of(), Counting.FROM_ONE);
    }

    /** Where a row stands: its line, or its place counted from 1. */
    public int line(PatchRow row) {
        return lines.isEmpty() ? row.place() + 1 : lines.get(row.place());
    }
}
