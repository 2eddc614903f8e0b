package taxon.core.rig;

import java.util.stream.IntStream;
import java.util.stream.Stream;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.Route.PortRef;

/** The ports of boxes by their names. */
public final class Ports {
    private Ports() {}

    /** Where levels leave a box, in order. */
    public static Stream<PortRef> outputs(Box box) {
        return IntStream.rangeClosed(1, box.ports().size())
                .filter(p -> box.ports().get(p - 1).direction() == Direction.OUT)
                .mapToObj(p -> new PortRef(box.number(), p));
    }
}
