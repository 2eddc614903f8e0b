package taxon.core.lines;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.core.lines.Chains.Chain;
import taxon.core.network.BoxKind;
import taxon.core.network.BoxPort;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.BoxFacts;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;

/** Writes answers down as lines and splitters, with the numbers and names that are free. */
final class LineWriter {
    private final Plan plan;
    private final Map<Integer, Line> drawn = new LinkedHashMap<>();
    private final Map<Integer, Line> gone = new LinkedHashMap<>();
    private final Map<PortRef, Line> begun = new HashMap<>();
    private final List<Box> splitters = new ArrayList<>();
    private final Set<String> names = new HashSet<>();
    private int nextLine;
    private int nextBox;
    private int nextName;

    LineWriter(Plan plan) {
        this.plan = plan;
        plan.lines().forEach(l -> {
            names.add(l.name());
            begun.put(l.from(), l);
        });
        nextLine = plan.nextNumber(Kind.LINE);
        nextBox = plan.nextNumber(Kind.BOX);
    }

    /** Takes the units off a line; what it feeds stays on it. */
    void clear(Line line) {
        Line kept = line.with(
                line.stops().stream().filter(LineStop.Through.class::isInstance).toList());
        if (kept.stops().isEmpty()) {
            gone.put(line.number(), line);
        } else if (!kept.equals(line)) {
            put(kept);
        }
    }

    void put(Line line) {
        drawn.put(line.number(), line);
    }

    /** Lines for an answer; where more begin at a place than it has ports, out of splitters on its last. */
    void draw(SplitAnswer answer, List<Fixture> units, List<TaskMaker.Place> places, int outputs) {
        for (int place = 0; place < places.size(); place++) {
            int at = place;
            List<Chain> here = answer.chains().chains().stream()
                    .filter(c -> c.feed() == at)
                    .toList();
            List<PortRef> ports = ports(places.get(place).ports(), here.size(), outputs);
            for (int i = 0; i < here.size(); i++) {
                begin(ports.get(i), LineGrowth.stops(here.get(i), units));
            }
        }
    }

    private List<PortRef> ports(List<PortRef> free, int lines, int outputs) {
        List<PortRef> ports = new ArrayList<>(free);
        while (ports.size() < lines) {
            PortRef feed = ports.remove(ports.size() - 1);
            Box splitter = splitter(plan.box(free.get(0).box()).orElseThrow(), outputs);
            begin(feed, List.of(new LineStop.Through(splitter.number())));
            for (int port = 1; port <= outputs; port++) {
                ports.add(new PortRef(splitter.number(), port));
            }
        }
        return ports;
    }

    private Box splitter(Box beside, int outputs) {
        int number = nextBox++;
        Box splitter = new Box(
                number,
                "Splitter " + number,
                BoxKind.SPLITTER,
                Optional.empty(),
                Collections.nCopies(outputs, BoxPort.USUAL),
                beside.place(),
                BoxFacts.NONE);
        splitters.add(splitter);
        return splitter;
    }

    /** A line that was cleared at that port keeps its number and its name. */
    private void begin(PortRef port, List<LineStop> stops) {
        Optional<Line> before = Optional.ofNullable(begun.get(port)).filter(l -> gone.containsKey(l.number()));
        before.ifPresent(l -> gone.remove(l.number()));
        Line line = before.map(l -> l.with(stops)).orElseGet(() -> new Line(nextLine++, freeName(), port, stops));
        if (before.filter(line::equals).isEmpty()) {
            put(line);
        }
    }

    private String freeName() {
        String name = letters(nextName++);
        while (!names.add(name)) {
            name = letters(nextName++);
        }
        return name;
    }

    /** A to Z, then AA, AB and so on. */
    private static String letters(int number) {
        String own = String.valueOf((char) ('A' + number % 26));
        return number < 26 ? own : letters(number / 26 - 1) + own;
    }

    List<Line> drawn() {
        return List.copyOf(drawn.values());
    }

    List<Line> gone() {
        return List.copyOf(gone.values());
    }

    List<Box> splitters() {
        return List.copyOf(splitters);
    }
}
