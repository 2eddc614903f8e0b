package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.type;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.LeftOut;
import taxon.core.addressing.answer.Obstacle;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.space.FreeRun;
import taxon.core.addressing.text.ProposalText;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;
import taxon.demo.DemoTypes;

/** Why something finds no place: each reason where it is true, with the place. One universe is allowed throughout. */
class ObstaclesTest {
    private static final Wish ONE = Wish.USUAL.within(StartAddress.of(1, 1), UniverseSet.of(1, 1));

    private static AddressProposal propose(Plan plan, Wish wish) {
        return Planner.propose(plan, new PlacementRequest(Scope.UNPLACED, Set.of(), wish));
    }

    private static String reason(Plan plan, Wish wish) {
        AddressProposal proposal = propose(plan, wish);
        assertThat(proposal.leftOut()).hasSize(1);
        LeftOut left = proposal.leftOut().get(0);
        return ProposalText.sentence(left);
    }

    private static Plan reserve(Plan plan, int first, int last) {
        int number = plan.reservedRuns().size() + 1;
        return plan.with(new ReservedRun(number, UniverseNumber.of(1), new SlotRange(first, last), "kept"));
    }

    @Test
    void theOrderHasPassedTheOnlyRoom() {
        Plan plan = reserve(add(add(empty(), type("a", 200), 1, 1), type("b", 50), 1, 2), 60, 280);
        assertThat(reason(plan, ONE)).isEqualTo("needs 50 slots; there is room at 1.001, which the order has passed");
        assertThat(propose(plan, ONE.withStyle(Style.FEWEST_UNIVERSES)).leftOut())
                .isEmpty();
    }

    @Test
    void thereIsRoomOffTheRoundStartsOnly() {
        Plan plan = reserve(reserve(add(empty(), type("a", 50), 1, 1), 1, 101), 160, 512);
        Wish round = ONE.withSpacing(new Spacing(0, Starts.ROUND, 100, false));
        assertThat(reason(plan, round))
                .isEqualTo("needs 50 slots; there is room at 1.102, but only off the starts that keep 100 slots apart");
    }

    @Test
    void thereIsRoomForTheModeAsItIs() {
        var twoModes = DemoTypes.book().named("", "Tern").orElseThrow();
        Plan plan = reserve(add(empty(), twoModes, 1, 1), 14, 512);
        Wish largest = ONE.withSpacing(new Spacing(0, Starts.ANYWHERE, 1, true));
        assertThat(reason(plan, largest)).contains("there is room for the 12 of its mode at 1.001");
    }

    @Test
    void thereIsRoomTooNearToANeighbour() {
        Plan plan = place(add(empty(), type("a", 250), 2, 1), 1, 1, StartAddress.of(1, 1));
        Wish apart = ONE.withSpacing(Spacing.ofGap(100));
        assertThat(reason(plan, apart))
                .isEqualTo("needs 250 slots; there is room at 1.251, but nearer than 100 slots to a neighbour");
    }

    @Test
    void thereIsRoomWithOthersOnly() {
        Plan plan = place(add(add(empty(), type("a", 10), 1, 1), type("b", 20), 1, 2), 1, 1, StartAddress.of(1, 1));
        assertThat(reason(plan, ONE.withSplit(Split.TYPE, false)))
                .startsWith("needs 20 slots; there is room at 1.011, but ")
                .endsWith(" there shares no universe with it");
    }

    @Test
    void thereIsNoRoomAtAllAndThatIsCertain() {
        Plan plan = place(add(empty(), type("a", 300), 2, 1), 1, 1, StartAddress.of(1, 1));
        AddressProposal proposal = propose(plan, ONE.withStyle(Style.FEWEST_UNIVERSES));
        assertThat(proposal.certain()).isTrue();
        assertThat(ProposalText.certainty(proposal)).isEqualTo("No plan for this wish places more of them.");
        assertThat(ProposalText.sentence(proposal.leftOut().get(0)))
                .isEqualTo("needs 300 slots; the longest run open to it is 212 slots at 1.301");
    }

    @Test
    void whoFindsNoPlaceKeepsTheAddressAndOthersKeepAway() {
        Plan plan = place(
                place(add(empty(), type("a", 300), 2, 1), 1, 1, StartAddress.of(1, 1)), 2, 1, StartAddress.of(2, 1));
        AddressProposal proposal =
                Planner.propose(plan, new PlacementRequest(Scope.ALL, Set.of(), ONE.withStyle(Style.FEWEST_UNIVERSES)));
        assertThat(proposal.leftOut()).hasSize(1);
        assertThat(ProposalText.sentence(proposal.leftOut().get(0))).endsWith("; it stays at 2.001");
        assertThat(ProposalText.headline(proposal)).contains("1 finds no place");
    }

    private static LeftOut only(Plan plan, Wish wish) {
        List<LeftOut> left = propose(plan, wish).leftOut();
        assertThat(left).hasSize(1);
        return left.get(0);
    }

    private static Obstacle.NoRoom noRoom(int first, int last) {
        return new Obstacle.NoRoom(Optional.of(new FreeRun(UniverseNumber.of(1), new SlotRange(first, last))));
    }

    /** Holes of 10, 30, 30 and 20 slots. */
    @Test
    void theLongestHoleIsToldTheFirstOfEqualOnes() {
        Plan plan = reserve(
                reserve(reserve(reserve(add(empty(), type("a", 40), 1, 1), 11, 20), 51, 60), 91, 100), 121, 512);
        assertThat(only(plan, ONE).obstacle()).isEqualTo(noRoom(21, 50));
    }

    @Test
    void whatIsAsLongAsAUniverseIsNotTooLongForIt() {
        Plan plan = reserve(add(empty(), type("a", 512), 1, 1), 1, 1);
        assertThat(only(plan, ONE).obstacle()).isEqualTo(noRoom(2, 512));
        assertThat(only(plan, ONE.withHeadroom(Headroom.ofSlots(1))).obstacle()).isEqualTo(new Obstacle.TooLong(511));
    }

    @Test
    void aWishThatAllowsNothingFromItsStartOnAllowsNoUniverse() {
        Plan plan = add(empty(), type("a", 10), 1, 1);
        assertThat(only(plan, ONE.within(StartAddress.of(3, 1), UniverseSet.of(1, 1)))
                        .obstacle())
                .isEqualTo(new Obstacle.NoUniverse());
    }

    @Test
    void eachOfItsRunsWouldFitAloneButNotBoth() {
        Plan plan = reserve(add(empty(), type("a", 60, 60), 1, 1), 101, 512);
        Wish apart = ONE.withStyle(Style.FEWEST_UNIVERSES).withBlocks(Blocks.OWN_RUN);
        assertThat(only(plan, apart).obstacle()).isEqualTo(new Obstacle.NotTogether(2, StartAddress.of(1, 1)));
    }

    /** The run that has no place tells the reason, not the first of them. */
    @Test
    void ofSeveralRunsTheOneWithoutAPlaceTellsTheReason() {
        Plan plan = reserve(add(empty(), type("a", 20, 300), 1, 1), 101, 512);
        Wish apart = ONE.withStyle(Style.FEWEST_UNIVERSES).withBlocks(Blocks.OWN_RUN);
        LeftOut left = only(plan, apart);
        assertThat(left.obstacle()).isEqualTo(noRoom(1, 100));
        assertThat(left.slots()).isEqualTo(300);
        Plan long2 = add(empty(), type("a", 20, 500), 1, 1);
        assertThat(only(long2, apart.withHeadroom(Headroom.ofSlots(20))).obstacle())
                .isEqualTo(new Obstacle.TooLong(492));
    }
}
