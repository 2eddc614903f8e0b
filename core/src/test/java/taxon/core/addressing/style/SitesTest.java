package taxon.core.addressing.style;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.type;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.packing.Effort;
import taxon.core.packing.site.Site;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.Share;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;

/** Universes as sites and back: who stays on them, who comes to lie where, and that nobody comes to lie there in half. */
class SitesTest {
    private static final Wish LEAST = Wish.USUAL.withStyle(Style.LEAST_CHANGE);

    private static Task asked(Plan plan, Wish wish, Integer... fixtures) {
        Set<FixtureKey> keys = new TreeSet<>();
        List.of(fixtures).forEach(f -> keys.add(FixtureKey.of(f)));
        return Task.of(plan, new PlacementRequest(Scope.CHOSEN, keys, wish), Set.of(), Effort.of(Effort.OF_A_REQUEST));
    }

    /** With everybody seated where he is, so many universes being there. */
    private static Sites.Placed seated(Task task, int universes) {
        List<CurrentPlace> places = CurrentPlaces.of(task);
        Sites sites = new Sites(task.base(), task.open());
        sites.seat(places);
        sites.add(IntStream.rangeClosed(1, universes).boxed().toList(), 0);
        return sites.fill(places, task.effort());
    }

    /** With nobody seated. */
    private static Sites.Placed laid(Task task, int universes) {
        Sites sites = new Sites(task.base(), task.open());
        sites.add(IntStream.rangeClosed(1, universes).boxed().toList(), 0);
        return sites.fill(List.of(), task.effort());
    }

    private static BlockRef ref(int fixture, int block) {
        return new BlockRef(FixtureKey.of(fixture), block);
    }

    private static Plan set(Plan plan, int fixture, StartAddress at) {
        return place(plan, fixture, 1, at)
                .with(BlockEvidence.none(ref(fixture, 1)).withSet(new Mark(at, "only", Instant.EPOCH, "crew")));
    }

    @Test
    void whoIsInNobodysWayStays() {
        Plan plan = add(add(empty(), type("a", 10), 1, 1), type("b", 20), 1, 2);
        Plan placed = place(place(plan, 1, 1, StartAddress.of(1, 50)), 2, 1, StartAddress.of(2, 300));
        Sites.Placed stays = seated(asked(placed, LEAST, 1, 2), 2);
        assertThat(stays.stay()).containsExactly(0, 1);
        assertThat(stays.starts()).isEmpty();
        assertThat(stays.filling().cost()).isEqualTo(-2L * Site.UNIT);
        assertThat(stays.filling().atLeast()).isEqualTo(-2L * Site.UNIT);
    }

    /** Ten points for the one that somebody set, one for the other. */
    @Test
    void ofTwoInEachOthersWayTheOneThatIsWorthMoreStays() {
        Plan plan = add(empty(), type("a", 10), 2, 1);
        Plan placed = set(place(plan, 1, 1, StartAddress.of(1, 15)), 2, StartAddress.of(1, 10));
        Sites.Placed stays = seated(asked(placed, LEAST, 1, 2), 1);
        assertThat(stays.stay()).containsExactly(1);
        assertThat(stays.starts()).containsOnlyKeys(0);
        assertThat(stays.filling().cost()).isEqualTo(-10L * Site.UNIT);
    }

    /** The second block is in the way of one that was set: the first lies well and is not moved, but the fixture does not stay. */
    @Test
    void aFixtureStaysWithAllItsBlocksOrNot() {
        Plan plan = add(add(empty(), type("double", 10, 20), 1, 1), type("single", 30), 1, 2);
        Plan placed = set(
                place(place(plan, 1, 1, StartAddress.of(1, 1)), 1, 2, StartAddress.of(1, 101)),
                2,
                StartAddress.of(1, 105));
        Sites.Placed stays = seated(asked(placed, LEAST.withBlocks(Blocks.OWN_RUN), 1, 2), 1);
        assertThat(stays.stay()).containsExactly(1);
        assertThat(stays.starts()).hasSize(2).containsEntry(0, StartAddress.of(1, 1));
    }

    private static Plan twins(int first, int second) {
        Plan plan = add(empty(), type("twin", 10), 2, 1);
        return place(place(plan, 1, 1, StartAddress.of(1, first)), 2, 1, StartAddress.of(1, second))
                .with(new Share(1, new TreeSet<>(List.of(ref(1, 1), ref(2, 1))), "twins"));
    }

    @Test
    void twoAtTheAddressThatTheyShareAreSeatedOnceAndBothStay() {
        Sites.Placed stays = seated(asked(twins(101, 101), LEAST, 1, 2), 1);
        assertThat(stays.stay()).containsExactly(0, 1);
        assertThat(stays.starts()).isEmpty();
    }

    @Test
    void whoGoesWhereAFixedOneLiesWithWhichItSharesIsNotSeatedAndStays() {
        Sites.Placed stays = seated(asked(twins(101, 101), LEAST, 2), 1);
        assertThat(stays.stay()).containsExactly(0);
    }

    @Test
    void sitesSayAllOfWholePiecesThatNobodyShares() {
        Plan plain = place(add(empty(), type("double", 10, 20), 1, 1), 1, 1, StartAddress.of(1, 1));
        Plan close = place(plain, 1, 2, StartAddress.of(1, 11));
        Plan torn = place(plain, 1, 2, StartAddress.of(1, 12));
        assertThat(Sites.describe(CurrentPlaces.of(asked(close, LEAST, 1)))).isTrue();
        assertThat(Sites.describe(CurrentPlaces.of(asked(torn, LEAST, 1)))).isFalse();
        assertThat(Sites.describe(CurrentPlaces.of(asked(twins(1, 1), LEAST, 1, 2))))
                .isFalse();
    }

    @Test
    void aUniverseIsOpenToTheClassThatIsThereAlone() {
        Plan plan = add(add(empty(), type("a", 10), 2, 1), type("b", 10), 2, 3);
        Plan placed = place(place(plan, 1, 1, StartAddress.of(1, 1)), 3, 1, StartAddress.of(2, 1));
        Wish split = LEAST.withSplit(Split.TYPE, false);
        assertThat(laid(asked(placed, split, 2, 4), 2).starts())
                .isEqualTo(Map.of(0, StartAddress.of(1, 11), 1, StartAddress.of(2, 11)));
        Plan mixed = place(placed, 3, 1, StartAddress.of(1, 101));
        assertThat(laid(asked(mixed, split, 2), 2).starts()).isEqualTo(Map.of(0, StartAddress.of(2, 1)));
    }

    @Test
    void aFullUniverseIsNoSite() {
        Plan plan = place(add(add(empty(), type("all", 512), 1, 1), type("a", 10), 1, 2), 1, 1, StartAddress.of(1, 1));
        assertThat(laid(asked(plan, LEAST, 2), 2).starts()).isEqualTo(Map.of(0, StartAddress.of(2, 1)));
        assertThat(laid(asked(plan, LEAST, 2), 1).starts()).isEmpty();
    }

    /** Of three pieces that fit, two are those of one fixture. */
    @Test
    void roomIsGivenToWholeFixturesFirst() {
        Plan plan = add(empty(), type("double", 200, 100), 2, 1);
        Task task = asked(plan, LEAST.withBlocks(Blocks.OWN_RUN), 1, 2);
        Sites.Placed placed = laid(task, 1);
        assertThat(pieces(task, placed)).isEqualTo(Map.of(FixtureKey.of(1), 2L, FixtureKey.of(2), 1L));
        assertThat(placed.filling().leftAtLeast()).isEqualTo(1);
    }

    /** Both lie where openings are, the later one in front: neither is turned over for the order of the request. */
    @Test
    void whoLiesAtAnOpeningKeepsIt() {
        Plan plan = add(empty(), type("a", 10), 3, 1);
        Plan placed = place(place(plan, 1, 1, StartAddress.of(1, 11)), 2, 1, StartAddress.of(1, 1));
        assertThat(laid(asked(placed, LEAST, 1, 2, 3), 1).starts())
                .isEqualTo(Map.of(0, StartAddress.of(1, 11), 1, StartAddress.of(1, 1), 2, StartAddress.of(1, 21)));
    }

    /** Of 500 slots either fixture takes all: of four pieces two are left over, which are one fixture. */
    @Test
    void atLeastSoManyFixturesAreLeftOverNotPieces() {
        Plan plan = add(empty(), type("double", 300, 200), 2, 1);
        Task task = asked(plan, LEAST.withBlocks(Blocks.OWN_RUN), 1, 2);
        assertThat(laid(task, 1).filling().leftAtLeast()).isEqualTo(1);
        assertThat(laid(task, 2).filling().leftAtLeast()).isZero();
    }

    /** Three holes of 190, 190 and 100 slots: the first would need four and comes first, the second needs two. */
    @Test
    void whoCannotBePlacedWholeTakesNothingFromOneWhoCan() {
        Plan plan = add(add(empty(), type("four", 190, 100, 100, 100), 1, 1), type("two", 190, 100), 1, 2);
        plan = reserve(reserve(reserve(plan, 191, 201), 392, 400), 501, 512);
        Task task = asked(plan, LEAST.withBlocks(Blocks.OWN_RUN), 1, 2);
        Map<FixtureKey, Long> pieces = pieces(task, laid(task, 1));
        assertThat(pieces).containsEntry(FixtureKey.of(2), 2L);
    }

    private static Plan reserve(Plan plan, int first, int last) {
        int number = plan.reservedRuns().size() + 1;
        return plan.with(new ReservedRun(number, UniverseNumber.of(1), new SlotRange(first, last), "kept"));
    }

    /** How many pieces of each fixture come to lie somewhere. */
    private static Map<FixtureKey, Long> pieces(Task task, Sites.Placed placed) {
        return task.open().stream()
                .filter(p -> placed.starts().containsKey(p.index()))
                .collect(Collectors.groupingBy(p -> p.fixture().key(), Collectors.counting()));
    }
}
