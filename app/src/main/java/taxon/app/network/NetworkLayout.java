package taxon.app.network;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import taxon.app.edit.JobState;
import taxon.app.form.Selection;
import taxon.app.frame.Tints;
import taxon.app.network.NetworkDrawing.Cable;
import taxon.app.network.NetworkDrawing.Loose;
import taxon.app.network.NetworkDrawing.Plate;
import taxon.app.network.NetworkDrawing.Row;
import taxon.app.network.NetworkDrawing.Run;
import taxon.app.network.NetworkDrawing.Stop;
import taxon.core.addressing.space.Fits;
import taxon.core.dmx.UniverseNumber;
import taxon.core.history.NetworkText;
import taxon.core.lines.Reached;
import taxon.core.network.BoxKind;
import taxon.core.network.Route.PortRef;
import taxon.core.network.RouteWords;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.text.Counted;
import taxon.core.text.NumberRuns;

/**
 * Lays the network out. Boxes stand in the order of their switches, and switches and senders at the height of what hangs on
 * them, so that cables cross only where two of them must.
 */
final class NetworkLayout {
    private static final int WIDTH = 1240;
    private static final int PLATE = 140;
    private static final int SWITCHES = 168;
    private static final int BOXES = 336;
    private static final int PORTS = 490;
    private static final int PORT_WIDTH = 226;
    private static final int LINES = 728;
    private static final int UNITS = 790;
    private static final int INDENT = 22;
    private static final int ROW = 34;
    private static final int UNIT = 32;
    private static final int UNIT_STEP = 35;
    private static final int UNIT_HEIGHT = 24;
    private static final int SPLITTER = 92;
    private static final int GAP = 14;
    private static final int PLATE_HEIGHT = 46;
    private static final int DEEPEST = 8;

    private final Plan plan;
    private final Fits fits;
    private final Tints tints;
    private final NetworkMarks marks;
    private final WayLight light;
    private final Selection selection;
    private final String fold;
    private final Set<String> open;
    private final Reached reached;
    private final Map<PortRef, Line> lines = new HashMap<>();
    private final Map<PortRef, List<Universe>> routed = new HashMap<>();
    private final Set<Integer> nested = new HashSet<>();
    private final List<Plate> plates = new ArrayList<>();
    private final List<Row> rows = new ArrayList<>();
    private final List<Cable> cables = new ArrayList<>();
    private final Map<Integer, Plate> plateOf = new HashMap<>();
    private int y = 8;

    /**
     * @param fold "position" or "rack" to fold the boxes of each together; anything else for none
     * @param open which of these are open all the same
     */
    static NetworkDrawing of(JobState state, Selection selection, String fold, Set<String> open) {
        return new NetworkLayout(state, selection, fold, open).draw();
    }

    private NetworkLayout(JobState state, Selection selection, String fold, Set<String> open) {
        plan = state.plan();
        fits = Fits.of(plan);
        tints = Tints.of(plan);
        marks = new NetworkMarks(state.check().findings());
        this.selection = selection;
        light = new WayLight(plan, selection.in(plan));
        this.fold = fold.equals("position") || fold.equals("rack") ? fold : "";
        this.open = open;
        reached = Reached.by(plan);
        plan.lines().forEach(l -> {
            lines.put(l.from(), l);
            nested.addAll(l.boxes());
        });
        plan.describedUniverses()
                .forEach(u -> u.routes()
                        .forEach(r -> routed.computeIfAbsent(r.port(), p -> new ArrayList<>())
                                .add(u)));
    }

    private NetworkDrawing draw() {
        Set<Integer> senders = senders();
        Map<String, List<Box>> groups = new LinkedHashMap<>();
        plan.boxes().stream()
                .filter(b -> b.kind() != BoxKind.SWITCH && !nested.contains(b.number()))
                .filter(b -> !senders.contains(b.number()) || carries(b))
                .sorted(Comparator.comparingInt(NetworkLayout::over).thenComparingInt(Box::number))
                .forEach(b ->
                        groups.computeIfAbsent(key(b), k -> new ArrayList<>()).add(b));
        groups.forEach(this::group);
        List<Loose> loose = loose();
        beside(
                SWITCHES,
                plan.boxes().stream().filter(b -> b.kind() == BoxKind.SWITCH).toList());
        beside(
                0,
                plan.boxes().stream()
                        .filter(b -> senders.contains(b.number()) && !carries(b))
                        .toList());
        plan.boxes().forEach(this::cable);
        unswitched(senders);
        int height = plates.stream().mapToInt(p -> p.y() + p.height()).max().orElse(0);
        int left = plates.stream().mapToInt(Plate::x).min().orElse(0);
        return new NetworkDrawing(
                left,
                WIDTH - left,
                Math.max(y, height) + 8,
                List.copyOf(plates),
                List.copyOf(rows),
                List.copyOf(cables),
                loose,
                fold);
    }

    private Set<Integer> senders() {
        Set<Integer> senders = new TreeSet<>();
        plan.describedUniverses().forEach(u -> u.sources().forEach(s -> senders.add(s.box())));
        plan.boxes().stream().filter(b -> b.kind() == BoxKind.CONSOLE).forEach(b -> senders.add(b.number()));
        return senders;
    }

    /** True when something leaves by its own ports. */
    private boolean carries(Box box) {
        return IntStream.rangeClosed(1, box.ports().size())
                .mapToObj(p -> new PortRef(box.number(), p))
                .anyMatch(p -> routed.containsKey(p) || lines.containsKey(p));
    }

    private static int over(Box box) {
        return box.facts().reaches().map(PortRef::box).orElse(0);
    }

    private String key(Box box) {
        return switch (fold) {
            case "position" ->
                box.place()
                        .position()
                        .flatMap(plan::position)
                        .map(p -> p.name())
                        .orElse("no position");
            case "rack" ->
                box.place().rack().isEmpty() ? "no rack" : box.place().rack();
            default -> "";
        };
    }

    private void group(String key, List<Box> boxes) {
        if (fold.isEmpty() || open.contains(key)) {
            boxes.forEach(this::box);
        } else {
            folded(key, boxes);
        }
    }

    private void folded(String key, List<Box> boxes) {
        Set<UniverseNumber> carried = new TreeSet<>();
        boxes.forEach(b -> IntStream.rangeClosed(1, b.ports().size())
                .mapToObj(p -> new PortRef(b.number(), p))
                .forEach(p -> carried.addAll(reached.at(p))));
        NetworkMarks.Mark mark = boxes.stream()
                .map(b -> marks.ofBox(b.number()))
                .filter(m -> !m.severity().isEmpty())
                .findFirst()
                .orElse(NetworkMarks.Mark.NONE);
        Plate plate = new Plate(
                BOXES,
                y,
                LINES - BOXES - GAP,
                PLATE_HEIGHT,
                0,
                key,
                key,
                boxes.size() == 1 ? "1 box" : boxes.size() + " boxes",
                carried.isEmpty()
                        ? "no universe"
                        : (carried.size() == 1 ? "universe " : "universes ")
                                + String.join(
                                        ", ",
                                        NumberRuns.words(
                                                carried.stream()
                                                        .map(UniverseNumber::number)
                                                        .collect(Collectors.toCollection(TreeSet::new)),
                                                "–")),
                mark.severity(),
                mark.why(),
                boxes.stream().anyMatch(b -> light.on(b.number())));
        plates.add(plate);
        boxes.forEach(b -> plateOf.put(b.number(), plate));
        y += PLATE_HEIGHT + GAP;
    }

    private void box(Box box) {
        int top = y;
        for (int port = 1; port <= box.ports().size(); port++) {
            port(box, port, PORTS, 0);
        }
        int height = Math.max(PLATE_HEIGHT, y - top - 4);
        place(box, BOXES, top, height);
        y = top + height + GAP;
    }

    private void place(Box box, int x, int top, int height) {
        NetworkMarks.Mark mark = marks.ofBox(box.number());
        Plate plate = new Plate(
                x,
                top,
                PLATE,
                height,
                box.number(),
                "",
                box.name(),
                box.card().map(Object::toString).orElse(box.kind().words()),
                box.place()
                        .position()
                        .flatMap(plan::position)
                        .map(p -> p.name())
                        .orElse(""),
                mark.severity(),
                mark.why(),
                light.on(box.number()));
        plates.add(plate);
        plateOf.put(box.number(), plate);
    }

    private void port(Box box, int port, int x, int depth) {
        PortRef ref = new PortRef(box.number(), port);
        List<Universe> own = routed.getOrDefault(ref, List.of());
        Set<UniverseNumber> carried = reached.at(ref);
        int rowY = y;
        Optional<Line> line = Optional.ofNullable(lines.get(ref));
        y += ROW;
        Optional<Run> run = line.map(l -> run(l, rowY, depth));
        rows.add(new Row(
                x,
                rowY,
                PORT_WIDTH - (x - PORTS),
                box.number() + "/" + port,
                box.number(),
                port,
                carried.stream().map(UniverseNumber::toString).collect(Collectors.joining("+")),
                carried.size() == 1 ? carried.iterator().next().number() : 0,
                !own.isEmpty(),
                own.isEmpty()
                        ? ""
                        : RouteWords.brief(own.get(0).routes().stream()
                                .filter(r -> r.port().equals(ref))
                                .findFirst()
                                .orElseThrow()),
                carried.isEmpty()
                        ? idle(box, port)
                        : Counted.of(carried.stream().mapToInt(fits::used).sum(), "slot"),
                run,
                light.on(ref)));
        line.ifPresent(l -> behind(l, depth));
    }

    private static String idle(Box box, int port) {
        return switch (box.ports().get(port - 1).direction()) {
            case OUT -> "spare";
            case IN -> "input";
            case OFF -> "off";
        };
    }

    /** The stops of a line, in rows of as many as there is room for. */
    private Run run(Line line, int rowY, int depth) {
        List<Stop> stops = new ArrayList<>();
        int left = UNITS + depth * INDENT;
        int x = left;
        int top = rowY;
        int place = 0;
        int to = left;
        for (LineStop stop : line.stops()) {
            int width = stop instanceof LineStop.Unit ? UNIT : SPLITTER;
            if (x + width > WIDTH) {
                x = left;
                top += UNIT_HEIGHT + 6;
                y = Math.max(y, top + ROW);
            }
            stops.add(stop(stop, x, top + 3, width, ++place));
            x += width + UNIT_STEP - UNIT;
            to = Math.max(to, x);
        }
        NetworkMarks.Mark mark = marks.ofLine(line.number());
        return new Run(
                line.number(),
                line.name(),
                LINES + depth * INDENT,
                to,
                rowY,
                "line " + line.name() + " from " + NetworkText.port(plan, line.from()),
                mark.severity(),
                mark.why(),
                List.copyOf(stops));
    }

    private Stop stop(LineStop stop, int x, int top, int width, int place) {
        if (stop instanceof LineStop.Through t) {
            String name = plan.box(t.box()).map(Box::name).orElse("");
            return new Stop(x, top, width, 0, t.box(), place, clipped(name, 12), name, -1, light.on(t.box()));
        }
        Fixture fixture = plan.fixture(((LineStop.Unit) stop).fixture()).orElseThrow();
        return new Stop(
                x,
                top,
                width,
                fixture.key().number(),
                0,
                place,
                fixture.label().length() <= 5 ? fixture.label() : "",
                fixture.label() + ", " + plan.type(fixture).shortName() + ", "
                        + plan.position(fixture).name(),
                tints.of(fixture.type()),
                selection.holds(fixture.key()));
    }

    /** The ports of boxes that a line feeds, under it. */
    private void behind(Line line, int depth) {
        for (int number : line.boxes()) {
            Box box = plan.box(number).orElseThrow();
            for (int port = 1; depth < DEEPEST && port <= box.ports().size(); port++) {
                if (lines.containsKey(new PortRef(number, port))) {
                    port(box, port, PORTS + (depth + 1) * INDENT, depth + 1);
                }
            }
        }
    }

    private static String clipped(String words, int most) {
        return words.length() <= most ? words : words.substring(0, most - 1) + "…";
    }

    /** Boxes of one column, each as near as can be to the middle of those that are cabled to it. */
    private void beside(int x, List<Box> boxes) {
        List<Box> ordered = boxes.stream()
                .sorted(Comparator.comparingDouble(this::middle).thenComparingInt(Box::number))
                .toList();
        int next = 8;
        for (Box box : ordered) {
            int top = Math.max(next, (int) middle(box) - PLATE_HEIGHT / 2);
            place(box, x, top, PLATE_HEIGHT);
            next = top + PLATE_HEIGHT + GAP;
        }
    }

    private double middle(Box box) {
        return plateOf.entrySet().stream()
                .filter(e -> plan.box(e.getKey())
                                .filter(b -> over(b) == box.number())
                                .isPresent()
                        || over(box) == e.getKey())
                .mapToInt(e -> e.getValue().y() + e.getValue().height() / 2)
                .average()
                .orElse(PLATE_HEIGHT / 2.0 + 8);
    }

    private void cable(Box box) {
        if (!nested.contains(box.number())) {
            box.facts().reaches().ifPresent(r -> joined(box.number(), r.box()));
        }
    }

    /** Where no switch is drawn, who sends is joined to who gets it. */
    private void unswitched(Set<Integer> senders) {
        if (plan.boxes().stream().anyMatch(b -> b.kind() == BoxKind.SWITCH)) {
            return;
        }
        Set<List<Integer>> pairs = new HashSet<>();
        plan.describedUniverses()
                .forEach(u -> u.sources()
                        .forEach(s -> u.routes()
                                .forEach(
                                        r -> pairs.add(List.of(s.box(), r.port().box())))));
        pairs.stream()
                .filter(p -> senders.contains(p.get(0)) && !p.get(0).equals(p.get(1)))
                .sorted(Comparator.<List<Integer>>comparingInt(p -> p.get(0)).thenComparingInt(p -> p.get(1)))
                .forEach(p -> joined(p.get(0), p.get(1)));
    }

    private void joined(int one, int other) {
        Plate a = plateOf.get(one);
        Plate b = plateOf.get(other);
        if (a == null || b == null || a.equals(b)) {
            return;
        }
        Plate left = a.x() <= b.x() ? a : b;
        Plate right = left.equals(a) ? b : a;
        int fromX = left.x() == right.x() ? left.x() : left.x() + left.width();
        int fromY = left.y() + left.height() / 2;
        int toY = right.y() + right.height() / 2;
        int bend = left.x() == right.x() ? fromX - 20 : (fromX + right.x()) / 2;
        cables.add(new Cable(
                "M" + fromX + " " + fromY + "C" + bend + " " + fromY + " " + bend + " " + toY + " " + right.x() + " "
                        + toY,
                light.on(one) && light.on(other)));
    }

    private List<Loose> loose() {
        List<Loose> loose = new ArrayList<>();
        for (Universe universe : plan.universes()) {
            if (!universe.isRouted()) {
                loose.add(new Loose(
                        PORTS,
                        y + 14,
                        universe.number().number(),
                        "Universe " + universe.number() + " is routed nowhere"));
                y += 26;
            }
        }
        return loose;
    }
}
