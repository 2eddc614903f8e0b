package taxon.core.reception;

/** The order of the packets of one sender (E1.31, 6.7.2): what comes a little late is dropped, what comes much too late is a new beginning. */
final class SequenceWindow {
    private static final int OLDEST_LATE = -20;
    private static final int NONE = -1;

    private int last = NONE;
    private long lost;
    private long late;

    /**
     * Takes a number.
     *
     * @return false when its packet is to be dropped: −20 &lt; (signed 8-bit difference from the last one) ≤ 0
     */
    boolean take(int sequence) {
        if (last == NONE) {
            last = sequence;
            return true;
        }
        int difference = (byte) (sequence - last);
        if (difference > OLDEST_LATE && difference <= 0) {
            late++;
            return false;
        }
        if (difference > 1) {
            lost += difference - 1L;
        }
        last = sequence;
        return true;
    }

    /** Art-Net counts from 1 to 255, and 0 means that nobody counts. */
    boolean takeOfArtNet(int sequence) {
        if (sequence == 0) {
            last = NONE;
            return true;
        }
        // 255 is followed by 1: the 0 between is no packet that was lost.
        boolean wrapped = last != NONE && sequence < last && (byte) (sequence - last) > 0;
        boolean taken = take(sequence);
        if (taken && wrapped && lost > 0) {
            lost--;
        }
        return taken;
    }

    /** Packets that never came, as far as the numbers tell; fewer than 128 in a row. */
    long lost() {
        return lost;
    }

    /** Packets that were dropped because they came late or twice. */
    long late() {
        return late;
    }
}
