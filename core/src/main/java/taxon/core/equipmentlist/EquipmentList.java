package taxon.core.equipmentlist;

import java.util.List;
import java.util.Map;
import taxon.core.fixture.TypeSource;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.rig.edit.Proposed;

/** An equipment list as understood: every row, in its order. */
public record EquipmentList(List<EquipmentLine> lines) implements Proposed {
    public EquipmentList {
        lines = List.copyOf(lines);
    }

    /**
     * Reads every row against the known types.
     *
     * @param choices by line number: what was chosen where a row's type or mode was not understood
     */
    public static EquipmentList of(List<EquipmentRow> rows, TypeSource types, Map<Integer, Choice> choices) {
        RowReader reader = new RowReader(types, choices);
        return new EquipmentList(rows.stream().map(reader::read).toList());
    }

    /** What the rows that were understood add, in their order. */
    public List<Added> ready() {
        return lines.stream().flatMap(l -> l.added().stream()).toList();
    }

    /** The rows that add nothing, each with why. */
    public List<EquipmentLine> faulty() {
        return lines.stream().filter(l -> l.added().isEmpty()).toList();
    }

    /** How many fixtures are ready to be added. */
    public int fixtures() {
        return ready().stream().mapToInt(Added::count).sum();
    }

    /** Adds what is ready, as one edit. */
    @Override
    public Edit edit() {
        String count = fixtures() == 1 ? "1 fixture" : fixtures() + " fixtures";
        return FixtureEdits.add(count + " added from an equipment list", ready());
    }

    @Override
    public int staying() {
        return 0;
    }

    @Override
    public List<EquipmentLine> omissions() {
        return faulty();
    }
}
