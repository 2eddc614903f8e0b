package taxon.core.lines;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxKind;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Line;
import taxon.core.rig.Plan;
import taxon.core.rig.Ports;

/**
 * What leaves each port of a plan: by its own route, behind a splitter what the line into that carries, behind a receiver what
 * its transmitter was given.
 */
public final class Feeds {
    private final Plan plan;
    private final Map<PortRef, Set<UniverseNumber>> routed = new HashMap<>();
    private final Map<Integer, Line> into = new HashMap<>();

    private Feeds(Plan plan) {
        this.plan = plan;
        plan.describedUniverses()
                .forEach(u -> u.routes()
                        .forEach(r -> routed.computeIfAbsent(r.port(), p -> new TreeSet<>())
                                .add(u.number())));
        plan.lines().forEach(l -> l.boxes().forEach(b -> into.putIfAbsent(b, l)));
    }

    public static Feeds of(Plan plan) {
        return new Feeds(plan);
    }

    /** The universes that leave a port, ascending; more than one where the plan is at odds with itself. */
    public Set<UniverseNumber> at(PortRef port) {
        return at(port, Set.of());
    }

    private Set<UniverseNumber> at(PortRef port, Collection<Integer> passed) {
        Set<UniverseNumber> own = routed.getOrDefault(port, Set.of());
        Box box = plan.box(port.box()).orElseThrow();
        if (!own.isEmpty() || passed.contains(port.box())) {
            return own;
        }
        Set<Integer> on = new TreeSet<>(passed);
        on.add(port.box());
        if (box.kind() == BoxKind.RECEIVER) {
            return box.facts().reaches().map(r -> at(r, on)).orElse(Set.of());
        }
        Line line = into.get(port.box());
        return line == null || !box.kind().hangsOnLine() ? Set.of() : at(line.from(), on);
    }

    /** The universes that a line carries. */
    public Set<UniverseNumber> on(Line line) {
        return at(line.from());
    }

    /** Where lines of each universe can begin, or do: outputs that carry it and nothing else, in the order of boxes and ports. */
    Map<UniverseNumber, List<PortRef>> outlets() {
        Map<UniverseNumber, List<PortRef>> outlets = new HashMap<>();
        plan.boxes().stream()
                .filter(b -> b.kind().feedsLines())
                .flatMap(Ports::outputs)
                .forEach(p -> {
                    Set<UniverseNumber> carried = at(p);
                    if (carried.size() == 1) {
                        outlets.computeIfAbsent(carried.iterator().next(), u -> new ArrayList<>())
                                .add(p);
                    }
                });
        return outlets;
    }

    /** True when RDM comes through all that is before a line, down to its port. */
    boolean passesRdm(Line line) {
        return passesRdm(line.from(), Set.of());
    }

    private boolean passesRdm(PortRef port, Collection<Integer> passed) {
        Box box = plan.box(port.box()).orElseThrow();
        boolean here = box.facts().passesRdm()
                && box.port(port.number()).filter(p -> p.rdm()).isPresent();
        if (!here || passed.contains(port.box())) {
            return here;
        }
        Set<Integer> on = new TreeSet<>(passed);
        on.add(port.box());
        Line line = into.get(port.box());
        return line == null || !box.kind().hangsOnLine() || passesRdm(line.from(), on);
    }

    /** True when an output can begin a line: nothing but the port itself is asked. */
    static boolean canFeed(Box box, int port) {
        return box.kind().feedsLines()
                && box.port(port).filter(p -> p.direction() == Direction.OUT).isPresent();
    }
}
