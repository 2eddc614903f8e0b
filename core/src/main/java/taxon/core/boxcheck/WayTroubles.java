package taxon.core.boxcheck;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/** What on the way to a unit keeps its levels from it: a universe that leaves nowhere, a box that is silent, a port that is set otherwise. */
public final class WayTroubles {
    private WayTroubles() {}

    /** What boxes said when somebody last looked for them, as sentences; none where nobody looked, or all is as planned. */
    public static List<String> of(Plan plan, Fixture fixture, BoxesHeard heard) {
        List<String> troubles = new ArrayList<>();
        Set<UniverseNumber> universes = plan.blocksOf(fixture).stream()
                .flatMap(b -> b.start().stream())
                .map(StartAddress::universe)
                .collect(Collectors.toSet());
        for (UniverseNumber universe : universes) {
            plan.universe(universe).routes().stream()
                    .map(r -> r.port())
                    .distinct()
                    .flatMap(p -> at(plan, p, heard))
                    .forEach(troubles::add);
        }
        return troubles;
    }

    private static Stream<String> at(Plan plan, PortRef port, BoxesHeard heard) {
        Box box = plan.box(port.box()).orElseThrow();
        if (box.ip().isEmpty()) {
            return Stream.of();
        }
        return BoxCheck.of(plan, List.of(heard.of(plan, box))).stream()
                .flatMap(v -> v.differences().stream())
                .filter(d -> keepsDark(d, port.number()))
                .map(d -> BoxCheckText.sentence(box, d));
    }

    private static boolean keepsDark(BoxDifference difference, int port) {
        if (difference instanceof BoxDifference.NoSuchPort d) {
            return d.port() == port;
        }
        if (difference instanceof BoxDifference.Turned d) {
            return d.port() == port;
        }
        if (difference instanceof BoxDifference.OtherNumber d) {
            return d.port() == port;
        }
        if (difference instanceof BoxDifference.OtherProtocol d) {
            return d.port() == port;
        }
        return difference instanceof BoxDifference.Silent;
    }
}
