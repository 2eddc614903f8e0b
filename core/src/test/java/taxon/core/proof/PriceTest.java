package taxon.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.RigType;
import taxon.core.testing.Rigs;

class PriceTest {
    /** 1 is set as planned, 2 is planned only, 3 has no address. */
    private static final Plan PLAN = plan();

    private static Plan plan() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 10), 2, Optional.of(1), Optional.of(StartAddress.of(1, 1)));
        plan = Rigs.add(plan, Rigs.type("t", 10), 1, 3);
        Mark mark = new Mark(StartAddress.of(1, 1), "only", Instant.EPOCH, "crew");
        return plan.with(BlockEvidence.none(new BlockRef(FixtureKey.of(1), 1)).withSet(mark));
    }

    private static Fixture fixture(int key) {
        return PLAN.fixture(FixtureKey.of(key)).orElseThrow();
    }

    private static Price of(Plan after) {
        return Price.of(PlanDelta.between(PLAN, after), PLAN, after);
    }

    @Test
    void aUnitThatWasSetIsTouchedOnlyWhenItsAddressModeOrTypeChanges() {
        assertThat(of(PLAN.with(fixture(1).withAddress(1, Optional.of(StartAddress.of(2, 2))))))
                .isEqualTo(new Price(1, 0, 0));
        assertThat(of(PLAN.with(fixture(1).withMode("wide")))).isEqualTo(new Price(1, 0, 0));
        FixtureType other = Rigs.type("u", 10);
        assertThat(of(PLAN.with(List.of(RigType.of(other), fixture(1).withType(other.id())))))
                .isEqualTo(new Price(1, 0, 0));
        assertThat(of(PLAN.with(fixture(1).withId(Optional.of(FixtureId.of(77))))))
                .isEqualTo(new Price(0, 1, 0));
    }

    @Test
    void whatIsOnlyPlannedChangesOnPaperAndWhatHadNoAddressGetsItsFirst() {
        assertThat(of(PLAN.with(fixture(2).withAddress(1, Optional.of(StartAddress.of(2, 2))))))
                .isEqualTo(new Price(0, 1, 0));
        assertThat(of(PLAN.with(fixture(3).withAddress(1, Optional.of(StartAddress.of(2, 2))))))
                .isEqualTo(new Price(0, 0, 1));
        assertThat(of(Rigs.add(PLAN, Rigs.type("t", 10), 4, 90))).isEqualTo(new Price(0, 0, 4));
    }

    @Test
    void anotherDefinitionOfATypeConcernsAllFixturesOfItAndNoOthers() {
        Plan two = Rigs.add(PLAN, Rigs.type("u", 5), 2, Optional.of(50), Optional.of(StartAddress.of(5, 1)));
        Plan after = two.with(RigType.of(Rigs.type("t", 12)));
        assertThat(Price.of(PlanDelta.between(two, after), two, after)).isEqualTo(new Price(1, 1, 1));
    }

    @Test
    void whatIsTakenAwayAndWhatStaysCostsNothing() {
        assertThat(of(PLAN.without(List.of(Fixture.keyOf(FixtureKey.of(1)))))).isEqualTo(new Price(0, 0, 0));
        assertThat(of(PLAN)).isEqualTo(new Price(0, 0, 0));
    }

    @ParameterizedTest
    @CsvSource({"0, 0, 0, 0", "1, 0, 0, 10", "0, 1, 0, 1", "3, 4, 9, 34"})
    void tenForEachUnitThatWasSetAndOneForEachOnPaper(int touched, int planned, int first, int points) {
        assertThat(new Price(touched, planned, first).points()).isEqualTo(points);
    }

    @ParameterizedTest
    @CsvSource({"-1, 0, 0", "0, -1, 0", "0, 0, -1"})
    void aPriceBelowNothingIsNone(int touched, int planned, int first) {
        assertThatThrownBy(() -> new Price(touched, planned, first)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void movingWeighsAsItCosts() {
        assertThat(Price.weight(true)).isEqualTo(new Price(1, 0, 0).points());
        assertThat(Price.weight(false)).isEqualTo(new Price(0, 1, 0).points());
    }
}
