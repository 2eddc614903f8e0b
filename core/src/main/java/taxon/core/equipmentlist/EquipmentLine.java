package taxon.core.equipmentlist;

import java.util.List;
import java.util.Optional;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.Omission;

/**
 * What one row will become.
 *
 * @param added what it adds; empty when there is a fault
 * @param faults why it adds nothing; empty when it adds something
 * @param offered types to choose from, the closest first, where the type or the mode was not understood
 */
public record EquipmentLine(
        EquipmentRow row, Optional<Added> added, List<EquipmentFault> faults, List<FixtureType> offered)
        implements Omission {
    public EquipmentLine {
        faults = List.copyOf(faults);
        offered = List.copyOf(offered);
        if (added.isPresent() != faults.isEmpty()) {
            throw new IllegalArgumentException("line " + row.line() + " adds fixtures or has faults, one of the two");
        }
    }

    @Override
    public String who() {
        return "line " + row.line();
    }
}
