package taxon.app.form;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Line;
import taxon.core.rig.Plan;
import taxon.core.rig.Ports;

/** Ports of boxes as forms name them, "1/2". */
public final class Outlets {
    private Outlets() {}

    /** A port to choose. */
    public record Choice(String value, String words) {}

    /** Reads box/port; refuses what is none. */
    public static Optional<PortRef> read(Fields fields, String field) {
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
    public static List<Choice> routable(Plan plan) {
        return plan.boxes().stream()
                .filter(b -> b.kind().takesRoutes())
                .flatMap(b -> IntStream.rangeClosed(1, b.ports().size())
                        .filter(p -> b.ports().get(p - 1).direction() == Direction.OUT)
                        .mapToObj(p -> choice(b, p)))
                .toList();
    }

    /** A port of a box, to choose. */
    public static Choice choice(Box box, int port) {
        return new Choice(box.number() + "/" + port, box.name() + (box.ports().size() == 1 ? "" : ", port " + port));
    }

    /** All ports at which a line can begin: outputs that feed none yet. */
    public static List<Choice> free(Plan plan) {
        Set<PortRef> taken = plan.lines().stream().map(Line::from).collect(Collectors.toSet());
        return plan.boxes().stream()
                .filter(b -> b.kind().feedsLines())
                .flatMap(b -> Ports.outputs(b).filter(p -> !taken.contains(p)).map(p -> choice(b, p.number())))
                .toList();
    }
}
