package taxon.core.explain;

import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;

/** Slots of a universe that are raised alone, to see what answers. */
public record Trial(UniverseNumber universe, SlotRange slots) {
    /** One slot. */
    public static Trial of(UniverseNumber universe, int slot) {
        return new Trial(universe, new SlotRange(slot, slot));
    }

    /** True for one slot, of which one sees what it does, and not only which units answer. */
    public boolean isOfOneSlot() {
        return slots.length() == 1;
    }

    /** "2.033", "2.001 to 2.256". */
    @Override
    public String toString() {
        StartAddress first = StartAddress.of(universe.number(), slots.first());
        return isOfOneSlot() ? first.toString() : first + " to " + StartAddress.of(universe.number(), slots.last());
    }
}
