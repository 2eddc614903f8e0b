package taxon.core.routing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Route;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Omission;
import taxon.core.rig.edit.Proposed;

/**
 * A port for every universe that fixtures sit in and that is routed nowhere, before anything is done.
 *
 * @param edit routes them, as one step of undo
 * @param moves universes that get a port
 * @param staying universes that keep their ways
 * @param omissions universes that get none, with the reason
 * @param boxes how many boxes feed lines afterwards
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
     * @param before the way that it had, where it is routed anew
     * @param metres to its nearest unit as cable lies; empty where that cannot be reckoned
     */
    public record Move(Universe universe, Optional<Route> before, Route route, Box box, Optional<Double> metres) {
        /** True when it stays on its port and only leaves otherwise. */
        public boolean keepsItsPort() {
            return before.filter(b -> b.port().equals(route.port())).isPresent();
        }
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

    /** Carries what is routed nowhere. Whoever finds no port anew keeps the one that it has, which then is nobody else's. */
    public static RouteProposal of(Plan plan, RouteWish wish) {
        Set<UniverseNumber> kept = new HashSet<>();
        RouteProposal proposal = new RouteMaker(plan, wish, kept).make();
        while (kept.addAll(proposal.withoutPortAnew())) {
            proposal = new RouteMaker(plan, wish, kept).make();
        }
        return proposal;
    }

    private List<UniverseNumber> withoutPortAnew() {
        return omissions.stream()
                .map(NoPort::universe)
                .filter(Universe::isRouted)
                .map(Universe::number)
                .toList();
    }

    static Edit edit(List<Move> moves) {
        String title = (moves.size() == 1 ? "1 universe" : moves.size() + " universes") + " carried";
        return new Edit(title, now -> {
            List<Universe> routed = new ArrayList<>();
            moves.forEach(m -> routed.add(now.universe(m.universe().number()).with(List.of(m.route()))));
            return new Edit.Changed(now.with(routed));
        });
    }
}
