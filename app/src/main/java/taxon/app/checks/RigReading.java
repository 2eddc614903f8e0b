package taxon.app.checks;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.boxcheck.BoxAnswers;
import taxon.core.boxcheck.SeenInterface;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxKind;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.proof.FoundUnit;
import taxon.core.proof.RigComparison;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;

/**
 * What one walk over all planned nodes brought.
 *
 * @param ways how each universe was reached whose tables of devices were had
 * @param behind the way on which a unit answered, by its UID, for writing to it later
 * @param boxes what the planned boxes said of themselves
 * @param interfaces those that are plugged into this computer; empty where it cannot tell
 * @param troubles what could not be read, a sentence each
 */
public record RigReading(
        Instant at,
        Map<UniverseNumber, List<Way>> ways,
        Map<String, Way> behind,
        List<FoundUnit> units,
        List<BoxAnswers> boxes,
        Optional<List<SeenInterface>> interfaces,
        List<String> troubles) {

    /**
     * The Port-Address under which a node carries remote management to a line.
     *
     * @param route what was planned when it was read
     */
    public record Way(Ipv4 node, PortAddress address, Route route) {}

    public RigReading {
        ways = Map.copyOf(ways);
        behind = Map.copyOf(behind);
        units = List.copyOf(units);
        boxes = List.copyOf(boxes);
        interfaces = interfaces.map(List::copyOf);
        troubles = List.copyOf(troubles);
    }

    /** This reading with one unit as it is now. */
    public RigReading with(FoundUnit changed) {
        List<FoundUnit> all = units.stream()
                .map(u -> u.uid().equals(changed.uid()) ? changed : u)
                .toList();
        return new RigReading(at, ways, behind, all, boxes, interfaces, troubles);
    }

    /** This reading with what is plugged into this computer. */
    RigReading beside(List<SeenInterface> pluggedIn) {
        return new RigReading(at, ways, behind, units, boxes, Optional.of(pluggedIn), troubles);
    }

    /** The universes that were read and that the plan sends the same way still: what was read of others says nothing of it now. */
    Set<UniverseNumber> read(Plan plan) {
        return ways.entrySet().stream()
                .filter(e -> isRoutedSo(plan, e.getKey(), e.getValue()))
                .map(Map.Entry::getKey)
                .collect(Collectors.toUnmodifiableSet());
    }

    /** The universes of which a way that was read is not planned so any more. */
    Set<UniverseNumber> outdated(Plan plan) {
        return ways.entrySet().stream()
                .filter(e -> e.getValue().stream().anyMatch(w -> !isPlannedSo(plan, e.getKey(), w)))
                .map(Map.Entry::getKey)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** All of its ways that lead to units were read, and lead where they led; one that was not leaves units that nobody asked. */
    private static boolean isRoutedSo(Plan plan, UniverseNumber universe, List<Way> ways) {
        Set<Route> read = ways.stream().map(Way::route).collect(Collectors.toSet());
        return toUnits(plan, plan.universe(universe)).allMatch(read::contains)
                && ways.stream().allMatch(w -> isPlannedSo(plan, universe, w));
    }

    private static boolean isPlannedSo(Plan plan, UniverseNumber universe, Way way) {
        return plan.universe(universe).routes().contains(way.route())
                && plan.box(way.route().port().box()).flatMap(Box::ip).equals(Optional.of(way.node()));
    }

    /** The ways of a universe behind which units hang; a program that receives it has none. */
    static Stream<Route> toUnits(Plan plan, Universe universe) {
        return universe.routes().stream()
                .filter(r -> plan.box(r.port().box()).orElseThrow().kind() != BoxKind.SERVER);
    }

    /** Planned against found, as far as the plan is as it was read. */
    public RigComparison against(Plan plan) {
        Set<UniverseNumber> read = read(plan);
        return RigComparison.of(
                plan,
                read,
                units.stream().filter(u -> read.contains(u.universe())).toList());
    }

    /** The way on which a unit answered; empty where its line was not read. */
    public Optional<Way> way(String uid) {
        return Optional.ofNullable(behind.get(uid));
    }
}
