package taxon.core.equipmentlist;

import java.util.List;
import java.util.Optional;
import taxon.core.equipmentlist.EquipmentFault.Reason;
import taxon.core.listing.Column;
import taxon.core.listing.NumberHabits;

/** Whole numbers out of cells, or the fault of the cell. */
record WholeCells(NumberHabits habits) {

    Optional<Integer> read(Column column, String text, int least, int most, List<EquipmentFault> faults) {
        NumberHabits.Whole whole = habits.whole(column, text);
        if (whole instanceof NumberHabits.Figure n && n.value() >= least && n.value() <= most) {
            return Optional.of((int) n.value());
        }
        faults.add(fault(column, text, whole, least + " to " + most));
        return Optional.empty();
    }

    private static EquipmentFault fault(Column column, String text, NumberHabits.Whole whole, String range) {
        if (whole instanceof NumberHabits.Figure) {
            return new EquipmentFault(column, text, Reason.OUT_OF_RANGE, range);
        }
        return whole instanceof NumberHabits.Unclear
                ? new EquipmentFault(column, text, Reason.UNCLEAR, "say above how this column is to be read")
                : new EquipmentFault(column, text, Reason.NOT_A_NUMBER, "a whole number, " + range);
    }
}
