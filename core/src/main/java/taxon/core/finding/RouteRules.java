package taxon.core.finding;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.SlotIndex.Seat;
import taxon.core.network.BoxKind;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.Box;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.Ports;
import taxon.core.rig.edit.NetworkEdits;
import taxon.core.routing.Hearers;
import taxon.core.routing.Means;

/** Rules about the way that universes leave. */
final class RouteRules {
    private final SlotIndex index;
    private final Plan plan;
    private Optional<Hearers> hearers = Optional.empty();
    private final Optional<PortRef> freePort;
    private final Optional<PortRef> freeChannel;

    RouteRules(SlotIndex index) {
        this.index = index;
        plan = index.plan();
        freePort = free(b -> b.kind() == BoxKind.NODE);
        freeChannel = free(b -> b.kind() == BoxKind.TRANSMITTER && b.card().isPresent());
    }

    /** Universes that hold a fixture and are carried by nothing. */
    List<Finding> unrouted() {
        List<Finding> found = new ArrayList<>();
        index.byUniverse().forEach((universe, seats) -> {
            if (!plan.universe(universe).isRouted()) {
                found.add(unrouted(universe, used(seats), users(seats)));
            }
        });
        return found;
    }

    private static List<FixtureKey> users(List<Seat> seats) {
        return seats.stream()
                .map(s -> s.block().fixture().key())
                .sorted()
                .distinct()
                .toList();
    }

    /** Slots that are taken; where two share a slot it counts once. */
    private static int used(List<Seat> seats) {
        int used = 0;
        int last = 0;
        for (Seat seat : seats) {
            used += Math.max(0, seat.last() - Math.max(last, seat.first() - 1));
            last = Math.max(last, seat.last());
        }
        return used;
    }

    private Finding unrouted(UniverseNumber universe, int slots, List<FixtureKey> fixtures) {
        return new Finding(
                Rule.UNIVERSE_UNROUTED,
                Rule.UNIVERSE_UNROUTED.slug() + ":" + universe,
                fixtures,
                new Grounds.UniverseUnrouted(universe, slots, fixtures.size()),
                Optional.of(remedy(universe)));
    }

    /** Found out only where some universe is routed nowhere. */
    private Hearers hearers() {
        if (hearers.isEmpty()) {
            hearers = Optional.of(Hearers.of(plan));
        }
        return hearers.get();
    }

    private Remedy remedy(UniverseNumber universe) {
        Optional<SacnUniverse> counted = plan.sheet().counting().sacn(universe);
        Hearers by = hearers();
        Optional<PortRef> free = by.isOnly(Means.CABLE, universe)
                ? freePort
                : by.isOnly(Means.AIR, universe) ? freeChannel : Optional.empty();
        return free.flatMap(port -> counted.<Remedy>map(number -> new Remedy.Apply(
                        "Carry it as streaming ACN " + number + " to " + NetworkText.port(plan, port),
                        NetworkEdits.route(plan.universe(universe).with(List.of(new Route.Sacn(number, port)))))))
                .orElse(new Remedy.Decide("Route universe " + universe, Remedy.Where.ROUTING));
    }

    /** The first output of such boxes, in their order, that no universe is routed to yet. */
    private Optional<PortRef> free(Predicate<Box> such) {
        Set<PortRef> used = new HashSet<>();
        plan.describedUniverses().forEach(u -> u.routes().forEach(r -> used.add(r.port())));
        return plan.boxes().stream()
                .filter(such)
                .flatMap(Ports::outputs)
                .filter(p -> !used.contains(p))
                .findFirst();
    }
}
