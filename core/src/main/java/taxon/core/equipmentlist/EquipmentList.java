package taxon.core.equipmentlist;

import java.util.List;
import taxon.core.fixture.TypeSource;
import taxon.core.listing.ListReading;
import taxon.core.listing.NumberDoubt;
import taxon.core.listing.NumberHabits;
import taxon.core.packing.Effort;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Proposed;

/**
 * An equipment list as understood: every row, in its order, and what it becomes in one plan.
 *
 * @param doubts what has to be asked of whole columns; rows that hang on it are faulty until it is answered
 * @param edit adds what is ready, as one step of undo
 */
public record EquipmentList(List<EquipmentLine> lines, List<NumberDoubt> doubts, ListChoices choices, Edit edit)
        implements Proposed {
    public EquipmentList {
        lines = List.copyOf(lines);
        doubts = List.copyOf(doubts);
    }

    /**
     * Reads every row against the known types and lands what was understood in the plan.
     *
     * @param choices where something was left open
     * @param effort for finding places, where those were asked for
     */
    public static EquipmentList of(Plan plan, ListReading list, TypeSource types, ListChoices choices, Effort effort) {
        NumberHabits habits = NumberHabits.of(list.rows(), choices.answers());
        RowReader reader = new RowReader(types, habits, choices);
        List<EquipmentLine> read = list.rows().stream().map(reader::read).toList();
        List<EquipmentLine> numbered = new TakenIdsSettled(plan, choices.ids()).settle(read);
        Landing landing = Landing.of(plan, numbered, choices.addresses(), effort);
        return new EquipmentList(landing.lines(), habits.doubts(), choices, landing.edit());
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

    @Override
    public int staying() {
        return 0;
    }

    @Override
    public List<EquipmentLine> omissions() {
        return faulty();
    }
}
