package taxon.core.routing;

import java.util.Optional;
import taxon.core.network.Counting;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;

/**
 * How universes are to be carried.
 *
 * @param aim what counts
 * @param protocol for boxes on the network; an interface gets no protocol
 * @param anew true when universes that have one way already are routed anew too
 */
public record RouteWish(Aim aim, Protocol protocol, boolean anew) {
    public enum Aim {
        FEWEST_BOXES("fewest boxes"),
        LEAST_CABLE("least cable to the nearest unit");

        private final String words;

        Aim(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public enum Protocol {
        ART_NET,
        SACN
    }

    /** The route that leads a universe to a port on the network; empty where the job's counting has no number for it. */
    Optional<Route> route(Plan plan, Universe universe, PortRef port) {
        Counting counting = plan.sheet().counting();
        return protocol == Protocol.ART_NET
                ? counting.portAddress(universe.number()).map(a -> new Route.ArtNet(a, port))
                : counting.sacn(universe.number()).map(s -> new Route.Sacn(s, port));
    }
}
