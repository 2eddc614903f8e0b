package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.apply;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.type;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.AddressProposal.Move;
import taxon.core.addressing.answer.Reason;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.KeptWish;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.edit.LockEdits;
import taxon.core.rig.wish.Wish;

/** Blocks that someone moves together, and blocks that someone puts to a slot. */
class ByHandTest {
    private static StartAddress at(int universe, int slot) {
        return StartAddress.of(universe, slot);
    }

    private static BlockRef ref(int fixture, int block) {
        return new BlockRef(FixtureKey.of(fixture), block);
    }

    private static PlannedBlock block(Plan plan, int fixture, int block) {
        return plan.block(ref(fixture, block)).orElseThrow();
    }

    private static Set<FixtureKey> keys(int... numbers) {
        return IntStream.of(numbers).mapToObj(FixtureKey::of).collect(Collectors.toSet());
    }

    /** 1 and 2 beside each other, 3 at the end of another universe, 4 in the way, 5 without an address; ten slots each. */
    private static Plan rig() {
        Plan plan = add(empty(), type("t", 10), 5, 1);
        plan = place(place(plan, 1, 1, at(1, 1)), 2, 1, at(1, 11));
        return place(place(plan, 3, 1, at(2, 500)), 4, 1, at(1, 101));
    }

    private static Map<BlockRef, StartAddress> moved(int universe, int slot) {
        Plan plan = rig();
        return Shift.of(Stream.of(1, 2, 3).map(k -> block(plan, k, 1)).toList(), block(plan, 1, 1), at(universe, slot));
    }

    @Test
    void allKeepTheirDistancesFromTheOneThatIsHeld() {
        assertThat(moved(1, 5)).isEqualTo(Map.of(ref(1, 1), at(1, 5), ref(2, 1), at(1, 15), ref(3, 1), at(2, 504)));
        assertThat(moved(4, 1)).isEqualTo(Map.of(ref(1, 1), at(4, 1), ref(2, 1), at(4, 11), ref(3, 1), at(5, 500)));
    }

    @Test
    void whoWouldLeaveItsUniverseOrAllUniversesHasNoPlace() {
        assertThat(moved(1, 13)).containsOnlyKeys(ref(1, 1), ref(2, 1), ref(3, 1));
        assertThat(moved(1, 14)).containsOnlyKeys(ref(1, 1), ref(2, 1));
        assertThat(moved(UniverseNumber.LAST, 1)).containsOnlyKeys(ref(1, 1), ref(2, 1));
    }

    @Test
    void onlyWhatHasAnAddressIsMoved() {
        assertThat(Shift.blocks(rig(), keys(1, 5))).containsExactly(block(rig(), 1, 1));
    }

    private static boolean fits(int universe, int slot) {
        return Shift.fits(rig(), keys(1, 2), block(rig(), 1, 1), at(universe, slot));
    }

    @Test
    void theyFitWhereAllOfThemFitBesideTheOthersTheirOwnSlotsAmongThem() {
        assertThat(List.of(fits(1, 1), fits(1, 5), fits(1, 81), fits(1, 111), fits(1, 493), fits(7, 1)))
                .containsOnly(true);
        assertThat(List.of(fits(1, 82), fits(1, 101), fits(1, 110), fits(1, 494), fits(2, 481)))
                .containsOnly(false);
    }

    @Test
    void theMoveIsAProposalThatLeavesLockedFixturesWhereTheyAre() {
        AddressProposal both = Shift.propose(rig(), keys(1, 2), block(rig(), 1, 1), at(3, 201));
        assertThat(both.moves().stream().map(Move::after)).containsExactly(at(3, 201), at(3, 211));
        assertThat(both.moves()).allSatisfy(m -> assertThat(m.reason()).isEqualTo(new Reason.ByHand()));
        Plan locked = apply(rig(), LockEdits.lock(keys(2), true));
        AddressProposal one = Shift.propose(locked, keys(1, 2), block(locked, 1, 1), at(3, 201));
        assertThat(one.moves().stream().map(Move::ref)).containsExactly(ref(1, 1));
        assertThat(apply(locked, one.edit()).block(ref(2, 1)).orElseThrow().start())
                .contains(at(1, 11));
    }

    @Test
    void whatIsPutSomewhereIsAskedForInOrderFromThereWithinTheUniversesOfTheWish() {
        Wish wish = Wish.USUAL.within(at(1, 1), UniverseSet.of(1, 3));
        var request = PlaceAt.from(rig().with(KeptWish.inForce("narrow", wish)), keys(5), at(2, 7));
        assertThat(request.scope()).isEqualTo(Scope.CHOSEN);
        assertThat(request.chosen()).isEqualTo(keys(5));
        assertThat(request.wish().from()).isEqualTo(at(2, 7));
        assertThat(request.wish().universes()).isEqualTo(UniverseSet.of(1, 3));
        assertThat(PlaceAt.from(rig(), keys(5), at(2, 7)).wish().universes()).isEqualTo(UniverseSet.ALL);
    }

    private static Optional<StartAddress> put(Plan plan, int fixture, int block, StartAddress to) {
        return PlaceAt.exactly(plan, block(plan, fixture, block), to)
                .flatMap(e ->
                        apply(plan, e).block(ref(fixture, block)).orElseThrow().start());
    }

    @Test
    void aBlockIsPutExactlyThereOrNowhere() {
        assertThat(put(rig(), 5, 1, at(1, 91))).contains(at(1, 91));
        assertThat(put(rig(), 5, 1, at(1, 92))).isEmpty();
        assertThat(put(rig(), 5, 1, at(1, 111))).contains(at(1, 111));
    }

    @Test
    void theOtherBlocksComeWithTheFirstAndALaterOneGoesAlone() {
        Plan plan = add(rig(), type("box", 20, 4), 1, 6);
        Plan both =
                apply(plan, PlaceAt.exactly(plan, block(plan, 6, 1), at(3, 51)).orElseThrow());
        assertThat(both.fixture(FixtureKey.of(6)).orElseThrow().addresses())
                .isEqualTo(Map.of(1, at(3, 51), 2, at(3, 71)));
        Plan half = place(plan, 6, 1, at(3, 51));
        assertThat(put(half, 6, 2, at(1, 97))).contains(at(1, 97));
        assertThat(put(half, 6, 2, at(1, 98))).isEmpty();
        assertThat(put(half, 6, 2, at(3, 68))).as("on its own first block").isEmpty();
        assertThat(put(half, 6, 2, at(3, 71))).contains(at(3, 71));
    }
}
