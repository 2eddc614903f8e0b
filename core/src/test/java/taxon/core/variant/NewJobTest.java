package taxon.core.variant;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.ChannelScript;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Box;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Added;
import taxon.core.testing.Rigs;
import taxon.core.variant.NewJob.Keep;

class NewJobTest {
    private static final JobSheet NEXT = new JobSheet("Next stop", "Harbour", Optional.empty(), Optional.empty(), "");

    private static Plan old() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.typeOf("spot", ChannelScript.block("Main", "Dimmer Pan=128")), 3, 101);
        plan = Rigs.place(plan, 1, 1, StartAddress.of(1, 1));
        plan = plan.with(Box.node(1, "Node", Ipv4.of(127, 0, 0, 2), 4));
        plan = plan.with(new Universe(
                UniverseNumber.of(1), "quay", List.of(new Route.ArtNet(new PortAddress(1), new PortRef(1, 1)))));
        Mark mark = new Mark(StartAddress.of(1, 1), plan.fixtures().get(0).mode(), Instant.EPOCH, "crew");
        return plan.with(BlockEvidence.none(new BlockRef(FixtureKey.of(1), 1)).withSet(mark));
    }

    @Test
    void allOfItIsTheOldPlanWithoutEvidence() {
        Plan made = NewJob.from(old(), NEXT, EnumSet.allOf(Keep.class));
        assertThat(made.sheet().name()).isEqualTo("Next stop");
        assertThat(made.fixtures()).isEqualTo(old().fixtures());
        assertThat(made.boxes()).isEqualTo(old().boxes());
        assertThat(made.knowsUnits()).isFalse();
    }

    @Test
    void nothingOfItIsItsTypesAlone() {
        Plan made = NewJob.from(old(), NEXT, EnumSet.noneOf(Keep.class));
        assertThat(made.fixtures()).isEmpty();
        assertThat(made.boxes()).isEmpty();
        assertThat(made.positions()).isEmpty();
        assertThat(made.types()).isEqualTo(old().types());
    }

    @Test
    void fixturesWithoutPositionsAreNotPlacedYet() {
        Plan made = NewJob.from(old(), NEXT, EnumSet.of(Keep.FIXTURES, Keep.NUMBERING));
        assertThat(made.fixtures()).hasSize(3).allSatisfy(f -> {
            assertThat(made.position(f).name()).isEqualTo(Added.NOWHERE);
            assertThat(f.addresses()).isEmpty();
            assertThat(f.id()).isPresent();
        });
        assertThat(NewJob.from(old(), NEXT, EnumSet.of(Keep.FIXTURES, Keep.POSITIONS))
                        .fixtures())
                .allSatisfy(f -> assertThat(f.id()).isEmpty());
    }

    /** Whatever is taken along, the plan holds together: a plan whose elements refer to nothing is none. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 4, 8, 16, 32, 3, 21, 42, 51, 60})
    void everyChoiceIsAPlan(int bits) {
        EnumSet<Keep> kept = EnumSet.noneOf(Keep.class);
        for (Keep keep : Keep.values()) {
            if ((bits >> keep.ordinal() & 1) == 1) {
                kept.add(keep);
            }
        }
        Plan made = NewJob.from(old(), NEXT, kept);
        assertThat(Plan.of(made.elements().values())).isEqualTo(made);
        assertThat(made.boxes().isEmpty()).isEqualTo(!kept.contains(Keep.NETWORK));
    }
}
