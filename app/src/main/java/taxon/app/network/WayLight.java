package taxon.app.network;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import taxon.core.lines.UnitWay;
import taxon.core.lines.UnitWays;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.rig.Plan;

/** What lies on the way to the one fixture that is chosen. */
final class WayLight {
    private final Set<Integer> boxes = new HashSet<>();
    private final Set<PortRef> ports = new HashSet<>();

    /** @param chosen lit only where it is exactly one */
    WayLight(Plan plan, List<Fixture> chosen) {
        if (chosen.size() != 1) {
            return;
        }
        for (UnitWay way : UnitWays.of(plan, chosen.get(0))) {
            way.senders().forEach(s -> over(plan, s.number()));
            way.route().ifPresent(r -> {
                ports.add(r.port());
                over(plan, r.port().box());
            });
            for (Line hop : way.hops()) {
                ports.add(hop.from());
                over(plan, hop.from().box());
            }
        }
    }

    /** A box, and the switches that it is cabled to. */
    private void over(Plan plan, int box) {
        if (boxes.add(box)) {
            plan.box(box).map(Box::facts).flatMap(f -> f.reaches()).ifPresent(r -> over(plan, r.box()));
        }
    }

    boolean on(int box) {
        return boxes.contains(box);
    }

    boolean on(PortRef port) {
        return ports.contains(port);
    }
}
