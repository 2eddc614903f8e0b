package taxon.core.equipmentlist;

import java.util.List;
import java.util.Optional;
import taxon.core.fixture.FixtureType;
import taxon.core.listing.CellFault;
import taxon.core.listing.Column;
import taxon.core.listing.ListRow;
import taxon.core.rig.Fixture;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.Omission;

/**
 * What one row will become.
 *
 * @param added what it adds; empty when there is a fault
 * @param faults why it adds nothing; empty when it adds something
 * @param offered types to choose from, the closest first, where the type or the mode was not understood
 * @param remarks what is to be known of what it adds
 * @param ends the first and the last fixture that it adds, as they will be; the same twice for one
 */
public record EquipmentLine(
        ListRow row,
        Optional<Added> added,
        List<CellFault> faults,
        List<FixtureType> offered,
        List<RowRemark> remarks,
        List<Fixture> ends)
        implements Omission {
    public EquipmentLine {
        faults = List.copyOf(faults);
        offered = List.copyOf(offered);
        remarks = List.copyOf(remarks);
        ends = List.copyOf(ends);
        if (added.isPresent() != faults.isEmpty()) {
            throw new IllegalArgumentException("line " + row.line() + " adds fixtures or has faults, one of the two");
        }
    }

    static EquipmentLine refused(ListRow row, List<CellFault> faults, List<FixtureType> offered) {
        return new EquipmentLine(row, Optional.empty(), faults, offered, List.of(), List.of());
    }

    static EquipmentLine ready(ListRow row, Added added, List<RowRemark> remarks) {
        return new EquipmentLine(row, Optional.of(added), List.of(), List.of(), remarks, List.of());
    }

    EquipmentLine with(List<RowRemark> all, List<Fixture> firstAndLast) {
        return new EquipmentLine(row, added, faults, offered, all, firstAndLast);
    }

    /** True when something of it clashes with what is there, or with itself. */
    public boolean clashes() {
        return remarks.stream().anyMatch(RowRemark::isClash);
    }

    /** True when it is its type or its mode that was not understood: there choosing helps. */
    public boolean isTypeOpen() {
        return faults.stream().anyMatch(f -> f.column() == Column.TYPE || f.column() == Column.MODE);
    }

    @Override
    public String who() {
        return "line " + row.line();
    }
}
