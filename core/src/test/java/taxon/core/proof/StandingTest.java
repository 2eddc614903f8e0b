package taxon.core.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;

class StandingTest {
    private static final BlockRef REF = new BlockRef(FixtureKey.of(1), 1);
    private static final StartAddress PLANNED = StartAddress.of(2, 73);
    private static final StartAddress OTHER = StartAddress.of(2, 65);
    private static final BlockEvidence NONE = BlockEvidence.none(REF);

    @Test
    void withoutAnAddressABlockIsUnplaced() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 16), 1, 1);
        assertThat(Standing.of(plan.blocks().get(0), plan)).isEqualTo(Standing.UNPLACED);
    }

    @Test
    void nothingKnownOfTheUnitLeavesItPlanned() {
        assertThat(standing(NONE)).isEqualTo(Standing.PLANNED);
    }

    @Test
    void setAsPlannedIsSetAndAnsweredAsPlannedIsProved() {
        assertThat(standing(NONE.withSet(mark(PLANNED, 1)))).isEqualTo(Standing.SET);
        assertThat(standing(NONE.withProved(mark(PLANNED, 1), "7FF0:00000001"))).isEqualTo(Standing.PROVED);
    }

    @Test
    void aPlanThatMovedOnMakesWhatIsSetStale() {
        assertThat(standing(NONE.withSet(mark(OTHER, 1)))).isEqualTo(Standing.STALE);
        assertThat(standing(NONE.withProved(mark(OTHER, 1), ""))).isEqualTo(Standing.STALE);
    }

    @Test
    void anotherModeAtTheSameAddressIsStaleToo() {
        assertThat(standing(NONE.withSet(new Mark(PLANNED, "wide", at(1), "crew"))))
                .isEqualTo(Standing.STALE);
    }

    @Test
    void setAgainAsPlannedKeepsTheProof() {
        BlockEvidence evidence = NONE.withProved(mark(PLANNED, 1), "").withSet(mark(PLANNED, 2));
        assertThat(standing(evidence)).isEqualTo(Standing.PROVED);
    }

    @Test
    void aLaterMarkThatDiffersOverrulesAnOlderProof() {
        BlockEvidence evidence = NONE.withProved(mark(PLANNED, 1), "").withSet(mark(OTHER, 2));
        assertThat(standing(evidence)).isEqualTo(Standing.STALE);
    }

    @Test
    void setBackToThePlanAfterAStrayIsProvedByTheOldAnswerNoLessThanBefore() {
        BlockEvidence evidence =
                new BlockEvidence(REF, Optional.of(mark(PLANNED, 3)), Optional.of(mark(PLANNED, 1)), "");
        assertThat(standing(evidence)).isEqualTo(Standing.PROVED);
    }

    private static Standing standing(BlockEvidence evidence) {
        Plan plan = Rigs.place(Rigs.add(Rigs.empty(), Rigs.type("t", 16), 1, 1), 1, 1, PLANNED)
                .with(List.of(evidence));
        return Standing.of(plan.blocks().get(0), plan);
    }

    private static Mark mark(StartAddress address, int second) {
        return new Mark(address, "only", at(second), "crew");
    }

    private static Instant at(int second) {
        return Instant.ofEpochSecond(second);
    }
}
