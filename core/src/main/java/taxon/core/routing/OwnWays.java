package taxon.core.routing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.network.BoxKind;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Ports;
import taxon.core.rig.Universe;
import taxon.core.routing.RouteProposal.Choice;
import taxon.core.routing.RouteProposal.Move;
import taxon.core.routing.RouteProposal.NoPort;
import taxon.core.routing.RouteProposal.Why;

/** Ways to units that are on the network themselves: each is the only box that can be meant. */
final class OwnWays {
    private final Plan plan;
    private final RouteWish wish;
    private final List<Move> moves = new ArrayList<>();
    private final List<NoPort> left = new ArrayList<>();
    private final Set<Integer> reached = new HashSet<>();

    private OwnWays(Plan plan, RouteWish wish) {
        this.plan = plan;
        this.wish = wish;
    }

    static RouteProposal of(Plan plan, RouteWish wish, Hearers hearers) {
        OwnWays ways = new OwnWays(plan, wish);
        List<Box> units = plan.boxes().stream()
                .filter(b -> b.kind() == BoxKind.UNIT && b.facts().fixture().isPresent())
                .toList();
        for (Universe universe : units.isEmpty() ? List.<Universe>of() : plan.universes()) {
            hearers.of(Means.OWN, universe.number())
                    .forEach(f -> units.stream()
                            .filter(b -> b.facts().fixture().equals(Optional.of(f.key())))
                            .forEach(b -> ways.lead(universe, b)));
        }
        return RouteProposal.made(ways.moves, ways.left, ways.reached.size(), ways.reached.size(), 0, 0);
    }

    private void lead(Universe universe, Box box) {
        if (universe.reaches(box.number())) {
            reached.add(box.number());
            return;
        }
        Optional<PortRef> port = Ports.outputs(box).filter(p -> !isTaken(p)).findFirst();
        if (port.isEmpty()) {
            left.add(new NoPort(universe, Why.NO_PORT_LEFT));
            return;
        }
        wish.route(plan, universe, port.get())
                .ifPresentOrElse(
                        r -> {
                            moves.add(new Move(
                                    universe, Optional.empty(), r, box, Means.OWN, Optional.empty(), Choice.ONLY));
                            reached.add(box.number());
                        },
                        () -> left.add(new NoPort(universe, Why.NO_NUMBER)));
    }

    private boolean isTaken(PortRef port) {
        return moves.stream().anyMatch(m -> m.route().port().equals(port))
                || plan.describedUniverses().stream()
                        .flatMap(u -> u.routes().stream())
                        .anyMatch(r -> r.port().equals(port));
    }
}
