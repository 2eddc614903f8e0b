package taxon.core.dmx;

import java.util.Comparator;
import java.util.Optional;

/**
 * A run of neighbouring slots inside one universe, both ends included.
 *
 * @param first 1 to 512
 * @param last {@code first} to 512
 */
public record SlotRange(int first, int last) implements Comparable<SlotRange> {
    public static final SlotRange WHOLE_UNIVERSE = new SlotRange(Slot.FIRST, Slot.LAST);

    private static final Comparator<SlotRange> ORDER =
            Comparator.comparingInt(SlotRange::first).thenComparingInt(SlotRange::last);

    public SlotRange {
        if (!Slot.isLegal(first) || !Slot.isLegal(last) || last < first) {
            throw new IllegalArgumentException(
                    "slots " + first + " to " + last + " are no run inside " + Slot.FIRST + " to " + Slot.LAST);
        }
    }

    /** The run of {@code length} slots from {@code first}; empty when it would pass slot 512 or the length is below 1. */
    public static Optional<SlotRange> fitting(int first, int length) {
        int last = first + length - 1;
        return Slot.isLegal(first) && length >= 1 && last <= Slot.LAST
                ? Optional.of(new SlotRange(first, last))
                : Optional.empty();
    }

    /**
     * The part of a run of {@code length} slots from {@code start} that lies inside the universe.
     *
     * @param length 1 or more; what lies past slot 512 is cut off
     */
    public static SlotRange clipped(Slot start, int length) {
        return new SlotRange(start.number(), Math.min(Slot.LAST, start.number() + Math.max(1, length) - 1));
    }

    /** How many slots it has, 1 to 512. */
    public int length() {
        return last - first + 1;
    }

    /** True when a slot is in it, ends included. */
    public boolean contains(int slot) {
        return slot >= first && slot <= last;
    }

    /** True when both hold a slot. */
    public boolean overlaps(SlotRange other) {
        return first <= other.last && other.first <= last;
    }

    /** The slots that both runs hold. */
    public Optional<SlotRange> intersection(SlotRange other) {
        return overlaps(other)
                ? Optional.of(new SlotRange(Math.max(first, other.first), Math.min(last, other.last)))
                : Optional.empty();
    }

    @Override
    public int compareTo(SlotRange other) {
        return ORDER.compare(this, other);
    }
}
