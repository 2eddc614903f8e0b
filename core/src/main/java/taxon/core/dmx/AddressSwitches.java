package taxon.core.dmx;

import java.util.List;
import java.util.stream.IntStream;

/**
 * How a row of nine address switches stands for a start slot; switch n weighs 2^(n−1) (common practice).
 *
 * @param positions nine entries, switch 1 first; true is on
 */
public record AddressSwitches(Counting counting, List<Boolean> positions) {
    private static final int SWITCHES = 9;

    /** What the switches add up to. */
    public enum Counting {
        /** The address itself: 1 is switch 1 on. */
        PLAIN,
        /** The address less one: 1 is all off. */
        LESS_ONE
    }

    public AddressSwitches {
        positions = List.copyOf(positions);
        if (positions.size() != SWITCHES) {
            throw new IllegalArgumentException(positions.size() + " switches given, " + SWITCHES + " wanted");
        }
    }

    /** True when nine switches reach this slot: plain counting ends at 511. */
    public static boolean reach(Slot slot, Counting counting) {
        return value(slot, counting) < 1 << SWITCHES;
    }

    /** The setting for a slot. Slot 512 is out of reach of plain counting: ask {@link #reach} first. */
    public static AddressSwitches of(Slot slot, Counting counting) {
        if (!reach(slot, counting)) {
            throw new IllegalArgumentException("nine switches reach 511 in plain counting, not " + slot);
        }
        int value = value(slot, counting);
        return new AddressSwitches(
                counting,
                IntStream.range(0, SWITCHES)
                        .mapToObj(n -> (value >> n & 1) == 1)
                        .toList());
    }

    private static int value(Slot slot, Counting counting) {
        return counting == Counting.PLAIN ? slot.number() : slot.number() - 1;
    }
}
