package taxon.core.lines;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.cable.Shelf;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.PlanCheck;
import taxon.core.finding.Rule;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;
import taxon.core.length.Length;
import taxon.core.lines.LineProposal.Sum;
import taxon.core.lines.LineProposal.Why;
import taxon.core.network.BoxKind;
import taxon.core.network.CableRules;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.BoxPlace;
import taxon.core.rig.Element;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;
import taxon.core.rig.RigType;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Edit;
import taxon.core.testing.Rigs;

class LineProposalTest {
    private static CableRules rules(int mostUnits, String longest, CableRules.Order order) {
        CableRules usual = CableRules.USUAL;
        return new CableRules(
                mostUnits,
                Length.metres(longest),
                Length.metres("1"),
                order,
                usual.first(),
                usual.stock(),
                List.of(),
                4);
    }

    private static LineWish wish(int mostUnits, String longest) {
        return new LineWish(rules(mostUnits, longest, CableRules.Order.SHORTEST), false, Set.of());
    }

    private static Position truss(int number, int upstage) {
        return new Position(
                number,
                "Truss " + number,
                PositionKind.TRUSS,
                new PositionGeometry(
                        Optional.of(Length.metres("20")),
                        Length.ZERO,
                        Length.metres("" + upstage),
                        Length.metres("5"),
                        0));
    }

    /** Trusses with units a metre apart on one universe, and a node at the left end of the first. */
    private static Plan rig(int ports, int... units) {
        Plan plan = Rigs.empty();
        int id = 0;
        for (int t = 1; t <= units.length; t++) {
            plan = plan.with(truss(t, 4 * t));
            for (int i = 0; i < units[t - 1]; i++) {
                plan = Rigs.add(
                        plan, Rigs.type("t", 8), 1, Optional.of(101 + id), Optional.of(StartAddress.of(1, 1 + 8 * id)));
                Fixture last = plan.fixtures().get(plan.fixtures().size() - 1);
                plan = plan.with(last.withPlace(t, i + 1).withOffset(Optional.of(Length.metres("" + (i - 9)))));
                id++;
            }
        }
        Box node = Box.node(1, "Node", Ipv4.of(10, 0, 0, 1), ports)
                .at(new BoxPlace(Optional.of(1), Optional.of(Length.metres("-10")), ""));
        List<Route> ways = IntStream.rangeClosed(1, ports)
                .<Route>mapToObj(p -> new Route.ArtNet(new PortAddress(1), new PortRef(1, p)))
                .toList();
        return plan.with(node).with(new Universe(UniverseNumber.of(1), "", ways));
    }

    /** With one fixture as a type of its own that has these sockets. */
    private static Plan plugged(Plan plan, Fixture fixture, List<String> inputs, List<String> outputs) {
        FixtureType type = plan.type(fixture);
        Facts facts = type.facts();
        FixtureType other = FixtureType.of(
                TypeId.of("other"),
                type.maker(),
                "other",
                "other",
                new Facts(
                        facts.hazard(),
                        facts.reach(),
                        inputs,
                        outputs,
                        facts.loadEighths(),
                        facts.switches(),
                        facts.remote(),
                        facts.guide()),
                type.modes());
        return plan.with(RigType.of(other)).with(fixture.withType(other.id()));
    }

    private static Plan applied(LineProposal proposal, Plan plan) {
        return ((Edit.Changed) proposal.edit().applyTo(plan)).plan();
    }

    private static List<String> lines(Plan plan) {
        return plan.lines().stream()
                .map(l -> l.name() + " " + l.from().box() + "/" + l.from().number() + ": "
                        + l.stops().stream()
                                .map(s -> s instanceof LineStop.Unit u
                                        ? plan.fixture(u.fixture())
                                                .orElseThrow()
                                                .label()
                                        : s.toString())
                                .collect(Collectors.joining(" ")))
                .toList();
    }

    @Test
    void oneTrussIsOneLineFromItsNearEnd() {
        Plan plan = rig(1, 5);
        LineProposal proposal = LineProposal.of(plan, wish(20, "300"));
        assertThat(lines(applied(proposal, plan))).containsExactly("A 1/1: 101 102 103 104 105");
        Sum sum = proposal.sums().get(0);
        // A metre to each unit, and a metre of slack at each.
        assertThat(sum.cable()).isEqualTo(10, within(1e-9));
        assertThat(sum.isProved()).isTrue();
        assertThat(sum.least()).contains(10.0);
    }

    @Test
    void whereOnePortDoesNotDoASplitterIsOpenedBesideTheBox() {
        Plan plan = rig(1, 12);
        LineProposal proposal = LineProposal.of(plan, wish(5, "300"));
        Plan done = applied(proposal, plan);
        assertThat(proposal.splitters()).hasSize(1);
        Box splitter = proposal.splitters().get(0);
        assertThat(splitter.kind()).isEqualTo(BoxKind.SPLITTER);
        assertThat(splitter.place()).isEqualTo(plan.box(1).orElseThrow().place());
        assertThat(lines(done).get(0)).isEqualTo("A 1/1: box 2");
        assertThat(done.lines().stream().filter(l -> !l.units().isEmpty())).hasSize(3);
        assertThat(PlanCheck.of(done).byRule().get(Rule.ON_NO_LINE)).isEmpty();
        assertThat(proposal.sums().get(0).fewest()).isEqualTo(3);
        // Six a line would do with two.
        assertThat(proposal.sums().get(0).saving()).contains(new LineProposal.Saving.MoreUnits(6));
    }

    @Test
    void aSecondSplitterHangsOnTheFirstWhereOneDoesNotDo() {
        Plan plan = rig(1, 12);
        Plan done = applied(LineProposal.of(plan, wish(2, "300")), plan);
        // Six lines; splitters of four outputs: four, less the one that feeds the next, and four more.
        assertThat(done.boxes().stream().filter(b -> b.kind() == BoxKind.SPLITTER))
                .hasSize(2);
        assertThat(done.lines().stream().filter(l -> !l.units().isEmpty())).hasSize(6);
        assertThat(Feeds.of(done).on(done.lines().get(done.lines().size() - 1))).containsExactly(UniverseNumber.of(1));
    }

    @Test
    void aLengthThatForcesTwoLinesIsSaidToBeWhatASingleOneWouldNeed() {
        Plan plan = rig(2, 10);
        LineProposal proposal = LineProposal.of(plan, wish(20, "19"));
        assertThat(proposal.sums().get(0).lines()).isEqualTo(2);
        assertThat(proposal.sums().get(0).fewest()).isEqualTo(2);
        assertThat(proposal.sums().get(0).saving()).contains(new LineProposal.Saving.LongerLine(Length.metres("20")));
    }

    @Test
    void unitsWithoutARouteAndUnitsTooFarAreSaid() {
        Plan plan = rig(1, 3);
        Plan unrouted = plan.with(Universe.unrouted(UniverseNumber.of(1)));
        assertThat(LineProposal.of(unrouted, wish(20, "300")).omissions())
                .extracting(LineProposal.NoLine::why)
                .containsExactly(Why.NO_OUTLET);
        LineProposal near = LineProposal.of(plan, wish(20, "3"));
        assertThat(near.omissions()).extracting(LineProposal.NoLine::who).containsExactly("103");
        assertThat(near.omissions()).extracting(LineProposal.NoLine::why).containsExactly(Why.TOO_FAR);
    }

    @Test
    void oneMoreUnitIsTakenIntoTheLineThatPassesIt() {
        Plan plan = rig(1, 4);
        Fixture third = plan.fixtures().get(2);
        Plan without = plan.without(List.of(third.elementKey()));
        Plan drawn = applied(LineProposal.of(without, wish(20, "300")), without).with(third);
        LineProposal grown = LineProposal.of(drawn, wish(20, "300"));
        assertThat(grown.staying()).isEqualTo(3);
        assertThat(lines(applied(grown, drawn))).containsExactly("A 1/1: 101 102 103 104");
    }

    @Test
    void aLineThatIsFullTakesNobodyInAndThatIsSaid() {
        Plan plan = rig(1, 4);
        Fixture third = plan.fixtures().get(2);
        Plan without = plan.without(List.of(third.elementKey()));
        Plan drawn = applied(LineProposal.of(without, wish(3, "300")), without).with(third);
        LineProposal grown = LineProposal.of(drawn, wish(3, "300"));
        assertThat(grown.drawn()).isEmpty();
        assertThat(grown.omissions()).extracting(LineProposal.NoLine::why).containsExactly(Why.NO_PORT_FREE);
    }

    @Test
    void drawnAnewWhatCannotBeDrawnStaysAsItIs() {
        Plan plan = rig(1, 3);
        Plan drawn = applied(LineProposal.of(plan, wish(20, "300")), plan);
        LineProposal anew =
                LineProposal.of(drawn, new LineWish(rules(20, "0.5", CableRules.Order.SHORTEST), true, Set.of()));
        assertThat(anew.omissions()).isNotEmpty();
        assertThat(applied(anew, drawn).lines()).isEqualTo(drawn.lines());
    }

    @Test
    void whoPassesNothingOnIsLast() {
        Plan plan = rig(2, 4);
        Fixture second = plan.fixtures().get(1);
        Plan ended = plugged(plan, second, List.of("XLR5"), List.of());
        Plan done = applied(LineProposal.of(ended, wish(20, "300")), ended);
        assertThat(lines(done)).containsExactly("A 1/1: 101 103 104 102");
        assertThat(PlanCheck.of(done).byRule().get(Rule.LINE_ENDS_EARLY)).isEmpty();
    }

    static LongStream seeds() {
        return Rigs.seeds(300);
    }

    /** Whatever is proposed keeps within the rules, reaches each unit once, and can be undone. */
    @ParameterizedTest
    @MethodSource("seeds")
    void nobodyIsReachedTwiceAndNoLineBreaksItsRules(long seed) {
        Random random = new Random(seed);
        Plan plan = rig(
                1 + random.nextInt(3), random.ints(1 + random.nextInt(3), 1, 20).toArray());
        CableRules.Order order = CableRules.Order.values()[random.nextInt(2)];
        LineWish wish =
                new LineWish(rules(1 + random.nextInt(12), "" + (20 + random.nextInt(80)), order), true, Set.of());
        LineProposal proposal = LineProposal.of(plan, wish);
        Plan done = applied(proposal, plan);
        Map<Rule, ?> found = PlanCheck.of(done).byRule();
        for (Rule rule : List.of(
                Rule.LINE_LOADED,
                Rule.LINE_TOO_LONG,
                Rule.ON_TWO_LINES,
                Rule.LINE_CARRIES_NOTHING,
                Rule.LINE_CARRIES_OTHER,
                Rule.LINE_ENDS_EARLY)) {
            assertThat((List<?>) found.get(rule)).as(rule.slug()).isEmpty();
        }
        Set<String> without =
                proposal.omissions().stream().map(LineProposal.NoLine::who).collect(Collectors.toSet());
        Set<String> loose = new HashSet<>();
        Reached.by(done).loose(UniverseNumber.of(1)).forEach(f -> loose.add(f.label()));
        assertThat(loose).isEqualTo(without.contains("universe 1") ? labels(plan) : without);
        assertThat(done.lines().stream().map(Line::from).distinct())
                .hasSize(done.lines().size());
        double cable = LineCable.all(done).stream()
                .filter(l -> !l.line().units().isEmpty())
                .mapToDouble(LineCable::metres)
                .sum();
        assertThat(proposal.sums().stream().mapToDouble(Sum::cable).sum()).isEqualTo(cable, within(0.001));
        LineProposal again = LineProposal.of(done, wish);
        assertThat(again.sums().stream().mapToDouble(Sum::cable).sum()).isLessThanOrEqualTo(cable + 0.001);
    }

    private static Set<String> labels(Plan plan) {
        return plan.fixtures().stream().map(Fixture::label).collect(Collectors.toSet());
    }

    @Test
    void piecesAndAdaptersOfALineAreCounted() {
        Plan plan = rig(1, 4);
        Plan three = plugged(plan, plan.fixtures().get(1), List.of("XLR3"), List.of("XLR3"));
        Plan done = applied(LineProposal.of(three, wish(20, "300")), three);
        CableList list = CableList.of(LineCable.all(done), new Shelf(CableRules.USUAL.stock()));
        Map<String, Integer> cables = new TreeMap<>();
        list.cables().forEach(c -> cables.put(c.socket() + " " + c.length(), c.count()));
        assertThat(cables).isEqualTo(Map.of("XLR 5-pin 2 m", 3, "XLR 3-pin 2 m", 1));
        assertThat(list.adapters())
                .containsExactly(
                        new CableList.Adapters("XLR 3-pin", "XLR 5-pin", 1),
                        new CableList.Adapters("XLR 5-pin", "XLR 3-pin", 1));
        assertThat(list.terminators()).containsExactly(new CableList.Terminators("XLR 5-pin", 1));
        assertThat(PlanCheck.of(done).byRule().get(Rule.SOCKETS_DIFFER)).hasSize(1);
    }

    @Test
    void linesOfManyUniversesAreNamedOneAfterTheOther() {
        Plan plan = Rigs.empty().with(truss(1, 0));
        List<Element> more = new ArrayList<>();
        for (int u = 1; u <= 30; u++) {
            plan = Rigs.add(plan, Rigs.type("t", 8), 1, Optional.of(100 + u), Optional.of(StartAddress.of(u, 1)));
            more.add(new Universe(
                    UniverseNumber.of(u), "", List.of(new Route.ArtNet(new PortAddress(u), new PortRef(1, u)))));
        }
        plan = plan.with(Box.node(1, "Node", Ipv4.of(10, 0, 0, 1), 30)).with(more);
        Plan done = applied(LineProposal.of(plan, wish(20, "300")), plan);
        assertThat(done.lines()).extracting(Line::name).startsWith("A", "B").endsWith("AC", "AD");
    }
}
