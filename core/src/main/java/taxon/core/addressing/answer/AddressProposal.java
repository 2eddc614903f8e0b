package taxon.core.addressing.answer;

import java.util.List;
import java.util.Optional;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.space.Occupancy;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.proof.Standing;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.edit.Edit;

/**
 * A computed change of addresses, before it is applied.
 *
 * @param edit does all of it as one step of undo
 * @param moves blocks whose address changes, in the order of the request
 * @param stays blocks that were asked for and keep their address
 * @param breaks why each further universe is begun, ascending
 * @param modesToSet fixtures that stay where they are while the unit was last set to another mode
 */
public record AddressProposal(
        String title,
        Edit edit,
        List<Move> moves,
        List<PlannedBlock> stays,
        List<NotPlaced> notPlaced,
        List<Break> breaks,
        List<Fixture> modesToSet,
        Price price,
        Totals totals,
        Proof proof) {

    public AddressProposal {
        moves = List.copyOf(moves);
        stays = List.copyOf(stays);
        notPlaced = List.copyOf(notPlaced);
        breaks = List.copyOf(breaks);
        modesToSet = List.copyOf(modesToSet);
    }

    /** @param standing before the move */
    public record Move(
            PlannedBlock block, Optional<StartAddress> before, StartAddress after, Standing standing, Reason reason) {
        public BlockRef ref() {
            return block.ref();
        }

        /** True when someone set this address on the real unit, which must then be set again. */
        public boolean touchesUnit() {
            return standing.isSet();
        }
    }

    /**
     * A fixture that finds no place.
     *
     * @param slots how long it is, with the room that is kept; 0 where nobody knows
     * @param largest the longest run that is free and open to it, where one is
     */
    public record NotPlaced(Fixture fixture, Obstacle obstacle, int slots, Optional<Occupancy.FreeRun> largest) {
        public static NotPlaced of(Fixture fixture, Obstacle obstacle, int slots) {
            return new NotPlaced(fixture, obstacle, slots, Optional.empty());
        }
    }

    /** Why a fixture cannot be placed. */
    public enum Obstacle {
        /** Its mode is not one of its type, so nobody knows how many slots it takes. */
        MODE_MISSING,
        /** Only an app's radio reaches it: it can hear no universe. */
        NEVER_HEARS,
        /** It is locked and has no address for each of its blocks. */
        LOCKED,
        /** It is longer than a universe with what is to stay free at its end. */
        TOO_LONG,
        /** No universe that is allowed is open to it, as the wish splits the rig or limits a line. */
        NO_UNIVERSE,
        /** No universe that is open to it has a free run of that length. */
        NO_ROOM
    }

    /**
     * What applying costs.
     *
     * @param touched units that were set and must be set again
     * @param plannedOnly fixtures that move on paper only
     * @param first fixtures that had no address
     */
    public record Price(int touched, int plannedOnly, int first) {
        /** What a fixture costs that is set on the unit, and one that is only planned. */
        public static final int SET = 10;

        public static final int PLANNED = 1;

        /** Ten for each unit that was set, one for each fixture that moves on paper, nothing for a first address. */
        public int points() {
            return SET * touched + PLANNED * plannedOnly;
        }
    }

    /**
     * What the rig takes when the proposal is applied.
     *
     * @param universes that hold a fixture
     * @param slots that fixtures take; where two share a slot it counts once
     * @param free slots left on those universes, reserved ones not counted
     */
    public record Totals(int universes, int slots, int free) {}

    /** How good the answer is, and how far that is certain. */
    public sealed interface Proof {
        /** Nothing is claimed: the order decides. */
        record None() implements Proof {}

        /**
         * Universes used by the whole rig.
         *
         * @param atLeast no plan for this request uses fewer
         */
        record Universes(int used, int atLeast) implements Proof {
            public boolean isProved() {
                return used == atLeast;
            }
        }

        /**
         * The price in points.
         *
         * @param atLeast no plan for this request costs less
         */
        record Least(int points, int atLeast) implements Proof {
            public boolean isProved() {
                return points == atLeast;
            }
        }

        /**
         * Ports of nodes.
         *
         * @param existing how many there are
         * @param used universes in use by the whole rig, each of which needs one
         * @param atLeast no plan for this request uses fewer
         */
        record Ports(int existing, int used, int atLeast) implements Proof {
            public int lacking() {
                return Math.max(0, used - existing);
            }

            public boolean isProved() {
                return used == atLeast;
            }
        }
    }

    /** Why a block goes where it goes. */
    public sealed interface Reason {
        /** The start that was asked for. */
        record Start() implements Reason {}

        /** It begins a universe. */
        record Begins(UniverseNumber universe) implements Reason {}

        /** It follows what was placed before it. */
        record Follows(String previous, int gap) implements Reason {}

        /** The slots right before it are taken; this is the first place beyond. */
        record Around(SlotRange taken) implements Reason {}

        /** The rest of the universe before has no free run of that length. */
        record NextUniverse(UniverseNumber left, int needed) implements Reason {}

        /** It shares the address of another on purpose. */
        record Shares(String with) implements Reason {}

        /** Someone put it there. */
        record ByHand() implements Reason {}

        /** It cannot stay where it is. */
        record Leaves(Trouble trouble) implements Reason {}
    }

    /** Why something cannot stay where it is. */
    public sealed interface Trouble {
        /** Another fixture is there, or too near. */
        record Meets(String other, int gap) implements Trouble {}

        /** It would end above slot 512, or in the headroom. */
        record PastEnd(int lastSlot, int allowed) implements Trouble {}

        record Reserved(String label) implements Trouble {}

        record NotAllowed(UniverseNumber universe) implements Trouble {}

        /** Others are on its universe from which the wish keeps it apart. */
        record Apart(SharingClass here, SharingClass other) implements Trouble {}

        /** What shares an address with it lies elsewhere. */
        record ShareApart() implements Trouble {}

        /** It makes room for others. */
        record MakesRoom() implements Trouble {}
    }

    /**
     * Where one universe is left and another begun.
     *
     * @param first who begins the new one
     */
    public record Break(UniverseNumber left, UniverseNumber begun, String first, Why why) {}

    /** Why a universe is left. */
    public sealed interface Why {
        /** @param largest the longest run still free there */
        record Full(int needed, int largest) implements Why {}

        record Split(SharingClass left, SharingClass begun) implements Why {}

        record LineFull(int units) implements Why {}

        /** There is room, but what begins the next one stays where it is. */
        record Stays() implements Why {}

        /** There is room, but so all runs fit. */
        record Packed() implements Why {}
    }
}
