package taxon.core.packing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.packing.KeepMost.Interval;
import taxon.core.testing.Rigs;

/** Bounds, packing and keeping, against every possibility on small cases. */
class PackingTest {
    private static final Hole WHOLE = new Hole(1, 512);

    static LongStream seeds() {
        return Rigs.seeds(300);
    }

    /** The example of Martello and Toth: Knapsack Problems (1990), 8.3, from memory: nine items, L1 = 3, L2 = 4. */
    @Test
    void theBoundsGiveWhatTheBookGives() {
        int[] sizes = {70, 60, 50, 33, 33, 33, 11, 7, 3};
        assertThat(LowerBounds.l1(sizes, 100)).isEqualTo(3);
        assertThat(LowerBounds.l2(sizes, 100)).isEqualTo(4);
    }

    @Test
    void sizesAboveHalfLieApart() {
        int[] thirds = new int[9];
        Arrays.fill(thirds, 257);
        assertThat(LowerBounds.l1(thirds, 512)).isEqualTo(5);
        assertThat(LowerBounds.l2(thirds, 512)).isEqualTo(9);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void l2IsNeverBelowL1NorAboveTheFewest(long seed) {
        Random random = new Random(seed);
        int[] sizes = random.ints(1 + random.nextInt(8), 1, 60).toArray();
        int fewest = fewest(sizes, 60);
        assertThat(LowerBounds.l2(sizes, 60)).isBetween(LowerBounds.l1(sizes, 60), fewest);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void fewestBinsAreTheFewestOfAllWays(long seed) {
        Random random = new Random(seed);
        int[] sizes = random.ints(1 + random.nextInt(8), 1, 512).toArray();
        Packed packed = FewestBins.pack(
                Grain.FINEST,
                lots(sizes),
                List.of(),
                Collections.nCopies(sizes.length, new Bin(List.of(WHOLE), Bin.ANY_LOAD)),
                Effort.of(Effort.OF_A_REQUEST));
        assertThat(packed.isOptimal()).isTrue();
        assertThat(packed.used()).isEqualTo(fewest(sizes, 512));
    }

    @Test
    void aLineTakesNoMoreThanItsLoad() {
        Bin line = new Bin(List.of(WHOLE), 3);
        Packed packed = FewestBins.pack(
                Grain.FINEST,
                List.of(new ItemKind(10, 1, 10)),
                List.of(),
                Collections.nCopies(10, line),
                Effort.of(10_000));
        assertThat(packed.used()).isEqualTo(4);
        assertThat(packed.isOptimal()).isTrue();
    }

    @Test
    void whatFitsNowhereIsSaidToBeCertain() {
        Bin small = new Bin(List.of(new Hole(1, 10), new Hole(20, 25)), Bin.ANY_LOAD);
        Packed packed = FewestBins.pack(
                Grain.FINEST, List.of(new ItemKind(9, 0, 2)), List.of(small), List.of(), Effort.of(10_000));
        assertThat(packed.filling().isWhole()).isFalse();
        assertThat(packed.atLeast()).isPositive();
    }

    @Test
    void aVeryLargePuzzleIsPackedWithItsBoundAndEndsWithoutASearch() {
        Random random = new Random(7);
        int[] sizes = random.ints(20_000, 1, 200).toArray();
        Packed packed = FewestBins.pack(
                Grain.FINEST,
                lots(sizes),
                List.of(),
                Collections.nCopies(9_000, new Bin(List.of(WHOLE), Bin.ANY_LOAD)),
                Effort.of(Effort.OF_A_REQUEST));
        assertThat(packed.filling().isWhole()).isTrue();
        assertThat(packed.atLeast()).isLessThanOrEqualTo(packed.used());
    }

    private static Bin bin(int slots, int load) {
        return new Bin(List.of(new Hole(1, slots)), load);
    }

    private static int bound(List<ItemKind> kinds, List<Bin> given, List<Bin> others) {
        return FewestBins.bound(Grain.FINEST, kinds, given, others);
    }

    @Test
    void theBoundCountsLoadsThatTheGivenBinsDoNotTake() {
        List<ItemKind> loaded = List.of(new ItemKind(1, 2, 10));
        List<Bin> others = Collections.nCopies(9, bin(512, 4));
        assertThat(bound(loaded, List.of(bin(512, 5)), others)).isEqualTo(4);
        assertThat(bound(loaded, List.of(bin(512, 4)), others)).isEqualTo(4);
        assertThat(bound(loaded, List.of(bin(512, 3)), others)).isEqualTo(5);
        assertThat(bound(loaded, List.of(bin(512, 20)), others)).isZero();
        assertThat(bound(loaded, List.of(bin(512, 19)), others)).isEqualTo(1);
        assertThat(bound(loaded, List.of(), Collections.nCopies(3, bin(512, 4))))
                .isEqualTo(4);
        assertThat(bound(loaded, List.of(bin(512, 19)), List.of())).isEqualTo(1);
        assertThat(bound(loaded, List.of(), List.of(bin(512, 4), bin(512, 10)))).isEqualTo(2);
        assertThat(bound(loaded, List.of(), List.of(bin(512, 0), bin(512, 0)))).isEqualTo(3);
    }

    /** Three of 15 lie alone in bins of 20; the one of 10 fits the given hole of 10, or another bin. */
    @Test
    void theBoundTakesGivenHolesForBinsThatArePartFilled() {
        List<ItemKind> kinds = List.of(new ItemKind(15, 0, 3), new ItemKind(10, 0, 1));
        List<Bin> others = Collections.nCopies(6, bin(20, Bin.ANY_LOAD));
        assertThat(bound(kinds, List.of(bin(10, Bin.ANY_LOAD)), others)).isEqualTo(3);
        assertThat(bound(kinds, List.of(bin(9, Bin.ANY_LOAD)), others)).isEqualTo(4);
        assertThat(bound(kinds, List.of(), others)).isEqualTo(4);
        Bin two = new Bin(List.of(new Hole(1, 10), new Hole(12, 21)), Bin.ANY_LOAD);
        assertThat(bound(List.of(new ItemKind(10, 0, 4)), List.of(), Collections.nCopies(4, two)))
                .isEqualTo(2);
        assertThat(bound(kinds, List.of(), List.of(new Bin(List.of(), Bin.ANY_LOAD))))
                .isEqualTo(2);
        assertThat(bound(List.of(new ItemKind(15, 0, 0)), List.of(), List.of())).isZero();
    }

    @Test
    void othersAreTakenInTheOrderInWhichTheyArePreferredAndRoomierOnesWhereThatNeedsFewer() {
        List<ItemKind> one = List.of(new ItemKind(5, 0, 1));
        Packed preferred = FewestBins.pack(
                Grain.FINEST, one, List.of(), List.of(bin(6, Bin.ANY_LOAD), bin(20, Bin.ANY_LOAD)), Effort.of(10_000));
        assertThat(preferred.filling().byBin().get(0)).containsExactly(List.of(1));
        assertThat(preferred.used()).isEqualTo(1);
        Packed roomy = FewestBins.pack(
                Grain.FINEST,
                List.of(new ItemKind(5, 0, 4)),
                List.of(),
                List.of(bin(6, Bin.ANY_LOAD), bin(7, Bin.ANY_LOAD), bin(20, Bin.ANY_LOAD)),
                Effort.of(10_000));
        assertThat(roomy.filling().byBin().get(2)).containsExactly(List.of(4));
        assertThat(roomy.used()).isEqualTo(1);
        assertThat(roomy.isOptimal()).isTrue();
    }

    /** Two of 34 fill a bin of 100, as sums do not tell: 748 bins would hold them all in pieces. Most of it is too deep for a search. */
    @Test
    void whatALinearProgrammeForbidsIsCertain() {
        Packed packed = FewestBins.pack(
                Grain.FINEST,
                List.of(new ItemKind(34, 0, 2_200)),
                List.of(),
                Collections.nCopies(2_200, bin(100, Bin.ANY_LOAD)),
                Effort.of(Effort.OF_A_REQUEST));
        assertThat(packed.used()).isEqualTo(1_100);
        assertThat(packed.atLeast()).isEqualTo(1_100);
    }

    /** Runs cut out of full bins, in more bins than a search may go deep: fractions show the way that quick packings miss. */
    @Test
    void whatIsTooDeepForASearchIsRoundedFromFractions() {
        Random random = new Random(3);
        int[][] cuts = {{47, 31, 22}, {53, 26, 21}, {44, 37, 19}, {61, 39}, {29, 29, 42}, {33, 33, 34}, {48, 52}};
        int[] sizes = IntStream.range(0, 420)
                .mapToObj(i -> cuts[random.nextInt(cuts.length)])
                .flatMapToInt(Arrays::stream)
                .toArray();
        Packed packed = FewestBins.pack(
                Grain.FINEST,
                lots(sizes),
                List.of(),
                Collections.nCopies(500, bin(100, Bin.ANY_LOAD)),
                Effort.of(Effort.OF_A_REQUEST));
        assertThat(packed.filling().isWhole()).isTrue();
        assertThat(packed.used()).isEqualTo(420);
        assertThat(packed.atLeast()).isEqualTo(420);
    }

    private static List<ItemKind> lots(int[] sizes) {
        return IntStream.of(sizes)
                .boxed()
                .sorted(Collections.reverseOrder())
                .distinct()
                .map(s -> new ItemKind(
                        s, 0, (int) IntStream.of(sizes).filter(x -> x == s).count()))
                .toList();
    }

    /** By trying every way to put one after the other into a bin begun or a new one. */
    private static int fewest(int[] sizes, int capacity) {
        return fewest(sizes, 0, new ArrayList<>(), capacity, sizes.length);
    }

    private static int fewest(int[] sizes, int at, List<Integer> rooms, int capacity, int best) {
        if (rooms.size() >= best && at < sizes.length) {
            return best;
        }
        if (at == sizes.length) {
            return Math.min(best, rooms.size());
        }
        int found = best;
        for (int r = 0; r <= rooms.size(); r++) {
            List<Integer> then = new ArrayList<>(rooms);
            if (r == rooms.size()) {
                then.add(capacity - sizes[at]);
            } else if (rooms.get(r) >= sizes[at]) {
                then.set(r, rooms.get(r) - sizes[at]);
            } else {
                continue;
            }
            found = Math.min(found, fewest(sizes, at + 1, then, capacity, found));
        }
        return found;
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatIsKeptWeighsTheMostOfAllSubsets(long seed) {
        Random random = new Random(seed);
        int gap = random.nextInt(4);
        List<Interval> intervals = IntStream.range(0, 1 + random.nextInt(10))
                .mapToObj(i -> {
                    int first = 1 + random.nextInt(60);
                    return new Interval(first, first + random.nextInt(15), random.nextBoolean() ? 1 : 10);
                })
                .toList();
        List<Integer> kept = KeepMost.of(intervals, gap);
        long weight = kept.stream().mapToLong(i -> intervals.get(i).weight()).sum();
        assertThat(areApart(kept.stream().map(intervals::get).toList(), gap)).isTrue();
        assertThat(weight).isEqualTo(heaviest(intervals, gap));
    }

    private static long heaviest(List<Interval> intervals, int gap) {
        long best = 0;
        for (int set = 0; set < 1 << intervals.size(); set++) {
            int bits = set;
            List<Interval> some = IntStream.range(0, intervals.size())
                    .filter(i -> (bits >> i & 1) == 1)
                    .mapToObj(intervals::get)
                    .toList();
            if (areApart(some, gap)) {
                best = Math.max(best, some.stream().mapToLong(Interval::weight).sum());
            }
        }
        return best;
    }

    private static boolean areApart(List<Interval> intervals, int gap) {
        for (Interval one : intervals) {
            for (Interval two : intervals) {
                if (one != two && one.first() <= two.last() + gap && two.first() <= one.last() + gap) {
                    return false;
                }
            }
        }
        return true;
    }

    @Test
    void valuesThatCannotBeAreRefused() {
        assertThatThrownBy(() -> new Hole(5, 4)).hasMessageContaining("5 to 4");
        assertThatThrownBy(() -> new ItemKind(0, 0, 1)).hasMessageContaining("0 slots");
        assertThatThrownBy(() -> new Grain(0, false, 0)).hasMessageContaining("step 0");
        assertThatThrownBy(() -> new Bin(List.of(), -1)).hasMessageContaining("-1");
        assertThatThrownBy(() -> new Interval(3, 2, 1)).hasMessageContaining("3 to 2");
    }
}
