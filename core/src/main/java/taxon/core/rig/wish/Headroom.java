package taxon.core.rig.wish;

import taxon.core.dmx.Slot;

/**
 * What stays free at the end of every universe.
 *
 * @param amount slots, 0 to 511, or per cent, 0 to 99
 */
public record Headroom(int amount, Measure measure) {
    public static final Headroom NONE = new Headroom(0, Measure.SLOTS);

    private static final int MOST_SLOTS = Slot.LAST - 1;
    private static final int MOST_PERCENT = 99;
    private static final int HUNDRED = 100;

    /** What the amount counts. */
    public enum Measure {
        SLOTS,
        PERCENT
    }

    public Headroom {
        if (amount < 0 || amount > most(measure)) {
            throw new IllegalArgumentException("a headroom of " + amount + " is outside 0 to " + most(measure));
        }
    }

    /** The most that can be kept free. */
    public static int most(Measure measure) {
        return measure == Measure.SLOTS ? MOST_SLOTS : MOST_PERCENT;
    }

    public static Headroom ofSlots(int slots) {
        return new Headroom(slots, Measure.SLOTS);
    }

    /** How many slots stay free; a part of a slot counts whole. */
    public int slots() {
        return measure == Measure.SLOTS ? amount : (Slot.LAST * amount + HUNDRED - 1) / HUNDRED;
    }

    /** The last slot that may be used. */
    public int lastSlot() {
        return Slot.LAST - slots();
    }
}
