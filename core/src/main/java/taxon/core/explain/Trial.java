package taxon.core.explain;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.PlannedBlock;

/** Slots of a universe that are raised alone, to see what answers. */
public record Trial(UniverseNumber universe, SlotRange slots) {
    private static final Pattern SLOTS =
            Pattern.compile("(\\d{1,5}) ?[./] ?(\\d{1,3})(?: ?(?:-|to) ?(?:(\\d{1,5}) ?[./] ?)?(\\d{1,3}))?");

    /** One slot. */
    public static Trial of(UniverseNumber universe, int slot) {
        return new Trial(universe, new SlotRange(slot, slot));
    }

    /** All slots of a block; empty for one that has no address. What would lie past slot 512 is left out. */
    public static Optional<Trial> whole(PlannedBlock block) {
        return block.start()
                .map(s -> new Trial(
                        s.universe(), SlotRange.clipped(s.slot(), block.block().footprint())));
    }

    /** Reads "2.033", "2.001 to 2.256" and "2.1-256"; empty for what is none. */
    public static Optional<Trial> read(String text) {
        Matcher slots = SLOTS.matcher(text.strip());
        if (!slots.matches()) {
            return Optional.empty();
        }
        int universe = Integer.parseInt(slots.group(1));
        int first = Integer.parseInt(slots.group(2));
        int last = slots.group(4) == null ? first : Integer.parseInt(slots.group(4));
        boolean same = slots.group(3) == null || Integer.parseInt(slots.group(3)) == universe;
        boolean legal = UniverseNumber.isLegal(universe) && Slot.isLegal(first) && Slot.isLegal(last) && first <= last;
        return same && legal
                ? Optional.of(new Trial(UniverseNumber.of(universe), new SlotRange(first, last)))
                : Optional.empty();
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
