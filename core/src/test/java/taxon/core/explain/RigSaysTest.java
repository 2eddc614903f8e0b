package taxon.core.explain;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.Slot;
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
import taxon.core.proof.FoundUnit;
import taxon.core.proof.RigComparison;
import taxon.core.proof.UnitSays;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;

/** A reading of the rig, as the evidence by which it is explained. */
class RigSaysTest {
    private static final UniverseNumber TWO = UniverseNumber.of(2);
    private static final FixtureType HEAD = FixtureType.of(
            TypeId.of("head"),
            "Test",
            "Head",
            "Head",
            Facts.onALine(),
            List.of(mode("basic", 1, "Dimmer Pan Tilt"), mode("wide", 2, "Dimmer Pan:2 Tilt:2")));

    private static Mode mode(String name, int number, String script) {
        return new Mode(name, Optional.of(number), List.of(ChannelScript.block("Main", script)));
    }

    private static Plan plan() {
        Plan plan = Rigs.add(Rigs.empty().with(Box.node(1, "Node", Ipv4.of(10, 0, 0, 5), 1)), HEAD, 5, 101);
        for (int i = 1; i <= 5; i++) {
            plan = Rigs.place(plan, i, 1, StartAddress.of(2, 10 * i));
        }
        List<LineStop> stops = plan.fixtures().stream()
                .map(f -> (LineStop) new LineStop.Unit(f.key()))
                .toList();
        return plan.with(new Line(1, "A", new PortRef(1, 1), stops));
    }

    private static FoundUnit unit(Fixture fixture, int start, int personality, UnitSays.Axes axes) {
        UnitSays says = new UnitSays("", Optional.empty(), Optional.empty(), List.of(), List.of(), axes, false, 2);
        Mode mode = HEAD.modes().get(personality - 1);
        return new FoundUnit(
                TWO,
                "7FF0:0000000" + fixture.key().number(),
                "Test",
                "Head",
                fixture.label(),
                personality,
                mode.name(),
                Optional.empty(),
                says,
                List.of(new FoundUnit.FoundBlock(
                        Slot.of(start), mode.blocks().get(0).footprint())));
    }

    private static List<String> lines(Plan plan, List<FoundUnit> units) {
        EvidenceText text = new EvidenceText(plan);
        return RigSays.of(plan, RigComparison.of(plan, Set.of(TWO), units)).stream()
                .map(text::of)
                .toList();
    }

    private static final UnitSays.Axes STRAIGHT =
            new UnitSays.Axes(Optional.of(false), Optional.of(false), Optional.of(false));
    private static final UnitSays.Axes TURNED =
            new UnitSays.Axes(Optional.of(false), Optional.of(true), Optional.of(false));

    @Test
    void whatIsOtherwiseIsToldAndWhatIsBesideASilentUnitOnItsLine() {
        Plan plan = plan();
        List<Fixture> fixtures = plan.fixtures();
        List<String> lines = lines(
                plan,
                List.of(
                        unit(fixtures.get(0), 10, 1, UnitSays.Axes.UNKNOWN),
                        unit(fixtures.get(4), 50, 1, UnitSays.Axes.UNKNOWN),
                        unit(fixtures.get(1), 20, 2, STRAIGHT),
                        unit(fixtures.get(2), 31, 1, TURNED)));
        assertThat(lines)
                .containsExactly(
                        "102 says slot 20, mode wide, axes straight",
                        "103 says slot 31, mode basic, tilt reversed",
                        "104 says nothing",
                        "105 says slot 50, mode basic");
        EvidenceText.Read read = new EvidenceText(plan).read(String.join("\n", lines));
        assertThat(read.faults()).isEmpty();
        assertThat(new Explainer(plan).explain(read.evidence()).get(0).causes())
                .as("a unit may be wrong in two ways; one that is silent may not speak of itself at all")
                .containsExactlyInAnyOrder(
                        new Cause.OtherMode(fixtures.get(1).key(), HEAD.modes().get(1)),
                        new Cause.OtherAddress(fixtures.get(2).key(), 1, 30, 31),
                        new Cause.AxisReversed(fixtures.get(2).key(), Attribute.of("Tilt")));
    }

    @Test
    void whereAllIsAsPlannedThereIsNothingToExplain() {
        Plan plan = plan();
        List<FoundUnit> units = new ArrayList<>();
        plan.fixtures().forEach(f -> units.add(unit(f, 10 * f.key().number(), 1, UnitSays.Axes.UNKNOWN)));
        assertThat(lines(plan, units)).isEmpty();
    }
}
