package taxon.app.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.app.form.Selection;
import taxon.app.frame.Tints;
import taxon.app.network.NetworkDrawing.Air;
import taxon.app.network.NetworkDrawing.Row;
import taxon.app.network.NetworkDrawing.Run;
import taxon.app.network.NetworkDrawing.Stop;
import taxon.core.addressing.space.Fits;
import taxon.core.dmx.UniverseNumber;
import taxon.core.lines.Reached;
import taxon.core.network.Route.PortRef;
import taxon.core.network.RouteWords;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.RadioLink;
import taxon.core.rig.Universe;
import taxon.core.text.Counted;
import taxon.core.wireless.AirWay;
import taxon.core.wireless.AirWays;

/** The rows of the drawing: each port with what leaves there, and behind it its line, or who hears it by radio. */
final class NetworkRows {
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
    private static final int DEEPEST = 8;

    private final Plan plan;
    private final Fits fits;
    private final Tints tints;
    private final NetworkMarks marks;
    private final WayLight light;
    private final Selection selection;
    private final Reached reached;
    private final Map<PortRef, Line> lines = new HashMap<>();
    private final Map<PortRef, List<Universe>> routed = new HashMap<>();
    private final Map<PortRef, List<AirWay>> hearing = new HashMap<>();
    private final Set<Integer> nested = new HashSet<>();
    private final List<Row> rows = new ArrayList<>();
    private int y;

    NetworkRows(Plan plan, Selection selection, NetworkMarks marks, WayLight light) {
        this.plan = plan;
        this.selection = selection;
        this.marks = marks;
        this.light = light;
        fits = Fits.of(plan);
        tints = Tints.of(plan);
        reached = Reached.by(plan);
        plan.lines().forEach(l -> {
            lines.put(l.from(), l);
            nested.addAll(l.boxes());
        });
        plan.describedUniverses()
                .forEach(u -> u.routes()
                        .forEach(r -> routed.computeIfAbsent(r.port(), p -> new ArrayList<>())
                                .add(u)));
        AirWays.of(plan).all().forEach(this::hang);
    }

    private void hang(AirWay way) {
        way.shownAt().ifPresent(c -> {
            hearing.computeIfAbsent(c, k -> new ArrayList<>()).add(way);
            if (way.receiver() instanceof RadioLink.Apart apart) {
                nested.add(apart.box());
            }
        });
    }

    /** True when a box is drawn behind the port that feeds it. */
    boolean isNested(int box) {
        return nested.contains(box);
    }

    /** True when something leaves by a port. */
    boolean carries(PortRef port) {
        return routed.containsKey(port) || lines.containsKey(port);
    }

    Set<UniverseNumber> at(PortRef port) {
        return reached.at(port);
    }

    List<Row> rows() {
        return List.copyOf(rows);
    }

    /**
     * Lays out the ports of a box.
     *
     * @return where the next row would begin
     */
    int ports(Box box, int top) {
        y = top;
        for (int port = 1; port <= box.ports().size(); port++) {
            port(box, port, PORTS, 0);
        }
        return y;
    }

    private void port(Box box, int port, int x, int depth) {
        PortRef ref = new PortRef(box.number(), port);
        List<Universe> own = routed.getOrDefault(ref, List.of());
        Set<UniverseNumber> carried = reached.at(ref);
        int rowY = y;
        Optional<Line> line = Optional.ofNullable(lines.get(ref));
        y += ROW;
        Optional<Run> run = line.map(l -> run(l, rowY, depth));
        List<AirWay> heard = hearing.getOrDefault(ref, List.of());
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
                heard.isEmpty() ? Optional.empty() : Optional.of(air(ref, heard, rowY, depth)),
                light.on(ref)));
        line.ifPresent(l -> behind(l.boxes(), depth));
        behind(apart(heard), depth);
    }

    private static String idle(Box box, int port) {
        return switch (box.ports().get(port - 1).direction()) {
            case OUT -> "spare";
            case IN -> "input";
            case OFF -> "off";
        };
    }

    /** Stops one after the other, in rows of as many as there is room for. */
    private final class Flow {
        private final List<Stop> stops = new ArrayList<>();
        private final int left;
        private int x;
        private int top;
        private int to;

        Flow(int rowY, int depth) {
            left = UNITS + depth * INDENT;
            x = left;
            to = left;
            top = rowY;
        }

        void add(LineStop stop) {
            int width = stop instanceof LineStop.Unit ? UNIT : SPLITTER;
            if (x + width > NetworkLayout.WIDTH) {
                x = left;
                top += UNIT_HEIGHT + 6;
                y = Math.max(y, top + ROW);
            }
            stops.add(stop(stop, x, top + 3, width, stops.size() + 1));
            x += width + UNIT_STEP - UNIT;
            to = Math.max(to, x);
        }
    }

    private Run run(Line line, int rowY, int depth) {
        Flow flow = new Flow(rowY, depth);
        line.stops().forEach(flow::add);
        NetworkMarks.Mark mark = marks.ofLine(line.number());
        return new Run(
                line.number(),
                line.name(),
                LINES + depth * INDENT,
                flow.to,
                rowY,
                "line " + line.name() + " from " + NetworkText.port(plan, line.from()),
                mark.severity(),
                mark.why(),
                List.copyOf(flow.stops));
    }

    private Air air(PortRef channel, List<AirWay> heard, int rowY, int depth) {
        Flow flow = new Flow(rowY, depth);
        heard.forEach(w -> flow.add(stop(w.receiver())));
        long linked = heard.stream().filter(w -> !w.state().isToBeLinked()).count();
        return new Air(
                LINES + depth * INDENT,
                flow.to,
                rowY,
                linked + " of " + heard.size() + " linked to " + NetworkText.port(plan, channel),
                linked == heard.size(),
                List.copyOf(flow.stops));
    }

    private static LineStop stop(RadioLink.Receiver receiver) {
        return receiver instanceof RadioLink.BuiltIn unit
                ? new LineStop.Unit(unit.fixture())
                : new LineStop.Through(((RadioLink.Apart) receiver).box());
    }

    private Stop stop(LineStop stop, int x, int top, int width, int place) {
        if (stop instanceof LineStop.Through t) {
            String name = plan.box(t.box()).map(Box::name).orElse("");
            return new Stop(x, top, width, 0, t.box(), place, name, clipped(name, 12), name, -1, light.on(t.box()));
        }
        Fixture fixture = plan.fixture(((LineStop.Unit) stop).fixture()).orElseThrow();
        return new Stop(
                x,
                top,
                width,
                fixture.key().number(),
                0,
                place,
                fixture.label(),
                fixture.label().length() <= 5 ? fixture.label() : "",
                fixture.label() + ", " + plan.type(fixture).shortName() + ", "
                        + plan.position(fixture).name(),
                tints.of(fixture.type()),
                selection.holds(fixture.key()));
    }

    private static List<Integer> apart(List<AirWay> heard) {
        return heard.stream()
                .map(AirWay::receiver)
                .filter(RadioLink.Apart.class::isInstance)
                .map(r -> ((RadioLink.Apart) r).box())
                .toList();
    }

    /** The ports of boxes that a line or a channel feeds, under it. */
    private void behind(List<Integer> boxes, int depth) {
        for (int number : boxes) {
            Box box = plan.box(number).orElseThrow();
            for (int port = 1; depth < DEEPEST && port <= box.ports().size(); port++) {
                PortRef ref = new PortRef(number, port);
                if (lines.containsKey(ref) || hearing.containsKey(ref)) {
                    port(box, port, PORTS + (depth + 1) * INDENT, depth + 1);
                }
            }
        }
    }

    private static String clipped(String words, int most) {
        return words.length() <= most ? words : words.substring(0, most - 1) + "…";
    }
}
