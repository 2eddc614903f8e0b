package taxon.core.rigtable;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Proposed;

/**
 * Many cells, before they are changed. What is at fault is told and left out; the rest goes in.
 *
 * @param edit changes them as one step of undo
 * @param asked how many cells were given
 */
public record TableProposal(Edit edit, TableWork work, int asked) implements Proposed {
    public static TableProposal of(Plan plan, String title, List<FieldChange> changes) {
        TableWork work = TableWork.of(plan, changes);
        Set<FieldChange> faulty = work.faults().stream().map(FieldFault::change).collect(Collectors.toSet());
        List<FieldChange> taken =
                changes.stream().filter(c -> !faulty.contains(c)).toList();
        Edit edit = Edit.computed(
                title, plan, work.plan(), other -> TableWork.edit(title, taken).applyTo(other));
        return new TableProposal(edit, work, changes.size());
    }

    @Override
    public int staying() {
        return asked - work.moves().size() - work.faults().size();
    }

    @Override
    public List<FieldFault> omissions() {
        return work.faults();
    }
}
