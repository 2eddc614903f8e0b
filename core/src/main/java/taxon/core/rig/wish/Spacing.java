package taxon.core.rig.wish;

import taxon.core.dmx.Slot;

/**
 * How far apart fixtures are placed.
 *
 * @param gap free slots between neighbours, 0 to 511
 * @param starts where a fixture may begin
 * @param every the pitch or the round number, 1 to 512; 1 where starts are anywhere
 * @param largestMode true to keep room for the longest mode of each type
 */
public record Spacing(int gap, Starts starts, int every, boolean largestMode) {
    public static final int MOST_GAP = Slot.LAST - 1;
    public static final Spacing CLOSE = new Spacing(0, Starts.ANYWHERE, 1, false);

    /** Where a fixture may begin. */
    public enum Starts {
        ANYWHERE,
        /** From one start to the next is a multiple of the pitch. */
        PITCH,
        /** At 1, 1 + n, 1 + 2n and so on. */
        ROUND
    }

    public Spacing {
        if (gap < 0 || gap > MOST_GAP) {
            throw new IllegalArgumentException("a gap of " + gap + " slots is outside 0 to " + MOST_GAP);
        }
        if (every < 1 || every > Slot.LAST) {
            throw new IllegalArgumentException("starts every " + every + " slots are outside 1 to " + Slot.LAST);
        }
        every = starts == Starts.ANYWHERE ? 1 : every;
    }

    public static Spacing ofGap(int gap) {
        return new Spacing(gap, Starts.ANYWHERE, 1, false);
    }
}
