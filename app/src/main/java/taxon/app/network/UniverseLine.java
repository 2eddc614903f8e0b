package taxon.app.network;

import java.util.List;
import java.util.Optional;
import taxon.core.counting.CountingProposal;
import taxon.core.network.BoxNumber;
import taxon.core.network.Delivery;
import taxon.core.network.Route;
import taxon.core.network.RouteWords;
import taxon.core.rig.Box;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.formats.json.Json;

/**
 * A universe and its ways out.
 *
 * @param ways none when it is routed nowhere
 * @param sources the names of the boxes that send it, with their priority where that is not the usual
 */
record UniverseLine(int number, String label, List<Way> ways, List<String> sources) {

    /**
     * One way.
     *
     * @param protocol "art-net", "sacn" or "direct"
     * @param carriedAs its number there; empty where it goes by no network
     * @param shown in every notation that a box may want
     * @param typed what to type on that box, where its habit is known; else empty
     * @param outlet "1/2": box and port
     * @param delivery as in addresses and files; empty where it goes by no network
     * @param deliveryWords "unicast"
     * @param exception true when it has another number than the job's counting gives it
     */
    record Way(
            String protocol,
            Optional<Integer> carriedAs,
            String shown,
            String typed,
            String outlet,
            String outletWords,
            int box,
            String delivery,
            String deliveryWords,
            int priority,
            boolean exception) {

        static Way of(Plan plan, Universe universe, Route route) {
            Box box = plan.box(route.port().box()).orElseThrow();
            Optional<Delivery> delivery = deliveryOf(route);
            return new Way(
                    protocolOf(route),
                    numberOf(route),
                    RouteWords.allNotations(route),
                    box.facts()
                            .shows()
                            .flatMap(habit -> BoxNumber.typed(habit, route))
                            .orElse(""),
                    outletOf(route.port()),
                    NetworkText.port(plan, route.port()),
                    box.number(),
                    delivery.map(Json::slug).orElse(""),
                    delivery.map(Delivery::words).orElse(""),
                    route instanceof Route.Sacn s ? s.priority() : Route.Sacn.USUAL_PRIORITY,
                    CountingProposal.isException(plan, universe, route));
        }
    }

    static UniverseLine of(Plan plan, Universe universe) {
        return new UniverseLine(
                universe.number().number(),
                universe.label(),
                universe.routes().stream().map(r -> Way.of(plan, universe, r)).toList(),
                universe.sources().stream().map(s -> source(plan, s)).toList());
    }

    private static String source(Plan plan, Universe.Source source) {
        return plan.box(source.box()).orElseThrow().name()
                + (source.priority() == Route.Sacn.USUAL_PRIORITY ? "" : ", priority " + source.priority());
    }

    static String outletOf(Route.PortRef port) {
        return port.box() + "/" + port.number();
    }

    private static String protocolOf(Route route) {
        return route instanceof Route.ArtNet ? "art-net" : route instanceof Route.Sacn ? "sacn" : "direct";
    }

    private static Optional<Integer> numberOf(Route route) {
        if (route instanceof Route.ArtNet a) {
            return Optional.of(a.address().number());
        }
        return route instanceof Route.Sacn s ? Optional.of(s.universe().number()) : Optional.empty();
    }

    private static Optional<Delivery> deliveryOf(Route route) {
        if (route instanceof Route.ArtNet a) {
            return Optional.of(a.delivery());
        }
        return route instanceof Route.Sacn s ? Optional.of(s.delivery()) : Optional.empty();
    }
}
