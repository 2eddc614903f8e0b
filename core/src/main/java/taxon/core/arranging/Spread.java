package taxon.core.arranging;

import taxon.core.length.Length;

/** A way of spreading units along a position; in their order there, from the left as the audience sees it. */
public sealed interface Spread {
    /** The first and the last where they are told, the others evenly between; a single one in the middle. */
    record FromTo(Length from, Length to) implements Spread {}

    /** The first where it is told, each further one so far to the right (to the left for a pitch below nought). */
    record Pitch(Length first, Length pitch) implements Spread {}

    /** About the centre, so far apart. */
    record Centred(Length pitch) implements Spread {
        public Centred {
            if (pitch.micrometres() <= 0) {
                throw new IllegalArgumentException("a pitch of " + pitch + " about the centre is none");
            }
        }
    }

    /** All so far to the right of where they are; to the left for a way below nought. */
    record Shifted(Length way) implements Spread {}

    /** The right half takes the offsets of the left half with the other sign; a middle one goes to the centre. */
    record Mirrored() implements Spread {}
}
