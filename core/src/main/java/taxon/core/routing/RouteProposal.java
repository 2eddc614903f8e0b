package taxon.core.routing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Route;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Omission;
import taxon.core.rig.edit.Proposed;

/**
 * A way for every universe that does not come to its units yet, before anything is done.
 *
 * @param edit routes them, as one step of undo
 * @param moves universes that get a way; a universe that is heard by cable and by radio may get two
 * @param staying universes that keep their ways
 * @param omissions universes that get none, with the reason
 * @param boxes how many boxes feed lines, send by radio or are the unit themselves afterwards
 * @param atLeast how many do in every plan that carries as many universes and keeps what is kept
 * @param metres from the boxes to the nearest units, of all that were to be routed, whether they move or not, as far as it can
 *     be reckoned
 * @param unreckoned of how many of them it cannot be, since a place is not said
 */
public record RouteProposal(
        Edit edit,
        List<Move> moves,
        int staying,
        List<NoPort> omissions,
        int boxes,
        int atLeast,
        double metres,
        int unreckoned)
        implements Proposed {
    public RouteProposal {
        moves = List.copyOf(moves);
        omissions = List.copyOf(omissions);
    }

    /**
     * A universe and the port that it gets.
     *
     * @param before the way that this one takes the place of; empty where it is one more, or the first
     * @param means how levels go on from the port
     * @param metres to its nearest unit as cable lies; empty where that cannot be reckoned, or no cable lies
     * @param choice why it is that box
     */
    public record Move(
            Universe universe,
            Optional<Route> before,
            Route route,
            Box box,
            Means means,
            Optional<Double> metres,
            Choice choice) {
        /** True when it stays on its port and only leaves otherwise. */
        public boolean keepsItsPort() {
            return before.filter(b -> b.port().equals(route.port())).isPresent();
        }
    }

    /**
     * Why a universe goes to a box and to no other.
     *
     * @param nearer the box nearest to its units, where another was chosen
     */
    public record Choice(Reason reason, Optional<Box> nearer) {
        static final Choice ONLY = new Choice(Reason.HEARD_THERE, Optional.empty());
        static final Choice NEAREST = new Choice(Reason.NEAREST, Optional.empty());
        static final Choice UNRECKONED = new Choice(Reason.NOT_RECKONED, Optional.empty());
    }

    public enum Reason {
        /** No outlet is nearer to one of its units. */
        NEAREST,
        /** One is nearer; afterwards it has no port left. */
        NEARER_IS_FULL,
        /** One is nearer, and is not among the fewest boxes. */
        NEARER_IS_SPARED,
        /** By cable, but it is not said how far it is. */
        NOT_RECKONED,
        /** Its units hear a transmitter, or are on the network themselves. */
        HEARD_THERE
    }

    /** A universe that gets no port. */
    public record NoPort(Universe universe, Why why) implements Omission {
        @Override
        public String who() {
            return "universe " + universe.number();
        }
    }

    public enum Why {
        NO_PORT_LEFT("every port is taken, or its box takes no more"),
        NO_NUMBER("the job's counting has no number for it");

        private final String words;

        Why(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * Carries what does not come to its units yet: to a port for lines where they hear cable, to a transmitter where they hear
     * radio, to the unit where that is on the network itself. Whoever finds no port anew keeps the one that it has, which then
     * is nobody else's.
     */
    public static RouteProposal of(Plan plan, RouteWish wish) {
        Hearers hearers = Hearers.of(plan);
        RouteProposal cable = of(plan, wish, hearers, Means.CABLE);
        RouteProposal air = of(plan, wish, hearers, Means.AIR);
        RouteProposal own = OwnWays.of(plan, wish, hearers);
        return cable.and(air).and(own).counted(plan);
    }

    private static RouteProposal of(Plan plan, RouteWish wish, Hearers hearers, Means means) {
        Set<UniverseNumber> kept = new HashSet<>();
        RouteProposal proposal = new RouteMaker(plan, wish, hearers, means, kept).make();
        while (kept.addAll(proposal.withoutPortAnew())) {
            proposal = new RouteMaker(plan, wish, hearers, means, kept).make();
        }
        return proposal;
    }

    /** Both; no box is in both. */
    private RouteProposal and(RouteProposal other) {
        return made(
                joined(moves, other.moves),
                joined(omissions, other.omissions),
                boxes + other.boxes,
                atLeast + other.atLeast,
                metres + other.metres,
                unreckoned + other.unreckoned);
    }

    private static <T> List<T> joined(List<T> some, List<T> others) {
        return Stream.concat(some.stream(), others.stream()).toList();
    }

    static RouteProposal made(
            List<Move> moves, List<NoPort> omissions, int boxes, int atLeast, double metres, int unreckoned) {
        return new RouteProposal(edit(moves), moves, 0, omissions, boxes, atLeast, metres, unreckoned);
    }

    private RouteProposal counted(Plan plan) {
        Set<UniverseNumber> moving =
                moves.stream().map(m -> m.universe().number()).collect(Collectors.toSet());
        int staying = (int) plan.describedUniverses().stream()
                .filter(u -> u.isRouted() && !moving.contains(u.number()))
                .count();
        return new RouteProposal(edit, moves, staying, omissions, boxes, atLeast, metres, unreckoned);
    }

    private List<UniverseNumber> withoutPortAnew() {
        return omissions.stream()
                .filter(o -> o.universe().isRouted() && o.why() == Why.NO_PORT_LEFT)
                .map(NoPort::universe)
                .map(Universe::number)
                .toList();
    }

    static Edit edit(List<Move> moves) {
        String title = (moves.size() == 1 ? "1 universe" : moves.size() + " universes") + " carried";
        return new Edit(title, now -> {
            Map<UniverseNumber, Universe> routed = new TreeMap<>();
            moves.forEach(m -> routed.put(
                    m.universe().number(),
                    rerouted(
                            Optional.ofNullable(routed.get(m.universe().number()))
                                    .orElseGet(() -> now.universe(m.universe().number())),
                            m)));
            return new Edit.Changed(now.with(List.copyOf(routed.values())));
        });
    }

    private static Universe rerouted(Universe universe, Move move) {
        List<Route> routes = new ArrayList<>(universe.routes());
        move.before().ifPresent(routes::remove);
        routes.add(move.route());
        return universe.with(routes);
    }
}
