package taxon.core.addressing;

import java.util.List;
import java.util.Optional;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.proof.Standing;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Edit;
import taxon.core.rig.Fixture;
import taxon.core.rig.PlannedBlock;

/**
 * A computed change of addresses, before it is applied.
 *
 * @param edit does all of it as one step of undo
 * @param moves blocks whose address changes, in the order of the fixtures
 * @param stays blocks that were asked for and keep their address
 */
public record Proposal(
        String title, Edit edit, List<Move> moves, List<PlannedBlock> stays, List<NotPlaced> notPlaced, Price price) {

    public Proposal {
        moves = List.copyOf(moves);
        stays = List.copyOf(stays);
        notPlaced = List.copyOf(notPlaced);
    }

    /** @param standing before the move */
    public record Move(
            PlannedBlock block, Optional<StartAddress> before, StartAddress after, Standing standing, Reason reason) {
        public BlockRef ref() {
            return block.ref();
        }

        /** True when someone set this address on the real unit, which must then be set again. */
        public boolean touchesUnit() {
            return standing == Standing.SET || standing == Standing.PROVED || standing == Standing.STALE;
        }
    }

    public record NotPlaced(Fixture fixture, Obstacle obstacle, int slots) {}

    /** Why a fixture cannot be placed. */
    public enum Obstacle {
        /** Its mode is not one of its type, so nobody knows how many slots it takes. */
        MODE_MISSING,
        /** Only an app's radio reaches it: it can hear no universe. */
        NEVER_HEARS,
        /** No universe up to the last has a free run of that length. */
        NO_ROOM
    }

    /**
     * What applying costs.
     *
     * @param touched units that were set and must be set again
     * @param plannedOnly fixtures that move on paper only
     * @param first fixtures that had no address
     */
    public record Price(int touched, int plannedOnly, int first) {}

    /** Why a block goes where it goes. */
    public sealed interface Reason {
        /** The start that was asked for. */
        record Start() implements Reason {}

        /** It follows what was placed before it. */
        record Follows(String previous, int gap) implements Reason {}

        /** The slots right after were taken; this is the first free place beyond. */
        record Around(SlotRange taken) implements Reason {}

        /** The rest of the universe before has no free run of that length. */
        record NextUniverse(UniverseNumber left, int needed) implements Reason {}
    }
}
