package taxon.core.routing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Plan;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.NetworkEdits;

/** A way of a universe taken to another port. */
public final class MovedWay {
    private MovedWay() {}

    /**
     * Takes the way that leads to one port to another; it keeps its protocol, number and delivery as far as what is there hears
     * them, and else goes as the job counts.
     *
     * @param from empty for a universe that is to be carried there in addition
     */
    public static Edit of(Universe universe, Optional<PortRef> from, PortRef to) {
        String title = "Universe " + universe.number() + (from.isPresent() ? " taken to another port" : " carried");
        return new Edit(title, plan -> moved(plan, plan.universe(universe.number()), from, to));
    }

    private static Edit.Outcome moved(Plan plan, Universe universe, Optional<PortRef> from, PortRef to) {
        Optional<Route> before = from.flatMap(f -> way(universe, f));
        if (from.isPresent() && before.isEmpty()) {
            return Edit.refuse(new Refusal(
                    "way of universe " + universe.number() + " to port",
                    from.get().toString(),
                    Fault.NOT_FOUND,
                    "it does not go there"));
        }
        if (way(universe, to).isPresent()) {
            return Edit.refuse(new Refusal(
                    "port", Integer.toString(to.number()), Fault.TAKEN, "universe " + universe.number() + " itself"));
        }
        Optional<Route> after = at(plan, universe, before, to);
        if (after.isEmpty()) {
            return Edit.refuse(new Refusal(
                    "universe",
                    universe.number().toString(),
                    Fault.OUT_OF_RANGE,
                    "one for which the job's counting has a number"));
        }
        List<Route> routes = new ArrayList<>();
        universe.routes().forEach(r -> routes.add(before.filter(r::equals).isPresent() ? after.get() : r));
        if (before.isEmpty()) {
            routes.add(after.get());
        }
        return NetworkEdits.route(universe.with(routes)).applyTo(plan);
    }

    private static Optional<Route> way(Universe universe, PortRef port) {
        return universe.routes().stream().filter(r -> r.port().equals(port)).findFirst();
    }

    private static Optional<Route> at(Plan plan, Universe universe, Optional<Route> before, PortRef to) {
        boolean direct = plan.box(to.box()).filter(b -> b.kind().isDirect()).isPresent();
        if (direct) {
            return Optional.of(new Route.Direct(to));
        }
        if (before.isPresent() && before.get() instanceof Route.ArtNet a) {
            return Optional.of(new Route.ArtNet(a.address(), a.delivery(), to));
        }
        if (before.isPresent() && before.get() instanceof Route.Sacn s) {
            return Optional.of(new Route.Sacn(s.universe(), s.delivery(), s.priority(), to));
        }
        return plan.sheet().counting().portAddress(universe.number()).map(a -> new Route.ArtNet(a, to));
    }
}
