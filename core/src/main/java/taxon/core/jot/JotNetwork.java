package taxon.core.jot;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.dmx.UniverseNumber;
import taxon.core.lines.LineEdits;
import taxon.core.network.BoxNumber;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Ports;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.NetworkEdits;
import taxon.core.routing.MovedWay;

/** Reads lines about the network: where a universe leaves and under which number, who hangs on a line, the address of a box. */
final class JotNetwork {
    private static final Pattern NUMBERED = Pattern.compile("(?i)(art-?net|sacn)\\s*(.*)");
    private static final Pattern NUMBER = Pattern.compile("\\d{1,5}");

    private final JotLine line;
    private final JotWords words;
    private final Set<FixtureKey> chosen;

    JotNetwork(JotLine line, JotWords words, Set<FixtureKey> chosen) {
        this.line = line;
        this.words = words;
        this.chosen = chosen;
    }

    // A universe: "route 5 to Gate node port 3 as sACN 105"

    JotMeaning route() {
        if (words.subject().isEmpty()) {
            return line.unfinished("which universe", universes(""));
        }
        Optional<Universe> universe = universe(words.subject());
        if (universe.isEmpty()) {
            return line.refused("There is no universe “" + words.subject() + "”; it takes the number of one, 1 to "
                    + UniverseNumber.LAST + ", or its label.");
        }
        if (words.after("to").isEmpty() && words.after("as").isEmpty()) {
            return line.unfinished("where to, or under which number", List.of("to ", "as "));
        }
        return words.after("to").isEmpty() ? numbered(universe.get()) : taken(universe.get());
    }

    private Optional<Universe> universe(String name) {
        if (NUMBER.matcher(name).matches()) {
            int number = Integer.parseInt(name);
            return UniverseNumber.isLegal(number)
                    ? Optional.of(line.plan().universe(UniverseNumber.of(number)))
                    : Optional.empty();
        }
        return line.plan().universes().stream()
                .filter(u -> u.label().equalsIgnoreCase(name))
                .findFirst();
    }

    private List<String> universes(String begun) {
        return line.plan().universes().stream()
                .map(u -> u.number().toString())
                .filter(n -> n.startsWith(begun))
                .limit(JotLine.MOST_WAYS)
                .toList();
    }

    private JotMeaning numbered(Universe universe) {
        if (universe.routes().size() != 1) {
            return severalWays(universe, "is routed nowhere yet; say where to: to BOX port P");
        }
        return renumbered(universe, universe.routes().get(0).port());
    }

    private JotMeaning severalWays(Universe universe, String ifNone) {
        return line.refused("Universe " + universe.number() + " "
                + (universe.routes().isEmpty()
                        ? ifNone
                        : "has several ways, " + NetworkText.ways(line.plan(), universe)
                                + "; change one on the page of the universe")
                + ".");
    }

    private JotMeaning taken(Universe universe) {
        String to = words.after("to").orElse("");
        if (to.isEmpty()) {
            return line.unfinished("which box", boxes(""));
        }
        if (to.equalsIgnoreCase("nowhere")) {
            return line.changes(NetworkEdits.route(universe.with(List.of())), List.of(), chosen);
        }
        return box(to, b -> {
            if (universe.routes().size() > 1) {
                return severalWays(universe, "");
            }
            Optional<PortRef> port = port(b);
            if (port.isEmpty()) {
                return line.refused(noPort(b));
            }
            return words.after("as").isPresent()
                    ? renumbered(universe, port.get())
                    : line.changes(
                            MovedWay.of(
                                    universe,
                                    universe.routes().stream().map(Route::port).findFirst(),
                                    port.get()),
                            List.of(),
                            chosen);
        });
    }

    private String noPort(Box box) {
        String said = words.after("port").orElse("");
        return said.isEmpty()
                ? box.name() + " has no spare output; say which port, 1 to "
                        + box.ports().size() + "."
                : box.name() + " has no port “" + said + "”; it takes 1 to "
                        + box.ports().size() + ".";
    }

    /** The one that is said, or the first output that nothing comes to. */
    private Optional<PortRef> port(Box box) {
        Optional<String> said = words.after("port").filter(p -> !p.isEmpty());
        if (said.isPresent()) {
            return said.filter(p -> p.matches("\\d{1,3}"))
                    .map(Integer::parseInt)
                    .filter(p -> box.port(p).isPresent())
                    .map(p -> new PortRef(box.number(), p));
        }
        Set<PortRef> used = new HashSet<>();
        line.plan().describedUniverses().forEach(u -> u.routes().forEach(r -> used.add(r.port())));
        return Ports.outputs(box).filter(p -> !used.contains(p)).findFirst();
    }

    /** To a port under a number of its own. */
    private JotMeaning renumbered(Universe universe, PortRef port) {
        String as = words.after("as").orElse("");
        Matcher said = NUMBERED.matcher(as);
        if (!said.matches() || said.group(2).isBlank()) {
            return line.unfinished("sACN or Art-Net, and the number", List.of("sACN ", "Art-Net "));
        }
        boolean sacn = said.group(1).equalsIgnoreCase("sacn");
        Optional<Route> route = sacn ? sacn(said.group(2), port) : artNet(said.group(2), port);
        return route.map(r -> line.changes(NetworkEdits.route(universe.with(List.of(r))), List.of(), chosen))
                .orElseGet(
                        () -> line.refused(
                                "“" + said.group(2).strip() + "” is no number of "
                                        + (sacn
                                                ? "streaming ACN; it takes 1 to 63999."
                                                : "Art-Net; it takes a Port-Address, 0 to 32767, or Net·Sub-Net·Universe such as 0·1·3.")));
    }

    private static Optional<Route> sacn(String number, PortRef port) {
        return Optional.of(number.strip())
                .filter(n -> NUMBER.matcher(n).matches())
                .map(Integer::parseInt)
                .filter(UniverseNumber::isLegal)
                .map(n -> new Route.Sacn(new SacnUniverse(n), port));
    }

    private static Optional<Route> artNet(String number, PortRef port) {
        return BoxNumber.portAddress(number).map(a -> new Route.ArtNet(a, port));
    }

    // A line: "line 201-204 to B at 3"

    JotMeaning line(List<Fixture> fixtures) {
        String to = words.after("to").orElse("");
        if (to.isEmpty()) {
            List<String> names = lines("");
            return line.unfinished(
                    "to which line",
                    words.after("to").isPresent()
                            ? names
                            : names.stream().map(n -> "to " + n).toList());
        }
        List<Line> named = line.plan().lines().stream()
                .filter(l -> l.name().equalsIgnoreCase(to))
                .toList();
        if (named.size() != 1) {
            return named.isEmpty()
                    ? line.refused("There is no line “" + to + "”"
                            + (line.plan().lines().isEmpty()
                                    ? "; none is drawn yet."
                                    : "; there is " + String.join(", ", lines("")) + "."))
                    : line.refused(
                            "There are " + named.size() + " lines called " + to + "; give them names of their own.");
        }
        return plugged(named.get(0), fixtures);
    }

    private JotMeaning plugged(Line to, List<Fixture> fixtures) {
        int end = to.stops().size() + 1;
        Optional<String> said = words.after("at").filter(a -> !a.isEmpty());
        Optional<Integer> place = said.isEmpty()
                ? Optional.of(end)
                : said.filter(a -> a.matches("\\d{1,3}")).map(Integer::parseInt).filter(a -> a >= 1 && a <= end);
        return place.map(p -> line.changes(
                        LineEdits.plug(
                                to.number(),
                                p,
                                fixtures.stream()
                                        .<LineStop>map(f -> new LineStop.Unit(f.key()))
                                        .toList()),
                        List.of(),
                        Set.copyOf(fixtures.stream().map(Fixture::key).toList())))
                .orElseGet(() -> line.refused(
                        "Line " + to.name() + " has no place “" + said.orElse("") + "”; it takes 1 to " + end + "."));
    }

    private List<String> lines(String begun) {
        return line.plan().lines().stream()
                .map(Line::name)
                .filter(n -> n.toLowerCase(Locale.ROOT).startsWith(begun.toLowerCase(Locale.ROOT)))
                .limit(JotLine.MOST_WAYS)
                .toList();
    }

    // A box: "ip Quay node as 10.0.0.20"

    JotMeaning ip() {
        if (words.subject().isEmpty()) {
            return line.unfinished("which box", boxes(""));
        }
        return box(words.subject(), b -> {
            Optional<String> as = words.after("as");
            if (as.isEmpty()) {
                return line.unfinished("as what", List.of("as "));
            }
            if (!b.kind().canBeOnNetwork()) {
                return line.refused("A " + b.kind().words() + " has no IP address.");
            }
            Optional<Ipv4> address = Ipv4.parse(as.get()).filter(Ipv4::isHost);
            return address.map(a -> line.changes(
                            NetworkEdits.putBox(b.with(
                                    b.card().map(c -> c.at(a, c.prefix())).orElseGet(() -> NetCard.usual(a)))),
                            List.of(),
                            chosen))
                    .orElseGet(
                            () -> line.refused(
                                    "“" + as.get()
                                            + "” is no IP address; it takes four numbers such as 10.0.0.20, none with a zero before it."));
        });
    }

    /** A box by its name, or the only one that begins so. */
    private JotMeaning box(String name, Function<Box, JotMeaning> then) {
        String wanted = name.toLowerCase(Locale.ROOT);
        List<Box> found = new ArrayList<>();
        line.plan().boxes().stream()
                .filter(b -> b.name().toLowerCase(Locale.ROOT).equals(wanted))
                .forEach(found::add);
        if (found.isEmpty()) {
            line.plan().boxes().stream()
                    .filter(b -> b.name().toLowerCase(Locale.ROOT).startsWith(wanted))
                    .forEach(found::add);
        }
        if (found.size() == 1) {
            return then.apply(found.get(0));
        }
        return found.isEmpty()
                ? line.refused("There is no box “" + name + "”"
                        + (line.plan().boxes().isEmpty()
                                ? "; there is none in the plan yet."
                                : "; there is " + String.join(", ", boxes("")) + "."))
                : line.begun("which of these boxes", name, boxes(name));
    }

    private List<String> boxes(String begun) {
        String word = begun.toLowerCase(Locale.ROOT);
        return line.plan().boxes().stream()
                .map(Box::name)
                .filter(n -> n.toLowerCase(Locale.ROOT).startsWith(word))
                .distinct()
                .limit(JotLine.MOST_WAYS)
                .toList();
    }
}
