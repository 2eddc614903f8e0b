package taxon.core.explain;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.network.Ipv4;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;

class EvidenceTextTest {
    private static final FixtureKey ONE = FixtureKey.of(1);
    private static final FixtureKey TWO = FixtureKey.of(2);

    private static Plan plan() {
        Plan plan = Rigs.add(Rigs.empty(), head(), 12, 1);
        plan = Rigs.place(plan, 1, 1, StartAddress.of(2, 1));
        return Rigs.place(plan, 2, 1, StartAddress.of(2, 5));
    }

    private static FixtureType head() {
        return FixtureType.of(
                TypeId.of("head"),
                "Test",
                "Head",
                "Head",
                Facts.onALine(),
                List.of(
                        mode("basic", "Dimmer Pan Tilt ColorAdd_R"),
                        mode("other", "Pan Tilt Dimmer ColorAdd_R ColorAdd_G")));
    }

    private static Mode mode(String name, String script) {
        return new Mode(name, Optional.empty(), List.of(ChannelScript.block("Main", script)));
    }

    /** Nine heads of universe 2 on one line, each after the other. */
    private static Plan lined() {
        Plan plan = Rigs.add(Rigs.empty().with(Box.node(1, "Node", Ipv4.of(10, 0, 0, 5), 4)), head(), 9, 101);
        for (int i = 1; i <= 9; i++) {
            plan = Rigs.place(plan, i, 1, StartAddress.of(2, 4 * i - 3));
        }
        List<LineStop> stops = plan.fixtures().stream()
                .map(f -> (LineStop) new LineStop.Unit(f.key()))
                .toList();
        return plan.with(new Line(1, "A", new PortRef(1, 1), stops));
    }

    private static EvidenceText.Read said(String text) {
        return new EvidenceText(lined()).read(text);
    }

    private static Response response(int unit, String attribute) {
        return Response.of(FixtureKey.of(unit), Attribute.of(attribute));
    }

    private static EvidenceText.Read read(String text) {
        return new EvidenceText(plan()).read(text);
    }

    private static Trial slots(int first, int last) {
        return new Trial(UniverseNumber.of(2), new SlotRange(first, last));
    }

    @Test
    void whatAnsweredToASlotIsReadAsPeopleTypeIt() {
        assertThat(read("2.3: 2 tilt").evidence())
                .containsExactly(new Observation(slots(3, 3), Set.of(Response.of(TWO, Attribute.of("Tilt")))));
        assertThat(read(" 2/003 : 1 pan other way , 2").evidence())
                .containsExactly(new Observation(
                        slots(3, 3),
                        Set.of(
                                new Response(ONE, Optional.of(Attribute.of("Pan")), Response.Manner.OTHER_WAY),
                                Response.of(TWO))));
        assertThat(read("2.1 to 2.256: 1, 2").evidence())
                .containsExactly(new Observation(slots(1, 256), Set.of(Response.of(ONE), Response.of(TWO))));
        assertThat(read("2.1-256: nothing\n\n2.9:").evidence())
                .containsExactly(new Observation(slots(1, 256), Set.of()), new Observation(slots(9, 9), Set.of()));
    }

    @Test
    void theLongestLabelNamesTheUnit() {
        assertThat(read("2.3: 12 red").evidence())
                .containsExactly(new Observation(
                        slots(3, 3), Set.of(Response.of(FixtureKey.of(12), Attribute.of("ColorAdd_R")))));
    }

    @Test
    void whatIsNotUnderstoodIsSaidAndTheRestIsRead() {
        EvidenceText.Read read = read("rubbish\n2.513: 1\n2.3: 99 tilt\n2.9-3.4: 1\n0.1: 1\n2.3: 1");
        assertThat(read.evidence()).hasSize(1);
        assertThat(read.faults()).hasSize(5);
        assertThat(read.faults().get(2)).isEqualTo("“2.3: 99 tilt”: “99 tilt” names no unit of the plan by its label.");
        assertThat(read("2.1: 1\n".repeat(121)).faults()).hasSize(1);
    }

    @Test
    void whatIsNoWordIsRefusedWithASentence() {
        for (String line :
                List.of("2.3: 1 \u0000", "2.3: 1 ?!", "1 …: 2", "1 says ,", "1 says ,,", "after : nothing")) {
            assertThat(read(line).evidence()).as(line).isEmpty();
            assertThat(read(line).faults()).as(line).hasSize(1);
        }
    }

    @Test
    void whatIsWrittenReadsToTheSame() {
        EvidenceText text = new EvidenceText(plan());
        for (String line : List.of(
                "2.3: 2 tilt",
                "2.1-256: 1, 2 pan other way, 3 flickers",
                "2.7: nothing",
                "1 says nothing",
                "1 says slot 4, mode other, tilt reversed",
                "1 says slot 4, slot 7, axes straight",
                "2 says pan reversed, pan and tilt exchanged")) {
            Evidence read = text.read(line).evidence().get(0);
            assertThat(text.read(text.of(read)).evidence()).containsExactly(read);
        }
    }

    @Test
    void whatWasRaisedByTheNameOfAUnitIsReadAsItsSlots() {
        Evidence red = new Observation(slots(16, 16), Set.of(response(5, "ColorAdd_R")));
        for (String line : List.of(
                "104 red: 105 red",
                "raised 104 red, 105 went red",
                "Raised unit 104 red: unit 105 goes red",
                "104 red: 105 is red")) {
            assertThat(said(line).evidence()).as(line).containsExactly(red);
        }
        assertThat(said("2.7: unit 102 tilted, 103 moved, 104 jumps").evidence())
                .containsExactly(new Observation(
                        slots(7, 7),
                        Set.of(
                                response(2, "Tilt"),
                                Response.of(FixtureKey.of(3)),
                                Response.unsteady(FixtureKey.of(4)))));
        assertThat(said("104: nothing").evidence()).containsExactly(new Observation(slots(13, 16), Set.of()));
        assertThat(said("104 gobo 1: nothing").faults())
                .singleElement()
                .asString()
                .contains("104 has no “gobo 1”");
    }

    @Test
    void allAfterAUnitAreOffIsReadOfEachOfThem() {
        for (String line : List.of("all after 106 are off", "After 106: nothing", "everything behind 106 is dark")) {
            assertThat(said(line).evidence())
                    .as(line)
                    .containsExactly(
                            new Observation(slots(21, 24), Set.of(Response.of(FixtureKey.of(6)))),
                            new Observation(slots(25, 28), Set.of()),
                            new Observation(slots(29, 32), Set.of()),
                            new Observation(slots(33, 36), Set.of()));
        }
        assertThat(new Explainer(lined())
                        .explain(said("all after 106 are off").evidence())
                        .get(0)
                        .causes())
                .containsExactly(new Cause.LineBroken(FixtureKey.of(7)));
        Plan shared = Rigs.place(Rigs.add(lined(), head(), 1, 301), 10, 1, StartAddress.of(2, 33));
        assertThat(new EvidenceText(shared).read("after 106: nothing").evidence())
                .as("who shares slots with them and hangs elsewhere is not said to be off")
                .contains(new Observation(slots(33, 36), Set.of(Response.of(FixtureKey.of(10)))));
        assertThat(said("after 109: nothing").faults())
                .singleElement()
                .asString()
                .contains("nothing is planned");
        assertThat(said("after 777: nothing").faults()).hasSize(1);
        assertThat(said("after 106: 107 red").faults()).hasSize(1);
    }

    @Test
    void whatUnitsSayOfThemselvesIsReadAgainstThePlan() {
        Mode other = head().modes().get(1);
        assertThat(said("105 says 2.20, mode other\n106 says nothing\n107 says: pan reversed")
                        .evidence())
                .containsExactly(
                        new Reading(
                                FixtureKey.of(5),
                                Optional.of(new Reading.Said(List.of(20), Optional.of(other), Optional.empty()))),
                        Reading.silent(FixtureKey.of(6)),
                        new Reading(
                                FixtureKey.of(7),
                                Optional.of(new Reading.Said(
                                        List.of(),
                                        Optional.empty(),
                                        Optional.of(new Reading.Axes(Set.of(Attribute.of("Pan")), false))))));
        assertThat(said("105 says mode rubbish\n105 says slot 600\n105 says something")
                        .faults())
                .hasSize(3);
    }

    @Test
    void anAddressThatIsOneOffIsExplainedFromWhatWasTyped() {
        Plan plan = plan();
        List<Evidence> seen = read("2.1: nothing\n2.2: 1 intensity").evidence();
        Cause first = new Explainer(plan).explain(seen).get(0).causes().get(0);
        ExplainText text = new ExplainText(plan);
        assertThat(text.cause(first)).isEqualTo("1 listens at slot 2, 1 above its planned 1.");
        assertThat(text.remedy(first)).isEqualTo("Set 1 to slot 1.");
    }

    @Test
    void longRunsOfBlanksAndWordsTakeNoLongerThanTheyAreLong() {
        assertThat(read("2.3: 1 pan" + " ".repeat(100_000) + "other way").evidence())
                .hasSize(1);
        assertThat(read("2.3: 1 " + "other way ".repeat(10_000) + "x").faults()).hasSizeLessThan(2);
        assertThat(read("x".repeat(100_000)).faults().get(0)).hasSizeLessThan(200);
    }
}
