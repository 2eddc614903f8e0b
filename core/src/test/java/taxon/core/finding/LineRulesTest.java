package taxon.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.RemoteManagement;
import taxon.core.fixture.SettingGuide;
import taxon.core.length.Length;
import taxon.core.lines.LineEdits;
import taxon.core.network.BoxKind;
import taxon.core.network.BoxPort;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.BoxFacts;
import taxon.core.rig.BoxPlace;
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

/** Each rule of lines: a plan that fires it, its sentence, and where there is a remedy, that it ends the finding. */
class LineRulesTest {
    private static final FixtureType PLAIN = Rigs.type("t", 8);

    /** So many of a type on universe 1, on one truss a metre apart, and a node with two ports of which the first carries it. */
    private static Plan rig(FixtureType type, int count) {
        Plan plan = Rigs.add(Rigs.empty(), type, count, Optional.of(101), Optional.of(StartAddress.of(1, 1)));
        plan = plan.with(new Position(
                1,
                "Truss",
                PositionKind.TRUSS,
                new PositionGeometry(Optional.empty(), Length.ZERO, Length.ZERO, Length.metres("5"), 0)));
        plan = plan.with(plan.fixtures().stream()
                .map(f -> f.withOffset(Optional.of(Length.metres("" + f.key().number()))))
                .toList());
        return plan.with(Box.node(1, "Node", Ipv4.of(10, 0, 0, 1), 2).at(BoxPlace.at(1)))
                .with(new Universe(
                        UniverseNumber.of(1), "", List.of(new Route.ArtNet(new PortAddress(1), new PortRef(1, 1)))));
    }

    private static Plan lined(Plan plan, int number, int port, Integer... ids) {
        List<LineStop> stops = List.of(ids).stream()
                .<LineStop>map(id -> new LineStop.Unit(fixture(plan, id).key()))
                .toList();
        return plan.with(new Line(number, "L" + number, new PortRef(1, port), stops));
    }

    private static Fixture fixture(Plan plan, int id) {
        return plan.fixtures().stream()
                .filter(f -> f.label().equals("" + id))
                .findFirst()
                .orElseThrow();
    }

    private static List<Finding> found(Plan plan, Rule rule) {
        return Optional.ofNullable(PlanCheck.of(plan).byRule().get(rule)).orElseThrow();
    }

    private static void says(Plan plan, Rule rule, String sentence) {
        assertThat(found(plan, rule)).extracting(FindingText::sentence).containsExactly(sentence);
    }

    private static void endsByItsRemedy(Plan plan, Rule rule) {
        Remedy remedy = found(plan, rule).get(0).remedy().orElseThrow();
        assertThat(found(Rigs.apply(plan, ((Remedy.Apply) remedy).edit()), rule))
                .isEmpty();
    }

    private static FixtureType with(Facts facts) {
        return FixtureType.of(PLAIN.id(), PLAIN.maker(), PLAIN.name(), PLAIN.shortName(), facts, PLAIN.modes());
    }

    private static Facts facts(List<String> sockets, List<String> outputs, int load, RemoteManagement remote) {
        return new Facts(
                Facts.Hazard.NONE,
                Facts.Reach.LINE,
                sockets,
                outputs,
                load,
                Optional.empty(),
                remote,
                SettingGuide.NONE);
    }

    @Test
    void aJobWithoutLinesIsAskedForNone() {
        Plan plan = rig(PLAIN, 3);
        assertThat(PlanCheck.of(plan).findings())
                .filteredOn(f -> f.grounds() instanceof Grounds.OfLine)
                .isEmpty();
    }

    @Test
    void aLineInOrderFiresNone() {
        Plan plan = lined(rig(PLAIN, 3), 1, 1, 101, 102, 103);
        assertThat(PlanCheck.of(plan).findings())
                .filteredOn(f -> f.grounds() instanceof Grounds.OfLine)
                .isEmpty();
    }

    @Test
    void aLineOutOfAPortThatCarriesNothing() {
        Plan plan = lined(rig(PLAIN, 1), 1, 2, 101);
        says(plan, Rule.LINE_CARRIES_NOTHING, "Line L1 begins at Node port 2, by which no universe leaves.");
        Box node = plan.box(1).orElseThrow();
        Plan turned = lined(rig(PLAIN, 1), 1, 1, 101)
                .with(node.withPorts(List.of(BoxPort.USUAL.turned(Direction.IN), BoxPort.USUAL)));
        assertThat(found(turned, Rule.LINE_CARRIES_NOTHING)).hasSize(1);
    }

    @Test
    void aUnitOnALineOfAnotherUniverse() {
        Plan plan = rig(PLAIN, 2);
        plan = lined(plan.with(fixture(plan, 102).withAddress(1, Optional.of(StartAddress.of(4, 1)))), 1, 1, 101, 102);
        says(plan, Rule.LINE_CARRIES_OTHER, "Line L1 carries universe 1, on which 102 has no address.");
        endsByItsRemedy(plan, Rule.LINE_CARRIES_OTHER);
    }

    /** A line bears 32 unit loads (ANSI E1.11, from memory); twenty units are common practice. */
    @Test
    void moreUnitsThanTheRulesTakeAndMoreLoadThanTheStandard() {
        Plan plan = rig(PLAIN, 21);
        Integer[] all =
                plan.fixtures().stream().map(f -> Integer.valueOf(f.label())).toArray(Integer[]::new);
        says(
                lined(plan, 1, 1, all),
                Rule.LINE_LOADED,
                "Line L1 has 21 units and 21 unit loads; it takes 20 by the job's rules, and 32 unit loads.");
        Plan heavy = rig(with(facts(List.of("XLR5"), List.of("XLR5"), 52, RemoteManagement.NONE)), 5);
        says(
                lined(heavy, 1, 1, 101, 102, 103, 104, 105),
                Rule.LINE_LOADED,
                "Line L1 has 5 units and 32.5 unit loads; it takes 20 by the job's rules, and 32 unit loads.");
        assertThat(found(lined(heavy, 1, 1, 101, 102, 103, 104), Rule.LINE_LOADED))
                .isEmpty();
    }

    @Test
    void aLineLongerThanItMayBe() {
        Plan plan = rig(PLAIN, 2);
        Plan far = plan.with(fixture(plan, 102).withOffset(Optional.of(Length.metres("299"))));
        says(
                lined(far, 1, 1, 101, 102),
                Rule.LINE_TOO_LONG,
                "Line L1 is 301.0 m long with its slack; it may be 300 m.");
    }

    @Test
    void aUnitThatPassesNothingOnBeforeTheEnd() {
        Plan plan = rig(with(facts(List.of("XLR5"), List.of(), 8, RemoteManagement.NONE)), 1);
        plan = Rigs.add(plan, Rigs.type("other", 8), 1, Optional.of(201), Optional.of(StartAddress.of(1, 101)));
        plan = lined(plan, 1, 1, 101, 201);
        says(
                plan,
                Rule.LINE_ENDS_EARLY,
                "101 passes nothing on: line L1 ends there, and what comes after it stays dark.");
        endsByItsRemedy(plan, Rule.LINE_ENDS_EARLY);
    }

    @Test
    void aWirelessUnitOnACable() {
        Plan plan = lined(rig(Rigs.typeReachedBy(Facts.Reach.WIRELESS, "w", 8), 2), 1, 1, 101, 102);
        says(plan, Rule.HEARS_NO_CABLE, "101 and 102 hear no cable, and line L1 leads there.");
        endsByItsRemedy(plan, Rule.HEARS_NO_CABLE);
    }

    @Test
    void aUnitOnTwoLinesOfOneUniverse() {
        Plan plan = rig(PLAIN, 1);
        Universe twice = plan.universe(UniverseNumber.of(1))
                .with(List.of(
                        new Route.ArtNet(new PortAddress(1), new PortRef(1, 1)),
                        new Route.ArtNet(new PortAddress(1), new PortRef(1, 2))));
        plan = lined(lined(plan.with(twice), 1, 1, 101), 2, 2, 101);
        says(plan, Rule.ON_TWO_LINES, "101 gets universe 1 by lines L1 and L2: one of them is too many.");
        endsByItsRemedy(plan, Rule.ON_TWO_LINES);
    }

    @Test
    void aUnitThatNoLineReaches() {
        says(lined(rig(PLAIN, 3), 1, 1, 101), Rule.ON_NO_LINE, "Universe 1: no line reaches 102 and 103.");
    }

    @Test
    void aUnitThatHearsTheNetworkItselfNeedsNoLine() {
        Plan plan = rig(PLAIN, 2);
        Box own = Box.node(7, "102 itself", Ipv4.of(10, 0, 0, 7), 1).as(BoxKind.UNIT);
        Box fitted = own.with(BoxFacts.NONE.being(fixture(plan, 102).key()));
        assertThat(found(lined(plan.with(fitted), 1, 1, 101), Rule.ON_NO_LINE)).isEmpty();
    }

    @Test
    void rdmBehindASplitterThatDoesNotPassIt() {
        FixtureType answering = with(facts(List.of("XLR5"), List.of("XLR5"), 8, RemoteManagement.ANSWERS));
        Plan plan = rig(answering, 1);
        BoxFacts none = BoxFacts.NONE;
        Box splitter = Box.node(2, "Splitter", Ipv4.of(10, 0, 0, 2), 4)
                .as(BoxKind.SPLITTER)
                .with(new BoxFacts(
                        none.mostUniverses(),
                        none.shows(),
                        none.reaches(),
                        none.fixture(),
                        100,
                        none.snooping(),
                        false,
                        ""));
        Plan fed = plan.with(splitter)
                .with(new Line(1, "Feed", new PortRef(1, 1), List.of(new LineStop.Through(2))))
                .with(new Line(
                        2,
                        "B",
                        new PortRef(2, 1),
                        List.of(new LineStop.Unit(fixture(plan, 101).key()))));
        says(fed, Rule.RDM_STOPPED, "RDM does not come through to line B: 101 cannot be read there.");
        assertThat(found(fed, Rule.ON_NO_LINE)).isEmpty();
    }

    @Test
    void threePinsBetweenFive() {
        Plan plan = rig(PLAIN, 2);
        FixtureType other = with(facts(List.of("XLR3"), List.of("XLR3"), 8, RemoteManagement.NONE))
                .withId(Rigs.type("three", 8).id());
        plan = plan.with(RigType.of(other)).with(fixture(plan, 101).withType(other.id()));
        says(
                lined(plan, 1, 1, 101, 102),
                Rule.SOCKETS_DIFFER,
                "Line L1 needs 2 adapters: XLR 5-pin to XLR 3-pin and XLR 3-pin to XLR 5-pin.");
    }

    private static Optional<String> refused(Plan plan, Edit edit) {
        Edit.Outcome outcome = edit.applyTo(plan);
        return outcome instanceof Edit.Refused r
                ? Optional.of(r.reasons().get(0).sentence())
                : Optional.empty();
    }

    /** By hand: what cannot be is refused with a sentence. */
    @Test
    void aPortFeedsOneLineAndASplitterNeverItself() {
        Plan plan = lined(rig(PLAIN, 2), 1, 1, 101);
        assertThat(refused(plan, LineEdits.begin("B", new PortRef(1, 1))))
                .contains("The port Node port 1 is taken by line L1.");
        assertThat(refused(plan, LineEdits.begin("B", new PortRef(1, 3)))).isPresent();
        assertThat(refused(plan, LineEdits.begin("B", new PortRef(9, 1)))).isPresent();
        Plan two = plan.with(List.of(
                        Box.node(2, "S2", Ipv4.of(10, 0, 0, 2), 2).as(BoxKind.SPLITTER),
                        Box.node(3, "S3", Ipv4.of(10, 0, 0, 3), 2).as(BoxKind.SPLITTER)))
                .with(new Line(2, "B", new PortRef(2, 1), List.of(new LineStop.Through(3))))
                .with(new Line(3, "C", new PortRef(3, 1), List.of()));
        assertThat(refused(two, LineEdits.plug(3, 1, List.of(new LineStop.Through(2)))))
                .contains("The stop of line C cannot be S2; it takes boxes that do not feed the one where it begins.");
        assertThat(refused(two, LineEdits.plug(1, 4, List.of(new LineStop.Through(2)))))
                .contains("The place on the line cannot be 4; it takes 1 to 2.");
        assertThat(refused(two, LineEdits.plug(1, 1, List.of(new LineStop.Through(1)))))
                .isPresent();
        assertThat(refused(two, LineEdits.remove(9))).contains("There is no line 9 (3 lines in the plan).");
    }

    @Test
    void pluggedIntoAnotherLineOfItsUniverseItLeavesTheFirst() {
        Plan plan = lined(rig(PLAIN, 3), 1, 1, 101, 102, 103);
        Universe twice = plan.universe(UniverseNumber.of(1))
                .with(List.of(
                        new Route.ArtNet(new PortAddress(1), new PortRef(1, 1)),
                        new Route.ArtNet(new PortAddress(1), new PortRef(1, 2))));
        plan = plan.with(twice).with(new Line(2, "B", new PortRef(1, 2), List.of()));
        LineStop unit = new LineStop.Unit(fixture(plan, 102).key());
        Plan moved = Rigs.apply(plan, LineEdits.plug(2, 1, List.of(unit)));
        assertThat(moved.line(2).orElseThrow().stops()).containsExactly(unit);
        assertThat(moved.line(1).orElseThrow().stops()).doesNotContain(unit).hasSize(2);
        LineStop third = new LineStop.Unit(fixture(plan, 103).key());
        Plan first = Rigs.apply(plan, LineEdits.plug(1, 1, List.of(third)));
        assertThat(first.line(1).orElseThrow().units())
                .containsExactly(
                        fixture(plan, 103).key(),
                        fixture(plan, 101).key(),
                        fixture(plan, 102).key());
        Plan off = Rigs.apply(plan, LineEdits.unplug(1, Set.of(unit)));
        assertThat(off.line(1).orElseThrow().stops()).hasSize(2).doesNotContain(unit);
    }
}
