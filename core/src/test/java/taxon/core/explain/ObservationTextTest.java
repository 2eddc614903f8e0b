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
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;

class ObservationTextTest {
    private static final FixtureKey ONE = FixtureKey.of(1);
    private static final FixtureKey TWO = FixtureKey.of(2);

    private static Plan plan() {
        Plan plan = Rigs.add(
                Rigs.empty(), Rigs.typeOf("head", ChannelScript.block("Main", "Dimmer Pan Tilt ColorAdd_R")), 12, 1);
        plan = Rigs.place(plan, 1, 1, StartAddress.of(2, 1));
        return Rigs.place(plan, 2, 1, StartAddress.of(2, 5));
    }

    private static ObservationText.Read read(String text) {
        return new ObservationText(plan()).read(text);
    }

    private static Trial slots(int first, int last) {
        return new Trial(UniverseNumber.of(2), new SlotRange(first, last));
    }

    @Test
    void whatAnsweredToASlotIsReadAsPeopleTypeIt() {
        assertThat(read("2.3: 2 tilt").observations())
                .containsExactly(new Observation(slots(3, 3), Set.of(Response.of(TWO, Attribute.of("Tilt")))));
        assertThat(read(" 2/003 : 1 pan other way , 2").observations())
                .containsExactly(new Observation(
                        slots(3, 3),
                        Set.of(new Response(ONE, Optional.of(Attribute.of("Pan")), true), Response.of(TWO))));
        assertThat(read("2.1 to 2.256: 1, 2").observations())
                .containsExactly(new Observation(slots(1, 256), Set.of(Response.of(ONE), Response.of(TWO))));
        assertThat(read("2.1-256: nothing\n\n2.9:").observations())
                .containsExactly(new Observation(slots(1, 256), Set.of()), new Observation(slots(9, 9), Set.of()));
    }

    @Test
    void theLongestLabelNamesTheUnit() {
        assertThat(read("2.3: 12 red").observations().get(0).seen())
                .containsExactly(Response.of(FixtureKey.of(12), Attribute.of("ColorAdd_R")));
    }

    @Test
    void whatIsNotUnderstoodIsSaidAndTheRestIsRead() {
        ObservationText.Read read = read("rubbish\n2.513: 1\n2.3: 99 tilt\n2.9-3.4: 1\n0.1: 1\n2.3: 1");
        assertThat(read.observations()).hasSize(1);
        assertThat(read.faults()).hasSize(5);
        assertThat(read.faults().get(2)).isEqualTo("“99 tilt” names no unit of the plan by its label.");
        assertThat(read("2.1: 1\n".repeat(61)).faults()).hasSize(1);
    }

    @Test
    void whatIsWrittenReadsToTheSame() {
        ObservationText text = new ObservationText(plan());
        for (String line : List.of("2.3: 2 tilt", "2.1-256: 1, 2 pan other way", "2.7: nothing")) {
            Observation read = text.read(line).observations().get(0);
            assertThat(text.read(text.of(read)).observations()).containsExactly(read);
        }
    }

    @Test
    void anAddressThatIsOneOffIsExplainedFromWhatWasTyped() {
        Plan plan = plan();
        List<Observation> seen = read("2.1: nothing\n2.2: 1 intensity").observations();
        Cause first = new Explainer(plan).explain(seen).get(0).cause();
        ExplainText text = new ExplainText(plan);
        assertThat(text.cause(first)).isEqualTo("1 listens at slot 2, 1 above its planned 1.");
        assertThat(text.remedy(first)).isEqualTo("Set 1 to slot 1.");
    }

    @Test
    void longRunsOfBlanksAndWordsTakeNoLongerThanTheyAreLong() {
        assertThat(read("2.3: 1 pan" + " ".repeat(100_000) + "other way").observations())
                .hasSize(1);
        assertThat(read("2.3: 1 " + "other way ".repeat(10_000) + "x").faults()).hasSizeLessThan(2);
        assertThat(read("x".repeat(100_000)).faults().get(0)).hasSizeLessThan(200);
    }
}
