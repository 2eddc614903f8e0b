package taxon.app.checks;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.proof.FoundUnit;

/**
 * What one walk over all planned nodes brought.
 *
 * @param read the universes whose table of devices was had
 * @param ways how each of them is reached, for writing to a unit later
 * @param troubles what could not be read, or is set otherwise than planned, a sentence each
 */
record RigReading(
        Instant at,
        Set<UniverseNumber> read,
        Map<UniverseNumber, Way> ways,
        List<FoundUnit> units,
        List<String> troubles) {

    /** The Port-Address under which a node carries remote management to a line. */
    record Way(Ipv4 node, PortAddress address) {}

    RigReading {
        read = Set.copyOf(read);
        ways = Map.copyOf(ways);
        units = List.copyOf(units);
        troubles = List.copyOf(troubles);
    }

    /** This reading with one unit as it is now. */
    RigReading with(FoundUnit changed) {
        List<FoundUnit> all = units.stream()
                .map(u -> u.uid().equals(changed.uid()) ? changed : u)
                .toList();
        return new RigReading(at, read, ways, all, troubles);
    }

    Optional<Way> way(UniverseNumber universe) {
        return Optional.ofNullable(ways.get(universe));
    }
}
