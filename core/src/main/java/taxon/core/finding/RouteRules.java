package taxon.core.finding;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import taxon.core.addressing.Occupancy;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.NetworkEdits;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;

/** Rules about the way that universes leave. */
final class RouteRules {
    private final Plan plan;
    private final Optional<PortRef> freePort;

    RouteRules(Plan plan) {
        this.plan = plan;
        freePort = freePort(plan);
    }

    /** Universes that hold a fixture and are carried by nothing. */
    List<Finding> unrouted() {
        Occupancy occupancy = Occupancy.of(plan, Set.of());
        Map<UniverseNumber, Set<FixtureKey>> users = plan.blocks().stream()
                .filter(b -> b.start().isPresent())
                .collect(Collectors.groupingBy(
                        b -> b.start().orElseThrow().universe(),
                        TreeMap::new,
                        Collectors.mapping(b -> b.fixture().key(), Collectors.toCollection(TreeSet::new))));
        return users.entrySet().stream()
                .filter(e -> plan.universe(e.getKey()).route().isEmpty())
                .map(e -> unrouted(e.getKey(), occupancy.usedSlots(e.getKey()), e.getValue()))
                .toList();
    }

    private Finding unrouted(UniverseNumber universe, int slots, Set<FixtureKey> fixtures) {
        return new Finding(
                Rule.UNIVERSE_UNROUTED,
                Rule.UNIVERSE_UNROUTED.slug() + ":" + universe,
                List.copyOf(fixtures),
                new Evidence.UniverseUnrouted(universe, slots, fixtures.size()),
                Optional.of(remedy(universe)));
    }

    private Remedy remedy(UniverseNumber universe) {
        return freePort.<Remedy>map(port -> new Remedy.Apply(
                        "Carry it as streaming ACN " + universe + " to "
                                + plan.node(port.node()).orElseThrow().name() + " port " + port.number(),
                        NetworkEdits.route(new Universe(
                                universe,
                                plan.universe(universe).label(),
                                Optional.of(new Route.Sacn(new SacnUniverse(universe.number()), port))))))
                .orElse(new Remedy.Decide("Route universe " + universe, Remedy.Where.ROUTING));
    }

    /** The first port, in the order of nodes, that feeds no universe yet. */
    private static Optional<PortRef> freePort(Plan plan) {
        Set<PortRef> used = new HashSet<>();
        plan.universes().forEach(u -> u.route().ifPresent(r -> used.add(r.port())));
        return plan.nodes().stream()
                .flatMap(n -> IntStream.rangeClosed(1, n.ports()).mapToObj(p -> new PortRef(n.number(), p)))
                .filter(p -> !used.contains(p))
                .findFirst();
    }
}
