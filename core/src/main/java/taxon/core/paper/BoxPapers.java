package taxon.core.paper;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.network.BoxNumber;
import taxon.core.network.BoxPort;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.RouteWords;
import taxon.core.paper.Paper.Part;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.Universe;

/** The boxes with their IP addresses, and their ports with all that is set on them. */
final class BoxPapers {
    private static final List<Column> COLUMNS = List.of(
            Column.figure("Box"),
            Column.text("Name"),
            Column.text("Kind"),
            Column.text("Position"),
            Column.text("Rack"),
            Column.figure("IP address"),
            Column.figure("Mask"),
            Column.figure("From the factory"),
            Column.figure("Ports"),
            Column.text("Reached by"),
            Column.text("Note"));
    private static final List<Column> PORT_COLUMNS = List.of(
            Column.figure("Port"),
            Column.text("Direction"),
            Column.figure("Universe"),
            Column.text("Label"),
            Column.text("As"),
            Column.figure("To type on the box"),
            Column.text("Socket"),
            Column.text("RDM"),
            Column.text("Merges"),
            Column.text("When data is lost"));

    private final Plan plan;
    private final Map<PortRef, List<Way>> ways = new HashMap<>();

    private record Way(Universe universe, Route route) {}

    BoxPapers(Plan plan) {
        this.plan = plan;
        plan.describedUniverses()
                .forEach(u -> u.routes()
                        .forEach(r -> ways.computeIfAbsent(r.port(), p -> new ArrayList<>())
                                .add(new Way(u, r))));
    }

    Paper boxes() {
        return Paper.of(
                PaperKind.BOXES,
                "",
                COLUMNS,
                List.of(new Part("", plan.boxes().stream().map(this::box).toList())));
    }

    private List<Cell> box(Box box) {
        Optional<NetCard> card = box.card();
        return List.of(
                Cell.of(box.number()),
                Cell.of(box.name()),
                Cell.of(box.kind().words()),
                Cell.of(box.place()
                        .position()
                        .flatMap(plan::position)
                        .map(Position::name)
                        .orElse("")),
                Cell.of(box.place().rack()),
                Cell.of(card.map(c -> c.ip().toString()).orElse("")),
                Cell.of(card.map(c -> c.subnet().mask().toString()).orElse("")),
                Cell.of(card.flatMap(NetCard::factory).map(Ipv4::toString).orElse("")),
                Cell.of(box.ports().size()),
                Cell.of(box.facts().reaches().map(this::port).orElse("")),
                Cell.of(box.facts().note()));
    }

    private String port(PortRef port) {
        return plan.box(port.box()).map(Box::name).orElse("box " + port.box()) + " port " + port.number();
    }

    Paper ports() {
        List<Part> parts = plan.boxes().stream()
                .filter(b -> !b.ports().isEmpty())
                .map(b -> new Part(
                        b.name()
                                + b.card()
                                        .map(c -> ", " + c.ip())
                                        .orElse(", " + b.kind().words()),
                        ports(b)))
                .toList();
        return Paper.of(PaperKind.PORTS, "", PORT_COLUMNS, parts);
    }

    private List<List<Cell>> ports(Box box) {
        List<List<Cell>> rows = new ArrayList<>();
        for (int number = 1; number <= box.ports().size(); number++) {
            rows.add(port(box, number));
        }
        return rows;
    }

    private List<Cell> port(Box box, int number) {
        BoxPort port = box.ports().get(number - 1);
        List<Way> own = ways(box, number);
        return List.of(
                Cell.of(number),
                Cell.of(port.direction().words()),
                own.size() == 1 ? Cell.of(own.get(0).universe().number().number()) : Cell.of(numbers(own)),
                Cell.of(own.stream()
                        .map(w -> w.universe().label())
                        .filter(l -> !l.isBlank())
                        .collect(Collectors.joining(", "))),
                Cell.of(own.stream().map(w -> RouteWords.carried(w.route())).collect(Collectors.joining(", "))),
                Cell.of(typed(box, number)),
                Cell.of(port.socket().words()),
                Cell.of(port.rdm() ? "on" : "off"),
                Cell.of(port.merge().words()),
                Cell.of(port.whenLost().words()));
    }

    private static String numbers(List<Way> ways) {
        return ways.stream().map(w -> w.universe().number().toString()).collect(Collectors.joining(", "));
    }

    private List<Way> ways(Box box, int port) {
        return ways.getOrDefault(new PortRef(box.number(), port), List.of());
    }

    /** "universe 3", "universe 3, 4"; empty where nothing leaves there. */
    String carried(Box box, int port) {
        List<Way> own = ways(box, port);
        return own.isEmpty() ? "" : "universe " + numbers(own);
    }

    /** What is typed on the box for what leaves there; empty where nobody knows how it counts. */
    String typed(Box box, int port) {
        return ways(box, port).stream()
                .flatMap(w -> box.facts().shows().flatMap(h -> BoxNumber.typed(h, w.route())).stream())
                .collect(Collectors.joining(", "));
    }
}
