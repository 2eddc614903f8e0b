package taxon.core.addressing.style;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.type;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import taxon.core.addressing.answer.Trouble;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.space.JobSpace;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.packing.Effort;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.Share;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;

/** Why a fixture cannot stay where it is, to the slot: fixture 1 is asked for, all others are fixed, where nothing else is said. */
class CurrentPlacesTest {
    private static final Wish LEAST = Wish.USUAL.withStyle(Style.LEAST_CHANGE);

    private static CurrentPlace first(Plan plan, Wish wish) {
        PlacementRequest request = new PlacementRequest(Scope.CHOSEN, Set.of(FixtureKey.of(1)), wish);
        return CurrentPlaces.of(Task.of(plan, request, Set.of(), Effort.of(Effort.OF_A_REQUEST)))
                .get(0);
    }

    private static Optional<Trouble> trouble(Plan plan, Wish wish) {
        return first(plan, wish).trouble();
    }

    /** Fixtures of these lengths, numbered from 1, of a type each; all are on universe 1. */
    private static Plan at(int[] lengths, int... slots) {
        Plan plan = empty();
        for (int i = 0; i < lengths.length; i++) {
            plan = add(plan, type("of-" + lengths[i] + "-" + i, lengths[i]), 1, i + 1);
            plan = place(plan, i + 1, 1, StartAddress.of(1, slots[i]));
        }
        return plan;
    }

    private static Plan one(int length, int slot) {
        return at(new int[] {length}, slot);
    }

    private static Plan two(int length, int slot, int other, int otherSlot) {
        return at(new int[] {length, other}, slot, otherSlot);
    }

    private static Plan reserve(Plan plan, int universe, int first, int last, String label) {
        int number = plan.reservedRuns().size() + 1;
        return plan.with(new ReservedRun(number, UniverseNumber.of(universe), new SlotRange(first, last), label));
    }

    @Test
    void pastTheLastSlotThatMayBeUsed() {
        Wish headroom = LEAST.withHeadroom(Headroom.ofSlots(12));
        assertThat(trouble(one(20, 494), LEAST)).contains(new Trouble.PastEnd(513, 512));
        assertThat(trouble(one(20, 493), LEAST)).isEmpty();
        assertThat(trouble(one(10, 492), headroom)).contains(new Trouble.PastEnd(501, 500));
        assertThat(trouble(one(10, 491), headroom)).isEmpty();
    }

    @Test
    void outsideWhatIsAllowed() {
        Wish second = LEAST.within(StartAddress.of(1, 1), UniverseSet.of(2, 3));
        assertThat(trouble(one(10, 1), second)).contains(new Trouble.NotAllowed(UniverseNumber.of(1)));
        StartAddress from = StartAddress.of(1, 101);
        assertThat(trouble(one(10, 100), LEAST.within(from, UniverseSet.ALL))).contains(new Trouble.BeforeFirst(from));
        assertThat(trouble(one(10, 101), LEAST.within(from, UniverseSet.ALL))).isEmpty();
    }

    @Test
    void offTheRoundStarts() {
        Wish round = LEAST.withSpacing(new Spacing(0, Starts.ROUND, 10, false));
        assertThat(trouble(one(5, 12), round)).contains(new Trouble.OffStarts(12, 10));
        assertThat(trouble(one(5, 11), round)).isEmpty();
    }

    @Test
    void onAReservedRunWhichIsNamed() {
        Plan kept = reserve(reserve(one(10, 42), 1, 30, 35, "house"), 1, 51, 60, "blues");
        assertThat(trouble(kept, LEAST)).contains(new Trouble.Reserved("blues"));
        assertThat(trouble(reserve(reserve(one(10, 42), 2, 1, 512, "spare"), 1, 51, 60, "blues"), LEAST))
                .contains(new Trouble.Reserved("blues"));
        assertThat(trouble(reserve(one(10, 42), 1, 52, 60, "blues"), LEAST)).isEmpty();
        assertThat(trouble(reserve(one(10, 42), 1, 30, 42, "house"), LEAST)).contains(new Trouble.Reserved("house"));
        assertThat(trouble(reserve(one(10, 42), 1, 30, 41, "house"), LEAST)).isEmpty();
        assertThat(trouble(reserve(one(10, 42), 2, 42, 51, "house"), LEAST)).isEmpty();
    }

    private static String fullName(Plan plan, int fixture) {
        return plan.type(plan.fixture(FixtureKey.of(fixture)).orElseThrow()).fullName();
    }

    @Test
    void besideSomebodyFromWhomTheWishKeepsItApart() {
        Plan both = two(10, 1, 20, 300);
        assertThat(trouble(both, LEAST)).isEmpty();
        assertThat(trouble(both, LEAST.withSplit(Split.TYPE, false))).hasValueSatisfying(t -> {
            Trouble.Apart apart = (Trouble.Apart) t;
            assertThat(List.of(apart.here().of(), apart.other().of()))
                    .isEqualTo(List.of(fullName(both, 2), fullName(both, 1)));
        });
    }

    /** One of its own type is there, too; that one is not whom it is kept apart from. */
    @Test
    void ofSeveralOnTheUniverseTheOneOfAnotherClassIsNamed() {
        Plan plan = add(add(empty(), type("a", 10), 2, 1), type("b", 10), 1, 3);
        for (int fixture = 1; fixture <= 3; fixture++) {
            plan = place(plan, fixture, 1, StartAddress.of(1, 100 * fixture));
        }
        String other = fullName(plan, 3);
        assertThat(trouble(plan, LEAST.withSplit(Split.TYPE, false)))
                .hasValueSatisfying(
                        t -> assertThat(((Trouble.Apart) t).here().of()).isEqualTo(other));
    }

    @Test
    void onSlotsOfAnotherWhoIsNamed() {
        assertThat(trouble(two(10, 10, 10, 19), LEAST)).contains(new Trouble.Meets("2", 0));
        assertThat(trouble(two(10, 10, 10, 20), LEAST)).isEmpty();
        assertThat(trouble(two(10, 29, 10, 20), LEAST)).contains(new Trouble.Meets("2", 0));
        assertThat(trouble(two(10, 30, 10, 20), LEAST)).isEmpty();
    }

    @Test
    void nearerToAnotherThanTheGap() {
        Wish gap = LEAST.withSpacing(Spacing.ofGap(3));
        assertThat(trouble(two(10, 10, 10, 22), gap)).contains(new Trouble.Meets("2", 3));
        assertThat(trouble(two(10, 10, 10, 23), gap)).isEmpty();
        assertThat(trouble(two(10, 32, 10, 20), gap)).contains(new Trouble.Meets("2", 3));
        assertThat(trouble(two(10, 33, 10, 20), gap)).isEmpty();
    }

    @Test
    void ofTwoNeighboursTheOneThatIsTooNearIsNamed() {
        Plan three = at(new int[] {10, 10, 10}, 30, 20, 35);
        assertThat(trouble(three, LEAST)).contains(new Trouble.Meets("3", 0));
    }

    @Test
    void onALineThatIsFull() {
        Wish lines = LEAST.withStyle(Style.COMPACT_BY_PORT).withUnitsPerLine(Optional.of(2));
        assertThat(trouble(at(new int[] {10, 10, 10}, 1, 11, 21), lines)).contains(new Trouble.LineFull(3, 2));
        assertThat(trouble(two(10, 1, 10, 11), lines)).isEmpty();
    }

    private static Plan shared(int mine, int other) {
        TreeSet<BlockRef> both = new TreeSet<>(List.of(ref(1), ref(2)));
        Plan plan = add(empty(), type("twin", 10), 2, 1);
        return place(place(plan, 1, 1, StartAddress.of(1, mine)), 2, 1, StartAddress.of(1, other))
                .with(new Share(1, both, "twins"));
    }

    private static BlockRef ref(int fixture) {
        return new BlockRef(FixtureKey.of(fixture), 1);
    }

    @Test
    void apartFromThoseWhoseAddressItShares() {
        assertThat(trouble(shared(1, 101), LEAST)).contains(new Trouble.ShareApart());
        assertThat(trouble(shared(101, 101), LEAST)).isEmpty();
    }

    private static Plan ofTwoBlocks(StartAddress one, StartAddress other) {
        Plan plan = add(empty(), type("double", 10, 10), 1, 1);
        return place(place(plan, 1, 1, one), 1, 2, other);
    }

    @Test
    void inItsOwnWay() {
        assertThat(trouble(ofTwoBlocks(StartAddress.of(1, 1), StartAddress.of(1, 10)), LEAST))
                .contains(new Trouble.Meets("1", 0));
        assertThat(trouble(ofTwoBlocks(StartAddress.of(1, 10), StartAddress.of(1, 1)), LEAST))
                .contains(new Trouble.Meets("1", 0));
        assertThat(trouble(ofTwoBlocks(StartAddress.of(1, 1), StartAddress.of(1, 11)), LEAST))
                .isEmpty();
        assertThat(trouble(ofTwoBlocks(StartAddress.of(1, 1), StartAddress.of(2, 1)), LEAST))
                .isEmpty();
    }

    /** The gap is kept between fixtures, and between runs of their own: not inside one run. */
    @Test
    void blocksThatFollowEachOtherNeedNoGapAndThoseOfRunsOfTheirOwnDo() {
        Plan close = ofTwoBlocks(StartAddress.of(1, 1), StartAddress.of(1, 11));
        Wish gap = LEAST.withSpacing(Spacing.ofGap(5));
        assertThat(trouble(close, gap)).isEmpty();
        assertThat(trouble(close, gap.withBlocks(Blocks.OWN_RUN))).contains(new Trouble.Meets("1", 0));
        assertThat(trouble(close, LEAST.withBlocks(Blocks.OWN_RUN))).isEmpty();
    }

    @Test
    void laterBlocksThatAreKeptApartLieOnAnotherUniverse() {
        Wish own = LEAST.withBlocks(Blocks.OWN_UNIVERSE);
        assertThat(trouble(ofTwoBlocks(StartAddress.of(1, 1), StartAddress.of(1, 101)), own))
                .contains(new Trouble.Meets("1", 0));
        assertThat(trouble(ofTwoBlocks(StartAddress.of(1, 1), StartAddress.of(2, 1)), own))
                .isEmpty();
    }

    @Test
    void whoHasNoAddressIsNoPlaceAndTheOthersAreCountedFromNought() {
        Plan plan = place(add(empty(), type("t", 10), 3, 1), 3, 1, StartAddress.of(1, 50));
        Task task = asked(plan, LEAST);
        assertThat(CurrentPlaces.of(task)).singleElement().satisfies(p -> {
            assertThat(p.index()).isZero();
            assertThat(p.fixture().key()).isEqualTo(FixtureKey.of(3));
            assertThat(p.spots()).singleElement().satisfies(s -> {
                assertThat(s.universe()).isEqualTo(1);
                assertThat(s.first()).isEqualTo(50);
                assertThat(s.last()).isEqualTo(59);
            });
        });
    }

    /** Ten points for a unit that somebody set, one for an address that is only planned. */
    @Test
    void whatMovingCosts() {
        Plan plan = one(10, 1);
        Plan set = plan.with(
                BlockEvidence.none(ref(1)).withSet(new Mark(StartAddress.of(1, 1), "only", Instant.EPOCH, "crew")));
        assertThat(List.of(first(plan, LEAST).weight(), first(set, LEAST).weight()))
                .isEqualTo(List.of(1, 10));
    }

    private static List<CurrentPlace> all(Plan plan, Wish wish) {
        return CurrentPlaces.of(asked(plan, wish));
    }

    private static Task asked(Plan plan, Wish wish) {
        return Task.of(plan, new PlacementRequest(Scope.ALL, Set.of(), wish), Set.of(), Effort.of(Effort.OF_A_REQUEST));
    }

    private static boolean meet(Plan plan, Wish wish) {
        List<CurrentPlace> places = all(plan, wish);
        assertThat(places.get(0).meets(places.get(1))).isEqualTo(places.get(1).meets(places.get(0)));
        return places.get(0).meets(places.get(1));
    }

    @Test
    void twoWhoAreAskedForMeetOnOneSlotAndNotBesideEachOther() {
        assertThat(meet(two(10, 10, 10, 19), LEAST)).isTrue();
        assertThat(meet(two(10, 10, 10, 20), LEAST)).isFalse();
        assertThat(meet(two(10, 10, 10, 22), LEAST.withSpacing(Spacing.ofGap(3))))
                .isTrue();
        assertThat(meet(two(10, 10, 10, 23), LEAST.withSpacing(Spacing.ofGap(3))))
                .isFalse();
        assertThat(meet(two(10, 1, 20, 300), LEAST)).isFalse();
        assertThat(meet(two(10, 1, 20, 300), LEAST.withSplit(Split.TYPE, false)))
                .isTrue();
    }

    /** Two who act as one stay together or not at all. */
    @Test
    void twoWhoShareAnAddressMeetWhereTheyAreApart() {
        assertThat(meet(shared(101, 101), LEAST)).isFalse();
        assertThat(meet(shared(101, 102), LEAST)).isTrue();
        assertThat(meet(shared(101, 301), LEAST)).isTrue();
        Plan onTwo = place(shared(101, 101), 2, 1, StartAddress.of(2, 101));
        assertThat(meet(onTwo, LEAST)).isTrue();
        assertThat(all(onTwo, LEAST)).noneMatch(CurrentPlace::isPlain);
        assertThat(all(two(10, 1, 20, 300), LEAST)).allMatch(CurrentPlace::isPlain);
    }

    /** Only those who stay take room. */
    @Test
    void whoStaysIsSeatedAndNobodyElse() {
        Plan plan = at(new int[] {10, 10, 10}, 1, 101, 201);
        Task task = asked(plan, LEAST);
        JobSpace space = task.space();
        Set<Integer> kept = CurrentPlaces.seat(CurrentPlaces.of(task), Set.of(0, 2), space);
        assertThat(kept).containsExactlyInAnyOrder(0, 2);
        assertThat(IntStream.of(1, 101, 201).mapToObj(s -> space.universe(1).isFree(s, 10)))
                .containsExactly(false, true, false);
    }

    @Test
    void whoSharesAnAddressIsSeatedOnce() {
        Task task = asked(shared(101, 101), LEAST);
        JobSpace space = task.space();
        assertThat(CurrentPlaces.seat(CurrentPlaces.of(task), Set.of(0, 1), space))
                .containsExactly(0);
        assertThat(space.universe(1).used()).isEqualTo(10);
    }
}
