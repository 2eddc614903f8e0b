package taxon.app.checks;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.proof.FoundUnit;
import taxon.core.proof.RigComparison;
import taxon.core.rig.Node;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;

/**
 * What one walk over all planned nodes brought.
 *
 * @param ways how each universe is reached whose table of devices was had, for writing to a unit later
 * @param troubles what could not be read, or is set otherwise than planned, a sentence each
 */
record RigReading(Instant at, Map<UniverseNumber, Way> ways, List<FoundUnit> units, List<String> troubles) {

    /**
     * The Port-Address under which a node carries remote management to a line.
     *
     * @param route what was planned when it was read
     */
    record Way(Ipv4 node, PortAddress address, Optional<Route> route) {}

    RigReading {
        ways = Map.copyOf(ways);
        units = List.copyOf(units);
        troubles = List.copyOf(troubles);
    }

    /** This reading with one unit as it is now. */
    RigReading with(FoundUnit changed) {
        List<FoundUnit> all = units.stream()
                .map(u -> u.uid().equals(changed.uid()) ? changed : u)
                .toList();
        return new RigReading(at, ways, all, troubles);
    }

    /** The universes that were read and that the plan sends the same way still: what was read of others says nothing of it now. */
    Set<UniverseNumber> read(Plan plan) {
        return ways.entrySet().stream()
                .filter(e -> isRoutedSo(plan, e.getKey(), e.getValue()))
                .map(Map.Entry::getKey)
                .collect(Collectors.toUnmodifiableSet());
    }

    /** The universes that were read and go another way now. */
    Set<UniverseNumber> outdated(Plan plan) {
        Set<UniverseNumber> outdated = new TreeSet<>(ways.keySet());
        outdated.removeAll(read(plan));
        return outdated;
    }

    private static boolean isRoutedSo(Plan plan, UniverseNumber universe, Way way) {
        Optional<Route> now = plan.universes().stream()
                .filter(u -> u.number().equals(universe))
                .findFirst()
                .flatMap(Universe::route);
        return now.equals(way.route())
                && now.flatMap(r -> plan.node(r.port().node())).map(Node::ip).equals(Optional.of(way.node()));
    }

    /** Planned against found, as far as the plan is as it was read. */
    RigComparison against(Plan plan) {
        Set<UniverseNumber> read = read(plan);
        return RigComparison.of(
                plan,
                read,
                units.stream().filter(u -> read.contains(u.universe())).toList());
    }

    Optional<Way> way(UniverseNumber universe) {
        return Optional.ofNullable(ways.get(universe));
    }
}
