package taxon.core.listing;

import java.util.List;
import java.util.Optional;
import taxon.core.listing.CellFault.Reason;

/** Whole numbers out of cells, or the fault of the cell. */
public record WholeCells(NumberHabits habits) {

    /**
     * Reads one.
     *
     * @param faults where it is no number of that range, why
     */
    public Optional<Integer> read(Column column, String text, int least, int most, List<CellFault> faults) {
        NumberHabits.Whole whole = habits.whole(column, text);
        if (whole instanceof NumberHabits.Figure n && n.value() >= least && n.value() <= most) {
            return Optional.of((int) n.value());
        }
        faults.add(fault(column, text, whole, least + " to " + most));
        return Optional.empty();
    }

    private static CellFault fault(Column column, String text, NumberHabits.Whole whole, String range) {
        if (whole instanceof NumberHabits.Figure) {
            return new CellFault(column, text, Reason.OUT_OF_RANGE, range);
        }
        return whole instanceof NumberHabits.Unclear
                ? new CellFault(column, text, Reason.UNCLEAR, "say above how this column is to be read")
                : new CellFault(column, text, Reason.NOT_A_NUMBER, "a whole number, " + range);
    }
}
