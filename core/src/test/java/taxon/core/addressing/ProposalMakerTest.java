package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.apply;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.type;
import static taxon.core.testing.Rigs.typeReachedBy;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.AddressProposal.Totals;
import taxon.core.addressing.answer.Obstacle;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.answer.Reason;
import taxon.core.addressing.answer.Trouble;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.text.ProposalText;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.fixture.Facts.Reach;
import taxon.core.proof.Price;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.Share;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Style;

/** What a proposal says of itself: how many, what they cost, what is taken then, and what is left to do. */
class ProposalMakerTest {
    private static final Wish IN_ORDER = Wish.USUAL.withStyle(Style.IN_ORDER);
    private static final Wish ON_ONE = IN_ORDER.within(StartAddress.of(1, 1), UniverseSet.of(1, 1));

    private static AddressProposal propose(Plan plan, Wish wish, Scope scope) {
        return Planner.propose(plan, new PlacementRequest(scope, Set.of(), wish));
    }

    private static BlockRef ref(int fixture, int block) {
        return new BlockRef(FixtureKey.of(fixture), block);
    }

    private static Plan set(Plan plan, int fixture, String mode) {
        StartAddress at = plan.block(ref(fixture, 1)).orElseThrow().start().orElseThrow();
        return plan.with(BlockEvidence.none(ref(fixture, 1)).withSet(new Mark(at, mode, Instant.EPOCH, "crew")));
    }

    private static Plan reserve(Plan plan, int first, int last) {
        return plan.with(new ReservedRun(1, UniverseNumber.of(1), new SlotRange(first, last), "kept"));
    }

    /** Fixtures of two blocks, counted once each. */
    @ParameterizedTest
    @CsvSource({
        "IN_ORDER, 1, 1 fixture from 1.001",
        "IN_ORDER, 2, 2 fixtures from 1.001",
        "FEWEST_UNIVERSES, 2, 2 fixtures on the fewest universes",
        "LEAST_CHANGE, 2, 2 fixtures with the least change",
        "COMPACT_BY_PORT, 2, 2 fixtures port by port"
    })
    void theTitleCountsFixturesAndNamesTheStyle(Style style, int count, String title) {
        Plan plan = add(empty(), type("double", 10, 5), count, 1);
        assertThat(propose(plan, Wish.USUAL.withStyle(style), Scope.ALL).title())
                .isEqualTo(title);
    }

    /** Slots of those who were there already count, reserved ones are neither taken nor free. */
    @Test
    void theTotalsAreOfTheRigAsItIsThen() {
        Plan there = place(add(empty(), type("there", 10), 1, 1), 1, 1, StartAddress.of(1, 401));
        Plan plan = reserve(add(there, type("new", 20), 2, 2), 501, 512);
        assertThat(propose(plan, ON_ONE, Scope.UNPLACED).totals()).isEqualTo(new Totals(1, 50, 512 - 12 - 50));
        Plan further = place(plan, 1, 1, StartAddress.of(2, 1));
        assertThat(propose(further, ON_ONE, Scope.UNPLACED).totals()).isEqualTo(new Totals(2, 50, 2 * 512 - 12 - 50));
    }

    @Test
    void slotsThatTwoShareCountOnce() {
        TreeSet<BlockRef> both = new TreeSet<>(List.of(ref(1, 1), ref(2, 1)));
        Plan plan = add(empty(), type("twin", 10), 2, 1).with(new Share(1, both, "twins"));
        assertThat(propose(plan, ON_ONE, Scope.ALL).totals()).isEqualTo(new Totals(1, 10, 502));
    }

    /** Two that were set move, one that was only planned, and one gets its first address; a fifth stays. */
    @Test
    void thePriceCountsEachFixtureOnce() {
        Plan plan = add(empty(), type("double", 5, 5), 5, 1);
        int[] firsts = {101, 201, 301, 0, 41};
        for (int i = 0; i < firsts.length; i++) {
            for (int block = 1; block <= 2 && firsts[i] > 0; block++) {
                plan = place(plan, i + 1, block, StartAddress.of(1, firsts[i] + 5 * (block - 1)));
            }
        }
        AddressProposal proposal = propose(set(set(plan, 1, "only"), 3, "only"), ON_ONE, Scope.ALL);
        assertThat(proposal.price()).isEqualTo(new Price(2, 1, 1));
        assertThat(proposal.moves()).hasSize(8);
        assertThat(proposal.staying()).isEqualTo(2);
    }

    /** Whose mode differs and who moves is set anew anyway; of whom nothing is known nothing is said. */
    @Test
    void whoStaysAndWasSetToAnotherModeIsNamed() {
        Plan plan = add(empty(), type("t", 10), 4, 1);
        int[] firsts = {1, 200, 21, 31};
        for (int i = 0; i < firsts.length; i++) {
            plan = place(plan, i + 1, 1, StartAddress.of(1, firsts[i]));
        }
        assertThat(propose(plan, ON_ONE, Scope.ALL).modesToSet()).isEmpty();
        Plan known = set(set(set(plan, 1, "other"), 2, "other"), 3, "only");
        assertThat(propose(known, ON_ONE, Scope.ALL).modesToSet())
                .extracting(f -> f.key().number())
                .containsExactly(1);
    }

    /** One of three fits; with one that no universe ever reaches, which every plan leaves out. */
    @Test
    void thatNobodyElseCouldBePlacedIsSaidOfThoseWhoCouldBeAskedFor() {
        Wish fewest = ON_ONE.withStyle(Style.FEWEST_UNIVERSES);
        Plan plan = add(empty(), type("long", 300), 3, 1);
        AddressProposal three = propose(plan, fewest, Scope.ALL);
        assertThat(three.leftOut()).hasSize(2);
        assertThat(three.certain()).isTrue();
        assertThat(three.optimum()).isInstanceOf(Optimum.Unclaimed.class);
        AddressProposal four = propose(add(plan, typeReachedBy(Reach.APP_ONLY, "app", 5), 1, 4), fewest, Scope.ALL);
        assertThat(four.leftOut()).hasSize(3);
        assertThat(four.leftOut().get(0).obstacle()).isEqualTo(new Obstacle.NeverHears());
        assertThat(four.certain()).isTrue();
    }

    /** The third one's first block of 200 slots finds no room: its second block does not join the others. */
    @Test
    void onlyWhoIsPlacedActsAsOneWithTheOthers() {
        Plan plan = add(empty(), type("double", 200, 10), 3, 1);
        Plan after = apply(
                plan, propose(plan, ON_ONE.withBlocks(Blocks.SHARE), Scope.ALL).edit());
        assertThat(after.shares())
                .singleElement()
                .satisfies(s -> assertThat(s.blocks()).containsExactlyInAnyOrder(ref(1, 2), ref(2, 2)));
    }

    @Test
    void whereOneAloneIsPlacedNobodyActsAsOne() {
        Plan plan = add(empty(), type("double", 300, 10), 2, 1);
        AddressProposal proposal = propose(plan, ON_ONE.withBlocks(Blocks.SHARE), Scope.ALL);
        assertThat(proposal.leftOut()).hasSize(1);
        assertThat(apply(plan, proposal.edit()).shares()).isEmpty();
    }

    /** The first would push the second off the universe that it is on: it is left out itself, and the second stays. */
    @Test
    void whoWouldLoseItsAddressStaysAndIsCountedAmongThoseThatDo() {
        Plan plan = add(add(empty(), type("first", 300), 1, 1), type("second", 301), 1, 2);
        AddressProposal proposal = propose(place(plan, 2, 1, StartAddress.of(1, 100)), ON_ONE, Scope.ALL);
        assertThat(proposal.moves()).isEmpty();
        assertThat(proposal.stays()).extracting(b -> b.ref()).containsExactly(ref(2, 1));
        assertThat(proposal.leftOut()).extracting(l -> l.fixture().key()).containsExactly(FixtureKey.of(1));
        // Laid in order, nobody has looked whether both could be placed.
        assertThat(proposal.certain()).isFalse();
    }

    /** Behind the first 93 slots are left, and 95 are needed; in front of the run there is room, out of order. */
    @Test
    void whoCannotStayAndHasNoRoomInOrderTakesWhatIsLeftAndSaysWhatItLeaves() {
        Plan rig = reserve(add(add(empty(), type("first", 300), 1, 1), type("second", 95), 1, 2), 101, 119);
        AddressProposal proposal = propose(place(rig, 2, 1, StartAddress.of(9, 1)), ON_ONE, Scope.ALL);
        assertThat(proposal.leftOut()).isEmpty();
        assertThat(proposal.moves())
                .filteredOn(m -> m.ref().equals(ref(2, 1)))
                .singleElement()
                .satisfies(m -> {
                    assertThat(m.before()).isEqualTo(Optional.of(StartAddress.of(9, 1)));
                    assertThat(m.after()).isEqualTo(StartAddress.of(1, 1));
                    assertThat(m.reason()).isEqualTo(new Reason.Leaves(new Trouble.NotAllowed(UniverseNumber.of(9))));
                });
        assertThat(proposal.price()).isEqualTo(new Price(0, 1, 1));
        assertThat(goodness(Style.IN_ORDER, proposal))
                .isEqualTo("as the order has it, but for 1 fixture in what is left");
    }

    private static String goodness(Style style, AddressProposal proposal) {
        return ProposalText.goodness(Planner.price(style, proposal));
    }

    @Test
    void ofAStyleNoMoreIsSaidThanItsProposalClaims() {
        Plan plan = add(empty(), type("long", 300), 3, 1);
        Wish fewest = ON_ONE.withStyle(Style.FEWEST_UNIVERSES);
        assertThat(goodness(Style.IN_ORDER, propose(plan, IN_ORDER, Scope.ALL))).isEqualTo("as the order has it");
        Plan app = add(plan, typeReachedBy(Reach.APP_ONLY, "app", 5), 1, 4);
        assertThat(goodness(Style.IN_ORDER, propose(app, IN_ORDER, Scope.ALL))).isEqualTo("as the order has it");
        assertThat(goodness(Style.IN_ORDER, propose(plan, ON_ONE, Scope.ALL)))
                .isEqualTo("another plan may place more of them");
        assertThat(goodness(Style.FEWEST_UNIVERSES, propose(plan, fewest, Scope.ALL)))
                .isEqualTo("no plan places more of them");
        assertThat(goodness(
                        Style.FEWEST_UNIVERSES, propose(plan, IN_ORDER.withStyle(Style.FEWEST_UNIVERSES), Scope.ALL)))
                .isEqualTo("3 universes, the fewest there can be");
    }

    /** What least change leaves its place is no fixture out of its turn. */
    @Test
    void onlyAPlanInOrderHasAnOrderToLeave() {
        Plan plan = place(add(empty(), type("t", 10), 1, 1), 1, 1, StartAddress.of(9, 1));
        Wish least = ON_ONE.withStyle(Style.LEAST_CHANGE);
        assertThat(Planner.price(Style.LEAST_CHANGE, propose(plan, least, Scope.ALL))
                        .outOfOrder())
                .isZero();
    }
}
