package taxon.core.arranging;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.length.Length;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Omission;
import taxon.core.rig.edit.Proposed;

/**
 * Offsets, before they are given.
 *
 * @param edit gives them, and counts the units along those positions anew, as one step of undo
 * @param moves in the order of the positions and along them; only what changes
 * @param unknown fixtures of a left half that have no offset to be mirrored; nothing of their position moves
 */
public record ArrangingProposal(
        String title, Edit edit, Set<FixtureKey> fixtures, Spread spread, List<Move> moves, List<Fixture> unknown)
        implements Proposed {
    @Override
    public int staying() {
        return fixtures.size() - moves.size() - unknown.size();
    }

    @Override
    public List<NoOffset> omissions() {
        return unknown.stream().map(NoOffset::new).toList();
    }

    /** A unit of which nobody has said where it hangs, so that nothing can be reckoned from it. */
    public record NoOffset(Fixture fixture) implements Omission {
        @Override
        public String who() {
            return fixture.label();
        }
    }

    /** @param beyond true when it would hang past the end of its position */
    public record Move(Fixture fixture, Optional<Length> before, Length after, boolean beyond) {}

    public ArrangingProposal {
        fixtures = Set.copyOf(fixtures);
        moves = List.copyOf(moves);
        unknown = List.copyOf(unknown);
    }
}
