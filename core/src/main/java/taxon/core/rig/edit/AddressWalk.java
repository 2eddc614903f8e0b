package taxon.core.rig.edit;

import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Block;
import taxon.core.fixture.Mode;

/**
 * Counts addresses on from a first one, without gap and without a look at what is there: the meaning of "8 from 2.001" on
 * an equipment list. Where a fixture would pass slot 512, it begins on the next universe; past the last universe, the rest
 * stays without an address.
 */
public final class AddressWalk {
    private Optional<StartAddress> next;

    public AddressWalk(Optional<StartAddress> first) {
        next = first;
    }

    /** The addresses of a fixture in this mode by block; the walk goes on behind it. */
    public SortedMap<Integer, StartAddress> next(Mode mode) {
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
        Optional<StartAddress> placed = asGiven ? next : next.flatMap(StartAddress::nextUniverse);
        next = placed.flatMap(a -> a.after(footprint));
        return placed;
    }
}
