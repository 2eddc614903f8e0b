package taxon.core.boxcheck;

import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;

/** Why nobody answers at the address of a planned box, as far as one can tell from here. */
public sealed interface Silence {
    /**
     * A box of its name answers elsewhere.
     *
     * @param boxes how many answer there: one, as a rule
     */
    record Elsewhere(Ipv4 at, int boxes) implements Silence {
        /** True where another box answers at that address too, so that what is sent there reaches both. */
        public boolean isShared() {
            return boxes > 1;
        }
    }

    /** It was not asked: what is sent to it was not armed. */
    record NotAsked() implements Silence {}

    /** This computer could not send to it. */
    record Unreachable(String why) implements Silence {}

    /** It has an address outside the range of the card that was asked from. */
    record OtherRange(NetCard own) implements Silence {}

    /** It was asked, and nothing came: it is off, its cable is out, or it is set to another address. */
    record NoAnswer() implements Silence {}
}
