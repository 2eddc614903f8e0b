package taxon.app.network;

import java.util.Optional;
import taxon.core.counting.CountingProposal;
import taxon.core.network.Route;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;

/**
 * A universe and its way out.
 *
 * @param protocol "art-net", "sacn" or empty
 * @param carriedAs its number there; empty for an unrouted one, which goes by the job's counting once its protocol is chosen
 * @param shown Net · Sub-Net · Universe, or the multicast group
 * @param outlet "1/2": node and port; empty when it is routed nowhere
 * @param exception true when it leaves under another number than the job's counting gives it
 */
record UniverseLine(
        int number,
        String label,
        String protocol,
        Optional<Integer> carriedAs,
        String shown,
        String outlet,
        String outletWords,
        boolean exception) {

    static UniverseLine of(Plan plan, Universe universe) {
        Optional<Route> route = universe.route();
        return new UniverseLine(
                universe.number().number(),
                universe.label(),
                route.map(r -> r instanceof Route.ArtNet ? "art-net" : "sacn").orElse(""),
                route.map(UniverseLine::carriedAs),
                route.map(UniverseLine::shown).orElse(""),
                route.map(r -> r.port().node() + "/" + r.port().number()).orElse(""),
                route.map(r -> plan.node(r.port().node()).orElseThrow().name() + ", port "
                                + r.port().number())
                        .orElse("nowhere"),
                CountingProposal.isException(plan, universe));
    }

    private static int carriedAs(Route route) {
        return route instanceof Route.ArtNet a
                ? a.address().number()
                : ((Route.Sacn) route).universe().number();
    }

    /** "Port-Address 16 = 0·1·0, group of sixteen 2:1" or "universe 5, group 239.255.0.5". */
    static String shown(Route route) {
        return route instanceof Route.ArtNet a
                ? BoxMeaning.words(a.address())
                : BoxMeaning.words(((Route.Sacn) route).universe());
    }
}
