package taxon.core.rig.edit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Facts;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.rig.edit.Edit.Outcome;
import taxon.core.rig.edit.Edit.Refused;
import taxon.core.rigtable.FieldChange;
import taxon.core.rigtable.FixtureColumn;
import taxon.core.rigtable.TableWork;
import taxon.core.testing.Rigs;

/** What is locked stays, whichever way somebody tries to move it. */
class MoveGateTest {
    private static final FixtureKey LOCKED = FixtureKey.of(1);
    private static final BlockRef BLOCK = new BlockRef(LOCKED, 1);
    private static final StartAddress ELSEWHERE = StartAddress.of(3, 1);

    /** 1 and 2 of 16 slots at 1.001 and 1.017; 1 is locked. */
    private static final Plan PLAN = Rigs.apply(
            Rigs.add(Rigs.empty(), Rigs.type("t", 16), 2, Optional.of(1), Optional.of(StartAddress.of(1, 1))),
            LockEdits.lock(List.of(LOCKED), true));

    /** Named, so that a failure says which way was open. */
    record Way(String name, Edit edit) {
        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Way> ways() {
        return Stream.of(
                new Way("typed", AddressEdits.move(BLOCK, ELSEWHERE, "1")),
                new Way("cleared", AddressEdits.clear(BLOCK, "1")),
                new Way("several at once", AddressEdits.put("put", Map.of(BLOCK, Optional.of(ELSEWHERE)))),
                new Way("in turn", Edit.inTurn("in turn", List.of(AddressEdits.move(BLOCK, ELSEWHERE, "1")))),
                new Way(
                        "in the table",
                        TableWork.edit("cell", List.of(new FieldChange(LOCKED, FixtureColumn.ADDRESS, "3.001")))),
                new Way(
                        "by whoever writes the next edit",
                        new Edit("raw", plan -> new Changed(plan.with(moved(plan))))),
                new Way(
                        "by another mode that is brought along",
                        new Edit(
                                "raw", plan -> new Changed(plan.with(moved(plan).withMode("no such"))))));
    }

    private static Fixture moved(Plan plan) {
        return plan.fixture(LOCKED).orElseThrow().withAddress(1, Optional.of(ELSEWHERE));
    }

    @ParameterizedTest
    @MethodSource("ways")
    void noWayMovesWhatIsLocked(Way way) {
        assertThat(way.edit().applyTo(PLAN))
                .isInstanceOfSatisfying(
                        Refused.class,
                        r -> assertThat(r.reasons().get(0).sentence())
                                .contains("1 is locked at 1.001; unlock it first"));
    }

    @ParameterizedTest
    @MethodSource("ways")
    void everyWayIsOpenToWhatIsNotLocked(Way way) {
        Plan open = Rigs.apply(PLAN, LockEdits.lock(List.of(LOCKED), false));
        assertThat(way.edit().applyTo(open)).isInstanceOf(Changed.class);
    }

    @Test
    void whatIsUnlockedInTheSameStepMayMove() {
        Edit both = Edit.inTurn(
                "both", List.of(LockEdits.lock(List.of(LOCKED), false), AddressEdits.move(BLOCK, ELSEWHERE, "1")));
        assertThat(both.applyTo(PLAN)).isInstanceOf(Changed.class);
    }

    @Test
    void whoSharesWithWhatIsLockedComesToIt() {
        Plan shared = Rigs.apply(PLAN, ShareEdits.share(List.of(BLOCK, new BlockRef(FixtureKey.of(2), 1)), ""));
        assertThat(shared.fixture(FixtureKey.of(2)).flatMap(f -> f.address(1))).contains(StartAddress.of(1, 1));
    }

    @Test
    void takingAwayAndWordsAreNoMoves() {
        Function<Edit, Class<?>> outcome = e -> e.applyTo(PLAN).getClass();
        assertThat(outcome.apply(FixtureEdits.remove(List.of(LOCKED)))).isEqualTo(Changed.class);
        assertThat(outcome.apply(FixtureEdits.renumber(LOCKED, FixtureId.of(99))))
                .isEqualTo(Changed.class);
    }

    @Test
    void undoGivesBackWhatWasThereLockOrNot() {
        Plan before = Rigs.apply(PLAN, LockEdits.lock(List.of(LOCKED), false));
        Plan after = Rigs.apply(
                Rigs.apply(before, AddressEdits.move(BLOCK, ELSEWHERE, "1")), LockEdits.lock(List.of(LOCKED), true));
        assertThat(PlanDelta.between(before, after).turned().applyTo(after)).contains(before);
    }

    @Test
    void whatOnlyAnAppReachesGetsNoAddressButOneThatItHasMayGo() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.typeReachedBy(Facts.Reach.APP_ONLY, "glow", 4), 1, 700);
        BlockRef glow = new BlockRef(plan.fixtures().get(0).key(), 1);
        Outcome outcome = AddressEdits.move(glow, StartAddress.of(3, 1), "700").applyTo(plan);
        assertThat(outcome).isInstanceOf(Edit.Refused.class);
        assertThat(((Edit.Refused) outcome).reasons().get(0).sentence())
                .isEqualTo("The start address of 700 cannot be 3.001: only an app reaches it, and no universe does.");
        Plan listed = plan.with(plan.fixtures().get(0).withAddress(1, Optional.of(StartAddress.of(3, 1))));
        assertThat(AddressEdits.clear(glow, "700").applyTo(listed)).isInstanceOf(Changed.class);
        assertThat(FixtureEdits.renumber(glow.fixture(), FixtureId.of(701)).applyTo(listed))
                .isInstanceOf(Changed.class);
    }
}
