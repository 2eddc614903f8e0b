package taxon.core.rig;

import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Block;
import taxon.core.fixture.Mode;

/**
 * Counts addresses on from a first one, without gap and without a look at what is there: the meaning of "8 from 2.001" on
 * an equipment list. Where a fixture would pass slot 512, it begins on the next universe; past the last universe, the rest
 * stays without an address.
 */
final class AddressWalk {
    private Optional<StartAddress> next;

    AddressWalk(Optional<StartAddress> first) {
        next = first;
    }

    SortedMap<Integer, StartAddress> next(Mode mode) {
        TreeMap<Integer, StartAddress> addresses = new TreeMap<>();
        int number = 1;
        for (Block block : mode.blocks()) {
            int index = number++;
            place(block.footprint()).ifPresent(a -> addresses.put(index, a));
        }
        return addresses;
    }

    private Optional<StartAddress> place(int footprint) {
        boolean asGiven = next.isPresent() && next.get().holds(footprint);
        Optional<StartAddress> placed = asGiven ? next : next.flatMap(AddressWalk::nextUniverse);
        next = placed.flatMap(a -> after(a, footprint));
        return placed;
    }

    private static Optional<StartAddress> after(StartAddress start, int footprint) {
        int slot = start.slot().number() + footprint;
        return slot <= Slot.LAST ? Optional.of(new StartAddress(start.universe(), Slot.of(slot))) : nextUniverse(start);
    }

    private static Optional<StartAddress> nextUniverse(StartAddress start) {
        int universe = start.universe().number() + 1;
        return UniverseNumber.isLegal(universe) ? Optional.of(StartAddress.of(universe, 1)) : Optional.empty();
    }
}
