package taxon.core.raising;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxPort;
import taxon.core.network.Delivery;
import taxon.core.network.Ipv4;
import taxon.core.network.Route;
import taxon.core.reception.Carrier;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;

/**
 * Where universes are sent to, as the plan routes them.
 *
 * @param outlets each once, in order
 * @param none universes that cannot be driven
 */
public record Outlets(List<Outlet> outlets, List<NoWay> none) {
    public Outlets {
        outlets = List.copyOf(outlets);
        none = List.copyOf(none);
    }

    /** Why a universe cannot be driven. */
    public enum Why {
        NOT_ROUTED,
        /** It leaves by a cable and not by a network. */
        BY_CABLE,
        /** Its box has no IP address in the plan. */
        BOX_WITHOUT_IP
    }

    /** A universe that cannot be driven. */
    public record NoWay(UniverseNumber universe, Why why) {}

    /** The outlets of some universes. */
    public static Outlets of(Plan plan, Collection<UniverseNumber> universes) {
        List<Outlet> outlets = new ArrayList<>();
        List<NoWay> none = new ArrayList<>();
        for (UniverseNumber universe : universes.stream().sorted().distinct().toList()) {
            List<Outlet> found = of(plan, universe);
            if (found.isEmpty()) {
                none.add(new NoWay(universe, why(plan.universe(universe).routes())));
            }
            found.forEach(o -> add(o, outlets));
        }
        return new Outlets(outlets.stream().sorted().toList(), none);
    }

    private static void add(Outlet outlet, List<Outlet> outlets) {
        for (int i = 0; i < outlets.size(); i++) {
            if (outlets.get(i).isSameWayAs(outlet)) {
                outlets.set(i, outlets.get(i).alsoFor(outlet));
                return;
            }
        }
        outlets.add(outlet);
    }

    private static Why why(List<Route> routes) {
        if (routes.isEmpty()) {
            return Why.NOT_ROUTED;
        }
        return routes.stream().allMatch(Route.Direct.class::isInstance) ? Why.BY_CABLE : Why.BOX_WITHOUT_IP;
    }

    private static List<Outlet> of(Plan plan, UniverseNumber universe) {
        return plan.universe(universe).routes().stream()
                .flatMap(r -> of(plan, universe, r).stream())
                .toList();
    }

    private static Optional<Outlet> of(Plan plan, UniverseNumber universe, Route route) {
        Optional<Box> box = plan.box(route.port().box());
        Optional<Ipv4> ip = box.flatMap(Box::ip);
        String words =
                box.map(Box::name).orElse("a box") + " port " + route.port().number();
        BoxPort port = box.flatMap(b -> b.port(route.port().number())).orElse(BoxPort.USUAL);
        if (route instanceof Route.Sacn sacn) {
            boolean toBox = sacn.delivery() == Delivery.TO_BOX;
            return (toBox ? ip : Optional.of(sacn.universe().multicastGroup()))
                    .map(to -> new Outlet(
                            universe,
                            Carrier.of(sacn.universe()),
                            to,
                            toBox,
                            sacn.priority(),
                            port.merge(),
                            route.port().number(),
                            words,
                            ip.stream().toList()));
        }
        if (route instanceof Route.ArtNet artNet) {
            // One box is meant, whoever else hears it: what is raised goes there alone.
            return ip.map(to -> new Outlet(
                    universe,
                    Carrier.of(artNet.address()),
                    to,
                    artNet.delivery() == Delivery.TO_BOX,
                    Route.Sacn.USUAL_PRIORITY,
                    port.merge(),
                    route.port().number(),
                    words,
                    ip.stream().toList()));
        }
        return Optional.empty();
    }
}
