package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.type;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.AddressProposal.Move;
import taxon.core.addressing.answer.Break;
import taxon.core.addressing.answer.Break.Why;
import taxon.core.addressing.answer.Reason;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.Share;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Style;

/** Why each block goes where it goes and why each universe is begun, to the slot. */
class ReasonsTest {
    private static AddressProposal propose(Plan plan, Wish wish, Scope scope, Integer... chosen) {
        Set<FixtureKey> keys = new TreeSet<>();
        List.of(chosen).forEach(k -> keys.add(FixtureKey.of(k)));
        return Planner.propose(plan, new PlacementRequest(scope, keys, wish));
    }

    private static List<Reason> reasons(Plan plan, Wish wish) {
        return propose(plan, wish, Scope.UNPLACED).moves().stream()
                .map(Move::reason)
                .toList();
    }

    private static Plan reserve(Plan plan, int first, int last) {
        int number = plan.reservedRuns().size() + 1;
        return plan.with(new ReservedRun(number, UniverseNumber.of(1), new SlotRange(first, last), "kept"));
    }

    @Test
    void oneSlotAfterAnotherBetweenWhatIsKept() {
        Plan plan = reserve(reserve(add(empty(), type("t", 1), 3, 1), 1, 1), 4, 4);
        assertThat(reasons(plan, Wish.USUAL))
                .containsExactly(
                        new Reason.Around(new SlotRange(1, 1)),
                        new Reason.Follows("1", 0),
                        new Reason.Around(new SlotRange(4, 4)));
    }

    @Test
    void whoBeginsBeforeWhatIsKeptBeginsWhereItWasAsked() {
        Plan plan = reserve(add(empty(), type("t", 1), 1, 1), 2, 2);
        assertThat(reasons(plan, Wish.USUAL)).containsExactly(new Reason.Start());
        assertThat(reasons(plan, Wish.USUAL.within(StartAddress.of(1, 2), UniverseSet.ALL)))
                .containsExactly(new Reason.Around(new SlotRange(2, 2)));
    }

    @Test
    void theGapIsToldAndWhatIsNeededOfTheUniverseBefore() {
        Plan plan = add(empty(), type("t", 200), 3, 1);
        assertThat(reasons(plan, Wish.USUAL.withSpacing(Spacing.ofGap(7))))
                .containsExactly(
                        new Reason.Start(),
                        new Reason.Follows("1", 7),
                        new Reason.NextUniverse(UniverseNumber.of(1), 200));
    }

    @Test
    void whoSharesOnPurposeGoesToTheOther() {
        Plan plan = place(add(empty(), type("t", 10), 3, 1), 1, 1, StartAddress.of(1, 50));
        TreeSet<BlockRef> both =
                new TreeSet<>(Set.of(new BlockRef(FixtureKey.of(1), 1), new BlockRef(FixtureKey.of(2), 1)));
        Plan shared = plan.with(new Share(1, both, "twins"));
        AddressProposal proposal = propose(shared, Wish.USUAL, Scope.CHOSEN, 2);
        assertThat(proposal.moves()).singleElement().satisfies(m -> {
            assertThat(m.after()).isEqualTo(StartAddress.of(1, 50));
            assertThat(m.reason()).isEqualTo(new Reason.Shares("1"));
        });
    }

    private static Why onlyBreak(AddressProposal proposal) {
        assertThat(proposal.breaks()).hasSize(1);
        return proposal.breaks().get(0).why();
    }

    /** Of what lies before the last that was placed, the order takes nothing. */
    @Test
    void aUniverseIsFullBehindTheLastInOrder() {
        Plan plan = reserve(add(add(empty(), type("a", 300), 1, 1), type("b", 80), 1, 2), 101, 150);
        assertThat(onlyBreak(propose(plan, Wish.USUAL, Scope.ALL))).isEqualTo(new Why.Full(80, 62));
    }

    @Test
    void aUniverseIsFullWhereItsLongestHoleIsTheFirst() {
        Plan plan = reserve(add(add(empty(), type("a", 12), 1, 1), type("b", 110), 1, 2), 101, 500);
        Plan placed = place(plan, 1, 1, StartAddress.of(1, 501));
        assertThat(onlyBreak(propose(placed, Wish.USUAL.withStyle(Style.LEAST_CHANGE), Scope.ALL)))
                .isEqualTo(new Why.Full(110, 100));
    }

    @Test
    void whoStaysBeginsItsUniverseThoughThereIsRoomBefore() {
        Plan plan = place(add(empty(), type("t", 10), 2, 1), 2, 1, StartAddress.of(2, 1));
        AddressProposal proposal = propose(plan, Wish.USUAL.withStyle(Style.LEAST_CHANGE), Scope.ALL);
        assertThat(proposal.breaks())
                .containsExactly(new Break(UniverseNumber.of(1), UniverseNumber.of(2), "2", new Why.Stays()));
        assertThat(proposal.staying()).isEqualTo(1);
    }

    @Test
    void onlyAUnitThatWasSetIsTouched() {
        Plan plan = place(
                place(add(empty(), type("t", 10), 2, 1), 1, 1, StartAddress.of(1, 101)), 2, 1, StartAddress.of(1, 201));
        Fixture first = plan.fixtures().get(0);
        Plan set = plan.with(BlockEvidence.none(new BlockRef(first.key(), 1))
                .withSet(new Mark(StartAddress.of(1, 101), "only", Instant.EPOCH, "crew")));
        assertThat(propose(set, Wish.USUAL, Scope.ALL).moves().stream().map(Move::touchesUnit))
                .containsExactly(true, false);
    }

    @Test
    void whoIsLeftOutIsNamedAmongTheOmissions() {
        Plan plan = add(empty(), type("t", 300), 2, 1);
        AddressProposal proposal =
                propose(plan, Wish.USUAL.within(StartAddress.of(1, 1), UniverseSet.of(1, 1)), Scope.ALL);
        assertThat(proposal.omissions())
                .singleElement()
                .satisfies(o -> assertThat(o.who()).isEqualTo("2"));
        assertThat(proposal.staying()).isZero();
    }
}
