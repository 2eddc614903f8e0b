package taxon.core.addressing.answer;

import taxon.core.dmx.SlotRange;
import taxon.core.dmx.UniverseNumber;

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

    /** It had no address, and this place was left when all others were placed. */
    record LeftFree() implements Reason {}

    /** Someone put it there. */
    record ByHand() implements Reason {}

    /** It cannot stay where it is. */
    record Leaves(Trouble trouble) implements Reason {}
}
