package taxon.core.paper;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.Collectors;
import taxon.core.dmx.UniverseNumber;
import taxon.core.lines.Reached;
import taxon.core.network.NetCard;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.RouteWords;
import taxon.core.paper.Paper.Part;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.Universe;
import taxon.core.wireless.AirWay;
import taxon.core.wireless.AirWays;

/** Everything that a drawing of the network shows, in words: each box and what it is cabled to, each port and who hangs behind it. */
final class NetworkPaper {
    private static final List<Column> COLUMNS = List.of(
            Column.text("Box"),
            Column.text("Kind"),
            Column.figure("IP address"),
            Column.text("Position"),
            Column.text("Cabled to"),
            Column.text("Sends"),
            Column.figure("Port"),
            Column.text("Carries"),
            Column.text("Line"),
            Column.text("Behind it, in order"));

    private final Plan plan;
    private final Reached reached;
    private final Map<PortRef, Line> lines = new HashMap<>();
    private final Map<PortRef, List<Route>> routes = new HashMap<>();
    private final Map<PortRef, List<AirWay>> hearing = new HashMap<>();
    private final Map<Integer, SortedSet<UniverseNumber>> sent = new HashMap<>();

    NetworkPaper(Plan plan) {
        this.plan = plan;
        reached = Reached.by(plan);
        plan.lines().forEach(l -> lines.put(l.from(), l));
        for (Universe universe : plan.describedUniverses()) {
            universe.routes()
                    .forEach(r -> routes.computeIfAbsent(r.port(), p -> new ArrayList<>())
                            .add(r));
            universe.sources()
                    .forEach(s ->
                            sent.computeIfAbsent(s.box(), b -> new TreeSet<>()).add(universe.number()));
        }
        AirWays.of(plan)
                .all()
                .forEach(w -> w.shownAt()
                        .ifPresent(c -> hearing.computeIfAbsent(c, k -> new ArrayList<>())
                                .add(w)));
    }

    Paper paper() {
        List<Part> parts = new ArrayList<>();
        List<List<Cell>> rows = new ArrayList<>();
        plan.boxes().forEach(b -> rows.addAll(rows(b)));
        parts.add(new Part("", rows));
        List<List<Cell>> loose = plan.universes().stream()
                .filter(u -> !u.isRouted())
                .map(u -> loose(u.number()))
                .toList();
        if (!loose.isEmpty()) {
            parts.add(new Part("Routed nowhere", loose));
        }
        return Paper.of(PaperKind.NETWORK, "", COLUMNS, parts);
    }

    private List<List<Cell>> rows(Box box) {
        List<List<Cell>> rows = new ArrayList<>();
        if (box.ports().isEmpty()) {
            rows.add(row(box, Cell.EMPTY, "", "", ""));
        }
        for (int port = 1; port <= box.ports().size(); port++) {
            rows.add(row(box, port));
        }
        return rows;
    }

    private List<Cell> row(Box box, int port) {
        PortRef ref = new PortRef(box.number(), port);
        Optional<Line> line = Optional.ofNullable(lines.get(ref));
        List<AirWay> heard = hearing.getOrDefault(ref, List.of());
        List<String> behind = new ArrayList<>();
        line.ifPresent(l -> l.stops().forEach(stop -> behind.add(words(stop))));
        heard.forEach(w -> behind.add(NetworkText.receiver(plan, w.receiver())
                + (w.state().isToBeLinked() ? " (by radio, to be linked)" : " (by radio)")));
        return row(
                box,
                Cell.of(port),
                carried(box, ref),
                line.map(Line::name).orElse(heard.isEmpty() ? "" : "radio"),
                String.join(", ", behind));
    }

    /** "universe 4 as Art-Net 0·0·3"; what of a port without any stands in the plan. */
    private String carried(Box box, PortRef port) {
        String universes =
                reached.at(port).stream().map(UniverseNumber::toString).collect(Collectors.joining("+"));
        if (universes.isEmpty()) {
            return box.ports().get(port.number() - 1).direction().words();
        }
        List<Route> own = routes.getOrDefault(port, List.of());
        return "universe " + universes + (own.isEmpty() ? "" : " as " + RouteWords.brief(own.get(0)));
    }

    private String words(LineStop stop) {
        return stop instanceof LineStop.Unit unit
                ? plan.fixture(unit.fixture()).map(Fixture::label).orElse("")
                : plan.box(((LineStop.Through) stop).box()).map(Box::name).orElse("");
    }

    private List<Cell> row(Box box, Cell port, String carries, String line, String behind) {
        return List.of(
                Cell.of(box.name()),
                Cell.of(box.kind().words()),
                Cell.of(box.card().map(NetCard::toString).orElse("")),
                Cell.of(box.place()
                        .position()
                        .flatMap(plan::position)
                        .map(Position::name)
                        .orElse("")),
                Cell.of(box.facts()
                        .reaches()
                        .map(r -> NetworkText.port(plan, r))
                        .orElse("")),
                Cell.of(sent.getOrDefault(box.number(), new TreeSet<>()).stream()
                        .map(UniverseNumber::toString)
                        .collect(Collectors.joining(", "))),
                port,
                Cell.of(carries),
                Cell.of(line),
                Cell.of(behind));
    }

    private static List<Cell> loose(UniverseNumber number) {
        return List.of(
                Cell.EMPTY,
                Cell.EMPTY,
                Cell.EMPTY,
                Cell.EMPTY,
                Cell.EMPTY,
                Cell.EMPTY,
                Cell.EMPTY,
                Cell.of("universe " + number),
                Cell.EMPTY,
                Cell.EMPTY);
    }
}
