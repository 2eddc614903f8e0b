package taxon.core.lines;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Facts.Reach;
import taxon.core.network.BoxKind;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.rig.RadioLink;
import taxon.core.rig.Universe;

/** The ways of all fixtures of a plan, found once. */
public final class UnitWays {
    private final Plan plan;
    private final Feeds feeds;
    private final Map<FixtureKey, List<LineCable>> linesOf = new HashMap<>();
    private final Map<Integer, LineCable> into = new HashMap<>();

    private UnitWays(Plan plan, List<Line> lines) {
        this.plan = plan;
        feeds = Feeds.of(plan);
        for (LineCable line : LineCable.of(plan, lines)) {
            line.line()
                    .units()
                    .forEach(u ->
                            linesOf.computeIfAbsent(u, k -> new ArrayList<>()).add(line));
            line.line().boxes().forEach(b -> into.putIfAbsent(b, line));
        }
    }

    /** Of all fixtures. */
    public static UnitWays of(Plan plan) {
        return new UnitWays(plan, plan.lines());
    }

    /** Of one: reads only the lines that can be on its way. */
    public static List<UnitWay> of(Plan plan, Fixture fixture) {
        List<Line> near = plan.lines().stream()
                .filter(l -> !l.boxes().isEmpty() || l.units().contains(fixture.key()))
                .toList();
        return new UnitWays(plan, near).of(fixture);
    }

    /** One for each universe that it has an address on, ascending. */
    public List<UnitWay> of(Fixture fixture) {
        Set<UniverseNumber> universes = new TreeSet<>();
        fixture.addresses().values().stream().map(StartAddress::universe).forEach(universes::add);
        return universes.stream().map(u -> way(fixture, plan.universe(u))).toList();
    }

    private UnitWay way(Fixture fixture, Universe universe) {
        List<Box> senders = universe.sources().stream()
                .map(s -> plan.box(s.box()).orElseThrow())
                .toList();
        Optional<LineCable> last = linesOf.getOrDefault(fixture.key(), List.of()).stream()
                .filter(l -> feeds.on(l.line()).contains(universe.number()))
                .findFirst();
        if (last.isEmpty()) {
            return new UnitWay(universe.number(), senders, ownRoute(fixture, universe), List.of(), 0, Optional.empty());
        }
        LineStop stop = new LineStop.Unit(fixture.key());
        List<LineCable> back = back(last.get());
        Optional<Double> metres = Optional.of(0.0);
        List<Line> hops = new ArrayList<>();
        for (int i = back.size() - 1; i >= 0; i--) {
            LineStop end = i == 0
                    ? stop
                    : new LineStop.Through(back.get(i - 1).line().from().box());
            LineCable hop = back.get(i);
            metres = metres.flatMap(
                    sum -> hop.metresTo(hop.line().stops().indexOf(end)).map(m -> sum + m));
            hops.add(hop.line());
        }
        return new UnitWay(
                universe.number(),
                senders,
                routeTo(universe, hops.get(0).from()),
                hops,
                last.get().line().stops().indexOf(stop) + 1,
                metres);
    }

    /** From a line back to the first, over the boxes that it comes out of. */
    private List<LineCable> back(LineCable last) {
        List<LineCable> back = new ArrayList<>();
        Set<Integer> passed = new HashSet<>();
        Optional<LineCable> next = Optional.of(last);
        while (next.isPresent() && passed.add(next.get().line().number())) {
            back.add(next.get());
            next = Optional.ofNullable(into.get(next.get().line().from().box()));
        }
        return Collections.unmodifiableList(back);
    }

    private Optional<Route> routeTo(Universe universe, PortRef port) {
        PortRef fed = plan.box(port.box())
                .filter(b -> b.kind() == BoxKind.RECEIVER)
                .flatMap(b -> b.facts().reaches())
                .orElse(port);
        return universe.routes().stream().filter(r -> r.port().equals(fed)).findFirst();
    }

    /** Without a line: the way to the box that the fixture is, to its receiver or its transmitter; else its only one. */
    private Optional<Route> ownRoute(Fixture fixture, Universe universe) {
        return plan.type(fixture).facts().reach() == Reach.WIRELESS
                ? radioRoute(fixture, universe)
                : networkRoute(fixture, universe);
    }

    /** To the channel that it is linked to; else to the first that sends the universe. */
    private Optional<Route> radioRoute(Fixture fixture, Universe universe) {
        Optional<PortRef> linked =
                plan.radioLink(new RadioLink.BuiltIn(fixture.key())).map(RadioLink::to);
        List<Route> sending = universe.routes().stream()
                .filter(r -> plan.box(r.port().box())
                        .filter(b -> b.kind() == BoxKind.TRANSMITTER)
                        .isPresent())
                .toList();
        return sending.stream()
                .filter(r -> linked.equals(Optional.of(r.port())))
                .findFirst()
                .or(() -> sending.stream().findFirst());
    }

    private Optional<Route> networkRoute(Fixture fixture, Universe universe) {
        return universe.routes().stream()
                .filter(r -> plan.box(r.port().box())
                        .flatMap(b -> b.facts().fixture())
                        .filter(fixture.key()::equals)
                        .isPresent())
                .findFirst()
                .or(() -> universe.routes().size() == 1
                        ? Optional.of(universe.routes().get(0))
                        : Optional.empty());
    }
}
