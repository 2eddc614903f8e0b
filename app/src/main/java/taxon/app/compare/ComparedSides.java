package taxon.app.compare;

import java.util.List;
import java.util.Optional;
import taxon.core.compare.Comparison;
import taxon.core.compare.NotTaken;
import taxon.core.compare.PatchRow;
import taxon.core.compare.TakeTheirs;
import taxon.core.compare.Taken;
import taxon.core.compare.TheirPatch;
import taxon.core.listing.ListReading;
import taxon.core.listing.NumberDoubt;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Proposed;
import taxon.formats.table.TableFile;

/**
 * The plan held against another side, and what of that side shall be taken over.
 *
 * @param request what was said
 * @param side its name in words
 * @param stamp of its state
 * @param trouble why it cannot be held against the plan; empty where it can
 * @param table what it is, where it is one
 * @param ours the rows of the plan, in the order of its fixtures
 * @param letGo true when what was chosen was of another state of that side, and is chosen no more
 */
record ComparedSides(
        CompareRequest request,
        String side,
        String stamp,
        String trouble,
        Optional<Table> table,
        List<PatchRow> ours,
        TheirPatch theirs,
        Comparison comparison,
        Taken taken,
        TakeTheirs.Proposal proposal,
        boolean letGo)
        implements Proposed {

    /**
     * A table as it was read.
     *
     * @param kept the name of the mapping that its columns were read by; empty where they were guessed or said
     */
    record Table(TableFile.Read file, String kept, ListReading reading, List<NumberDoubt> doubts) {}

    @Override
    public Edit edit() {
        return proposal.edit();
    }

    @Override
    public int staying() {
        return proposal.staying();
    }

    @Override
    public List<NotTaken> omissions() {
        return proposal.omissions();
    }

    /** True where what the other side does not say may be there all the same: a unit that was silent hangs where it hangs. */
    boolean isPartial() {
        return request.side().with() == CompareRequest.With.RIG;
    }

    /** How many differences there are in all. */
    int differences() {
        return comparison.differences().values().stream().mapToInt(List::size).sum()
                + comparison.onlyOurs().size()
                + comparison.onlyTheirs().size();
    }
}
