package taxon.core.numbering;

import java.util.List;
import java.util.Optional;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Omission;
import taxon.core.rig.edit.Proposed;

/**
 * Numbers, before they are given.
 *
 * @param edit gives them all as one step of undo
 * @param families in order, with the run of each
 * @param changes only what changes, in order
 * @param kept how many keep their number
 */
public record NumberingProposal(
        String title, Edit edit, NumberingRequest request, List<Range> families, List<Change> changes, int kept)
        implements Proposed {
    @Override
    public int staying() {
        return kept;
    }

    @Override
    public List<Omission> omissions() {
        return List.of();
    }

    /**
     * The run of a family.
     *
     * @param first the lowest number given or kept
     * @param limit the last number before the next family's run
     */
    public record Range(Family family, int first, int last, int limit, int kept) {}

    /**
     * What becomes of one fixture.
     *
     * @param fixture as it is now
     * @param after its number; empty where it has none and none was asked for
     * @param unitAfter its unit number, the one it has where units are not counted
     */
    public record Change(Fixture fixture, Optional<FixtureId> after, int unitAfter) {}

    public NumberingProposal {
        families = List.copyOf(families);
        changes = List.copyOf(changes);
    }
}
