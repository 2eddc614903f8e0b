package taxon.core.rig.edit;

import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Block;
import taxon.core.fixture.Mode;

/**
 * Counts addresses on from a first one, without a look at what is there. It stays on its universe: a block that runs past slot
 * 512 keeps the address that it was counted to, and what would begin behind slot 512 gets none. Nothing goes to a universe that
 * nobody has named, unless the walk was made to.
 */
public final class AddressWalk {
    private final boolean goesOn;
    private final int gap;
    private Optional<StartAddress> next;

    private AddressWalk(Optional<StartAddress> first, int gap, boolean goesOn) {
        next = first;
        this.gap = gap;
        this.goesOn = goesOn;
    }

    /** "8 from 2.001": all on one universe. */
    public static AddressWalk within(Optional<Added.Run> run) {
        return new AddressWalk(
                run.map(Added.Run::first), run.map(Added.Run::gap).orElse(0), false);
    }

    /**
     * Fills cells that are seen one by one before anything is kept: where a block would pass slot 512, it begins on the next
     * universe; past the last universe the rest stays without an address.
     */
    public static AddressWalk over(Optional<StartAddress> first) {
        return new AddressWalk(first, 0, true);
    }

    /** The addresses of a fixture in this mode by block; the walk goes on behind it. */
    public SortedMap<Integer, StartAddress> next(Mode mode) {
        return next(mode.blocks());
    }

    /** The addresses of these blocks, counted from 1; the walk goes on behind them. */
    public SortedMap<Integer, StartAddress> next(List<Block> blocks) {
        TreeMap<Integer, StartAddress> addresses = new TreeMap<>();
        int number = 1;
        for (Block block : blocks) {
            int index = number++;
            place(block.footprint(), index == blocks.size() ? gap : 0).ifPresent(a -> addresses.put(index, a));
        }
        return addresses;
    }

    private Optional<StartAddress> place(int footprint, int free) {
        Optional<StartAddress> placed = next;
        if (goesOn && next.filter(a -> a.holds(footprint)).isEmpty()) {
            placed = next.flatMap(StartAddress::nextUniverse);
        }
        next = placed.flatMap(a -> counted(a, footprint + free));
        return placed;
    }

    private Optional<StartAddress> counted(StartAddress address, int slots) {
        if (goesOn) {
            return address.after(slots);
        }
        int slot = address.slot().number() + slots;
        return slot > Slot.LAST
                ? Optional.empty()
                : Optional.of(StartAddress.of(address.universe().number(), slot));
    }
}
