package taxon.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.lines.LineCable;
import taxon.core.lines.LineEdits;
import taxon.core.lines.Reached;
import taxon.core.network.CableRules;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;

/** Rules about lines of cable. A job in which no line is drawn yet is not asked for any. */
final class LineRules {
    private static final int EIGHTHS = 8;

    private final Plan plan;
    private final CableRules rules;
    private final Reached reached;
    private final List<LineCable> lines;

    LineRules(Plan plan) {
        this.plan = plan;
        rules = plan.sheet().network().cable();
        reached = Reached.by(plan);
        lines = LineCable.all(plan);
    }

    List<Finding> carriesNothing() {
        return each(l -> reached.on(l.line()).isEmpty() || !reached.isFed(l.line())
                ? Optional.of(finding(
                        Rule.LINE_CARRIES_NOTHING,
                        l,
                        List.of(),
                        new LineGrounds.CarriesNothing(l.line(), box(l)),
                        decide("Route a universe to it")))
                : Optional.empty());
    }

    private Box box(LineCable line) {
        return plan.box(line.line().from().box()).orElseThrow();
    }

    List<Finding> carriesOther() {
        return each(l -> {
            Set<UniverseNumber> carried = reached.on(l.line());
            List<Fixture> others = carried.isEmpty() ? List.of() : units(l, f -> isElsewhere(f, carried));
            return offered(
                    others,
                    Rule.LINE_CARRIES_OTHER,
                    l,
                    new LineGrounds.CarriesOther(l.line(), List.copyOf(carried), others),
                    unplugged(l.line(), others));
        });
    }

    /** Its addresses are all on other universes; one without any may still get one here. */
    private static boolean isElsewhere(Fixture fixture, Set<UniverseNumber> carried) {
        return !fixture.addresses().isEmpty()
                && fixture.addresses().values().stream()
                        .map(StartAddress::universe)
                        .noneMatch(carried::contains);
    }

    List<Finding> loaded() {
        return each(l -> {
            int units = l.line().units().size();
            boolean over = units > rules.mostUnits() || l.loadEighths() > CableRules.UNIT_LOADS * EIGHTHS;
            return over
                    ? Optional.of(finding(
                            Rule.LINE_LOADED,
                            l,
                            List.of(),
                            new LineGrounds.Loaded(l.line(), units, l.loadEighths(), rules.mostUnits()),
                            drawAnew()))
                    : Optional.empty();
        });
    }

    List<Finding> tooLong() {
        return each(l -> l.metres() > rules.longest().inMetres()
                ? Optional.of(finding(
                        Rule.LINE_TOO_LONG,
                        l,
                        List.of(),
                        new LineGrounds.TooLong(l.line(), l.metres(), rules.longest()),
                        drawAnew()))
                : Optional.empty());
    }

    List<Finding> endsEarly() {
        return each(l -> {
            List<LineStop> stops = l.line().stops();
            List<Fixture> ends = units(l, f -> plan.type(f).facts().outputs().isEmpty()).stream()
                    .filter(f -> !stops.get(stops.size() - 1).equals(new LineStop.Unit(f.key())))
                    .limit(1)
                    .toList();
            return ends.isEmpty()
                    ? Optional.empty()
                    : Optional.of(finding(
                            Rule.LINE_ENDS_EARLY,
                            l,
                            ends,
                            new LineGrounds.PassesNothing(l.line(), ends.get(0)),
                            last(l.line(), ends.get(0))));
        });
    }

    private static Remedy last(Line line, Fixture fixture) {
        LineStop stop = new LineStop.Unit(fixture.key());
        return new Remedy.Apply(
                "Put " + fixture.label() + " last",
                LineEdits.plug(line.number(), line.stops().size() + 1, List.of(stop)));
    }

    List<Finding> hearsNoCable() {
        return each(l -> {
            List<Fixture> deaf = units(l, f -> !reached.hearsCable(f));
            return offered(
                    deaf,
                    Rule.HEARS_NO_CABLE,
                    l,
                    new LineGrounds.HearsNoCable(l.line(), deaf),
                    unplugged(l.line(), deaf));
        });
    }

    List<Finding> onTwoLines() {
        Map<FixtureKey, Map<UniverseNumber, List<Line>>> byUnit = new TreeMap<>();
        for (LineCable line : lines) {
            for (UniverseNumber universe : reached.on(line.line())) {
                line.line()
                        .units()
                        .forEach(u -> byUnit.computeIfAbsent(u, k -> new TreeMap<>())
                                .computeIfAbsent(universe, k -> new ArrayList<>())
                                .add(line.line()));
            }
        }
        List<Finding> found = new ArrayList<>();
        byUnit.forEach((unit, universes) -> universes.forEach((universe, on) -> {
            if (on.size() > 1) {
                Fixture fixture = plan.fixture(unit).orElseThrow();
                Line later = on.get(on.size() - 1);
                found.add(new Finding(
                        Rule.ON_TWO_LINES,
                        Rule.ON_TWO_LINES.slug() + ":" + unit + "+" + universe.number(),
                        List.of(unit),
                        new Grounds.OfLine(new LineGrounds.OnTwoLines(fixture, universe, on)),
                        Optional.of(unplugged(later, List.of(fixture)))));
            }
        }));
        return found;
    }

    List<Finding> onNoLine() {
        List<Finding> found = new ArrayList<>();
        for (UniverseNumber universe : lines.isEmpty() ? Set.<UniverseNumber>of() : reached.universes()) {
            List<Fixture> loose = reached.loose(universe);
            if (!loose.isEmpty()) {
                found.add(new Finding(
                        Rule.ON_NO_LINE,
                        Rule.ON_NO_LINE.slug() + ":" + universe.number(),
                        keys(loose),
                        new Grounds.OfLine(new LineGrounds.OffLine(universe, loose)),
                        Optional.of(drawAnew())));
            }
        }
        return found;
    }

    List<Finding> rdmStopped() {
        return each(l -> {
            List<Fixture> answering = reached.passesRdm(l.line())
                    ? List.of()
                    : units(l, f -> plan.type(f).facts().rdm());
            return offered(
                    answering,
                    Rule.RDM_STOPPED,
                    l,
                    new LineGrounds.RdmStopped(l.line(), answering),
                    decide("Look at the box"));
        });
    }

    List<Finding> socketsDiffer() {
        return each(l -> {
            List<String> adapters = l.legs().stream()
                    .filter(LineCable.Leg::needsAdapter)
                    .map(leg -> leg.from() + " to " + leg.to())
                    .toList();
            return adapters.isEmpty()
                    ? Optional.empty()
                    : Optional.of(finding(
                            Rule.SOCKETS_DIFFER,
                            l,
                            List.of(),
                            new LineGrounds.SocketsDiffer(
                                    l.line(),
                                    adapters.size(),
                                    adapters.stream().distinct().toList()),
                            new Remedy.Decide("Take the adapters along", Remedy.Where.LINES)));
        });
    }

    private interface Judged {
        Optional<Finding> of(LineCable line);
    }

    private List<Finding> each(Judged judged) {
        return lines.stream().flatMap(l -> judged.of(l).stream()).toList();
    }

    private interface Asked {
        boolean of(Fixture fixture);
    }

    private List<Fixture> units(LineCable line, Asked asked) {
        return line.line().units().stream()
                .map(u -> plan.fixture(u).orElseThrow())
                .filter(asked::of)
                .toList();
    }

    private static Optional<Finding> offered(
            List<Fixture> about, Rule rule, LineCable line, LineGrounds grounds, Remedy remedy) {
        return about.isEmpty() ? Optional.empty() : Optional.of(finding(rule, line, about, grounds, remedy));
    }

    private static Finding finding(Rule rule, LineCable line, List<Fixture> about, LineGrounds grounds, Remedy remedy) {
        return new Finding(
                rule,
                rule.slug() + ":" + line.line().number(),
                keys(about),
                new Grounds.OfLine(grounds),
                Optional.of(remedy));
    }

    private static List<FixtureKey> keys(List<Fixture> fixtures) {
        return fixtures.stream().map(Fixture::key).toList();
    }

    private static Remedy unplugged(Line line, List<Fixture> fixtures) {
        String who = fixtures.size() == 1 ? fixtures.get(0).label() : "them";
        return new Remedy.Apply(
                "Take " + who + " off line " + line.name(),
                LineEdits.unplug(
                        line.number(),
                        fixtures.stream().map(f -> new LineStop.Unit(f.key())).collect(Collectors.<LineStop>toSet())));
    }

    private static Remedy drawAnew() {
        return new Remedy.Decide("Draw the lines", Remedy.Where.LINES);
    }

    private static Remedy decide(String label) {
        return new Remedy.Decide(label, Remedy.Where.ROUTING);
    }
}
