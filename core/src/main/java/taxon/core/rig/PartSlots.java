package taxon.core.rig;

import java.util.Collections;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;

/**
 * The slots that a part of a fixture has in one of its blocks.
 *
 * @param offsets counted from 1 inside the block, at least one; they need not follow on each other
 * @param alone true when nothing else is in the block, so that the block's address is the part's own
 */
public record PartSlots(PlannedBlock block, SortedSet<Integer> offsets, boolean alone) {
    public PartSlots {
        offsets = Collections.unmodifiableSortedSet(new TreeSet<>(offsets));
        if (offsets.isEmpty()) {
            throw new IllegalArgumentException("a part without a slot in " + block.label());
        }
    }

    /** Where its first slot is; empty when the block has no address, or the slot would lie past 512. */
    public Optional<StartAddress> start() {
        return block.start()
                .filter(a -> slot(a) <= Slot.LAST)
                .map(a -> new StartAddress(a.universe(), Slot.of(slot(a))));
    }

    private int slot(StartAddress start) {
        return start.slot().number() + offsets.first() - 1;
    }
}
