package taxon.core.history;

import java.util.stream.Collectors;
import taxon.core.network.Route;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;

/** Boxes and ways in few words. */
public final class NetworkText {
    private NetworkText() {}

    /** "Quay node 10.0.0.20/24". */
    static String box(Box box) {
        return box.name() + box.card().map(c -> " " + c).orElse(" " + box.kind().words());
    }

    /** "Quay node port 2 and Gate node port 1"; empty where it is routed nowhere. */
    public static String ways(Plan plan, Universe universe) {
        return universe.routes().stream().map(r -> port(plan, r.port())).collect(Collectors.joining(" and "));
    }

    /** "Quay node port 2". */
    public static String port(Plan plan, Route.PortRef port) {
        return plan.box(port.box()).map(Box::name).orElse("box " + port.box()) + " port " + port.number();
    }
}
