package taxon.app.network;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import taxon.app.form.Fields;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;

/** Ports of boxes as forms name them, "1/2". */
final class Outlets {
    private Outlets() {}

    /** A port to choose. */
    record Choice(String value, String words) {}

    static Optional<PortRef> read(Fields fields, String field) {
        String[] outlet = (fields.text(field) + "/").split("/", 3);
        Optional<PortRef> port = outlet[0].matches("\\d{1,6}") && outlet[1].matches("\\d{1,3}")
                ? fields.build(field, () -> new PortRef(Integer.parseInt(outlet[0]), Integer.parseInt(outlet[1])))
                : Optional.empty();
        if (port.isEmpty()) {
            fields.refuse(field, "Choose a box and a port; it takes box/port, such as 1/2.");
        }
        return port;
    }

    /** All ports to which a universe can be routed. */
    static List<Choice> routable(Plan plan) {
        return plan.boxes().stream()
                .filter(b -> b.kind().takesRoutes())
                .flatMap(b -> IntStream.rangeClosed(1, b.ports().size())
                        .filter(p -> b.ports().get(p - 1).direction() == Direction.OUT)
                        .mapToObj(p -> choice(b, p)))
                .toList();
    }

    static Choice choice(Box box, int port) {
        return new Choice(box.number() + "/" + port, box.name() + (box.ports().size() == 1 ? "" : ", port " + port));
    }
}
