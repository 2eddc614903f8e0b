package taxon.core.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.proof.TouchAgain.Difference;
import taxon.core.proof.TouchAgain.Stop;
import taxon.core.proof.TouchAgain.Unit;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.testing.Rigs;

class TouchAgainTest {
    /** 1 and 2 with two blocks each, at 1.001 and 1.021. */
    private static final Plan PLAN =
            Rigs.add(Rigs.empty(), Rigs.type("t", 10, 10), 2, Optional.of(1), Optional.of(StartAddress.of(1, 1)));

    private static Plan set(Plan plan, int key, int block, StartAddress at, String mode) {
        BlockRef ref = new BlockRef(FixtureKey.of(key), block);
        return plan.with(BlockEvidence.none(ref).withSet(new Mark(at, mode, Instant.EPOCH, "crew")));
    }

    @Test
    void aUnitOfWhichNothingIsKnownIsNotOnTheList() {
        assertThat(TouchAgain.of(PLAN)).isEmpty();
    }

    @Test
    void aUnitThatIsSetAsPlannedIsNotOnTheList() {
        assertThat(TouchAgain.of(set(PLAN, 1, 1, StartAddress.of(1, 1), "only")))
                .isEmpty();
    }

    @Test
    void anotherAddressIsToBeSetAgainAndItsModeIsNot() {
        Difference difference = only(set(PLAN, 1, 2, StartAddress.of(2, 11), "only"));
        assertThat(difference.block().ref()).isEqualTo(new BlockRef(FixtureKey.of(1), 2));
        assertThat(difference.isAddress()).isTrue();
        assertThat(difference.isMode()).isFalse();
        assertThat(difference.last().address()).isEqualTo(StartAddress.of(2, 11));
    }

    @Test
    void anotherModeIsToBeSetAgainThoughTheAddressIsRight() {
        Difference difference = only(set(PLAN, 1, 1, StartAddress.of(1, 1), "wide"));
        assertThat(difference.isAddress()).isFalse();
        assertThat(difference.isMode()).isTrue();
    }

    @Test
    void aUnitThatLostItsPlannedAddressIsToBeTouchedWhateverItWasSetTo() {
        Fixture without = PLAN.fixture(FixtureKey.of(1)).orElseThrow().withAddress(1, Optional.empty());
        Difference difference = only(set(PLAN.with(without), 1, 1, StartAddress.of(1, 1), "only"));
        assertThat(difference.isAddress()).isTrue();
    }

    @Test
    void theYoungerMarkDecidesAndTheProofOfOneMomentDoesNot() {
        BlockRef ref = new BlockRef(FixtureKey.of(1), 1);
        Mark right = new Mark(StartAddress.of(1, 1), "only", Instant.ofEpochSecond(9), "crew");
        Mark wrong = new Mark(StartAddress.of(3, 3), "only", Instant.ofEpochSecond(5), "crew");
        assertThat(TouchAgain.of(PLAN.with(new BlockEvidence(ref, Optional.of(wrong), Optional.of(right), ""))))
                .isEmpty();
        assertThat(TouchAgain.of(PLAN.with(new BlockEvidence(ref, Optional.of(right), Optional.of(wrong), ""))))
                .isEmpty();
        Mark sameMoment = new Mark(StartAddress.of(3, 3), "only", Instant.ofEpochSecond(9), "crew");
        assertThat(TouchAgain.of(PLAN.with(new BlockEvidence(ref, Optional.of(sameMoment), Optional.of(right), ""))))
                .hasSize(1);
    }

    @Test
    void theWalkGoesPositionByPositionAndAlongEach() {
        Plan plan = PLAN.with(List.of(new Position(7, "Behind").withRank(99)));
        plan = Rigs.add(plan, Rigs.type("t", 10, 10), 2, Optional.of(3), Optional.of(StartAddress.of(5, 1)));
        Fixture third = plan.fixture(FixtureKey.of(3)).orElseThrow();
        plan = plan.with(third.withPlace(7, 1));
        for (int key : new int[] {3, 4, 2, 1}) {
            plan = set(plan, key, 1, StartAddress.of(9, 9), "only");
        }
        List<Stop> stops = TouchAgain.of(plan);
        assertThat(stops).extracting(s -> s.position().name()).containsExactly("Pipe", "Behind");
        assertThat(stops.get(0).units())
                .extracting(u -> u.fixture().key().number())
                .containsExactly(1, 2, 4);
        assertThat(stops.get(1).units()).extracting(Unit::fixture).hasSize(1);
    }

    private static Difference only(Plan plan) {
        List<Stop> stops = TouchAgain.of(plan);
        assertThat(stops).hasSize(1);
        assertThat(stops.get(0).units()).hasSize(1);
        assertThat(stops.get(0).units().get(0).blocks()).hasSize(1);
        return stops.get(0).units().get(0).blocks().get(0);
    }
}
