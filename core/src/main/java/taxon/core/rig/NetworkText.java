package taxon.core.rig;

import java.util.stream.Collectors;
import taxon.core.network.Route;

/** Boxes and ways in few words. */
public final class NetworkText {
    private NetworkText() {}

    /** "Quay node 10.0.0.20/24". */
    public static String box(Box box) {
        return box.name() + box.card().map(c -> " " + c).orElse(" " + box.kind().words());
    }

    /** "Quay node port 2 and Gate node port 1"; empty where it is routed nowhere. */
    public static String ways(Plan plan, Universe universe) {
        return universe.routes().stream().map(r -> port(plan, r.port())).collect(Collectors.joining(" and "));
    }

    /** A receiver by the name of its fixture or box. */
    public static String receiver(Plan plan, RadioLink.Receiver receiver) {
        if (receiver instanceof RadioLink.BuiltIn unit) {
            return plan.fixture(unit.fixture()).map(Fixture::label).orElse("no. " + unit.fixture());
        }
        int box = ((RadioLink.Apart) receiver).box();
        return plan.box(box).map(Box::name).orElse("box " + box);
    }

    /** "Quay node port 2". */
    public static String port(Plan plan, Route.PortRef port) {
        return plan.box(port.box()).map(Box::name).orElse("box " + port.box()) + " port " + port.number();
    }
}
