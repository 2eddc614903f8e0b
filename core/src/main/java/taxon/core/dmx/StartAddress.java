package taxon.core.dmx;

import java.util.Comparator;
import java.util.Locale;
import java.util.Optional;

/**
 * Where a block of slots begins: {@code universe.slot}, as GDTF writes it (DIN SPEC 15800, from memory).
 *
 * <p>Ordered by universe, then slot.
 */
public record StartAddress(UniverseNumber universe, Slot slot) implements Comparable<StartAddress> {
    private static final Comparator<StartAddress> ORDER =
            Comparator.comparing(StartAddress::universe).thenComparing(StartAddress::slot);

    /** The largest absolute address: universe 63999, slot 512. */
    public static final int LAST_ABSOLUTE = UniverseNumber.LAST * Slot.LAST;

    /**
     * The address of that universe and slot.
     *
     * @throws IllegalArgumentException when one of them is not legal
     */
    public static StartAddress of(int universe, int slot) {
        return new StartAddress(UniverseNumber.of(universe), Slot.of(slot));
    }

    /**
     * The address with this absolute number, (universe − 1) × 512 + slot (DIN SPEC 15801, from memory).
     *
     * @param absolute 1 to {@link #LAST_ABSOLUTE}
     */
    public static StartAddress ofAbsolute(int absolute) {
        if (absolute < 1 || absolute > LAST_ABSOLUTE) {
            throw new IllegalArgumentException("address " + absolute + " is outside 1 to " + LAST_ABSOLUTE);
        }
        return of((absolute - 1) / Slot.LAST + 1, (absolute - 1) % Slot.LAST + 1);
    }

    /** The absolute number, (universe − 1) × 512 + slot (DIN SPEC 15801, from memory). */
    public int absolute() {
        return (universe.number() - 1) * Slot.LAST + slot.number();
    }

    /** True when {@code footprint} slots from here end at slot 512 or before. */
    public boolean holds(int footprint) {
        return slot.number() + footprint - 1 <= Slot.LAST;
    }

    /**
     * Where the next thing begins after a run from here: on the next universe where the run ends at slot 512.
     *
     * @param length slots of the run, which must fit ({@link #holds})
     * @return empty after the very last slot of the last universe
     */
    public Optional<StartAddress> after(int length) {
        int next = slot.number() + length;
        return Slot.isLegal(next) ? Optional.of(new StartAddress(universe, Slot.of(next))) : nextUniverse();
    }

    /** Slot 1 of the universe above; empty on the last one. */
    public Optional<StartAddress> nextUniverse() {
        int next = universe.number() + 1;
        return UniverseNumber.isLegal(next) ? Optional.of(of(next, Slot.FIRST)) : Optional.empty();
    }

    @Override
    public int compareTo(StartAddress other) {
        return ORDER.compare(this, other);
    }

    /** With three digits after the point, {@code 2.073}: columns align and 2.7 is never read for 2.70. */
    @Override
    public String toString() {
        return String.format(Locale.ROOT, "%d.%03d", universe.number(), slot.number());
    }
}
