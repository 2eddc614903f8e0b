package taxon.wire.direct;

import taxon.core.dmx.Slot;
import taxon.wire.bytes.Bytes;

/** What goes between this computer and an interface that is plugged into it. */
public sealed interface DirectFrame {
    int LONGEST_NAME = 32;
    int MOST_OUTPUTS = 64;

    /** Asks an interface what it is. */
    record Who() implements DirectFrame {}

    /**
     * What an interface is.
     *
     * @param name at most 32 bytes
     * @param outputs 1 to 64
     */
    record IAm(String name, int outputs) implements DirectFrame {
        public IAm {
            if (outputs < 1 || outputs > MOST_OUTPUTS) {
                throw new IllegalArgumentException(outputs + " outputs; an interface has 1 to " + MOST_OUTPUTS);
            }
        }
    }

    /**
     * Levels for one of its outputs.
     *
     * @param output counted from 1
     * @param levels 1 to 512 bytes
     */
    record Levels(int output, Bytes levels) implements DirectFrame {
        public Levels {
            if (levels.length() < 1 || levels.length() > Slot.LAST) {
                throw new IllegalArgumentException(levels.length() + " levels; it takes 1 to " + Slot.LAST);
            }
            if (output < 1 || output > MOST_OUTPUTS) {
                throw new IllegalArgumentException("output " + output + "; it takes 1 to " + MOST_OUTPUTS);
            }
        }
    }
}
