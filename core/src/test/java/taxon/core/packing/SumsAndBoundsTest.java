package taxon.core.packing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.testing.Rigs;

/** The small parts that searches are made of, each against its definition. */
class SumsAndBoundsTest {
    static LongStream seeds() {
        return Rigs.seeds(200);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void sumsAreThoseThatCanBeReached(long seed) {
        Random random = new Random(seed);
        int limit = random.nextInt(300);
        Sums sums = Sums.none(limit);
        BitSet known = new BitSet();
        known.set(0);
        for (int kind = 0; kind < 1 + random.nextInt(4); kind++) {
            int size = 1 + random.nextInt(130);
            int count = random.nextInt(6);
            sums = sums.with(size, count);
            BitSet before = (BitSet) known.clone();
            IntStream.rangeClosed(0, count)
                    .forEach(n -> before.stream().map(s -> s + n * size).forEach(known::set));
        }
        for (int high = -2; high <= limit; high++) {
            int expected = high < 0 ? -1 : known.previousSetBit(high);
            assertThat(sums.highestUpTo(high)).as("up to " + high).isEqualTo(expected);
            int low = random.nextInt(limit + 1);
            int first = known.nextSetBit(low);
            assertThat(sums.meets(low, high)).as(low + " to " + high).isEqualTo(first >= 0 && first <= high);
        }
        assertThat(sums.meets(-5, limit + 500)).isTrue();
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theKnapsackIsWorthTheMostForEveryWidth(long seed) {
        Random random = new Random(seed);
        int kinds = 1 + random.nextInt(3);
        int[] steps = random.ints(kinds, 1, 9).toArray();
        int[] counts = random.ints(kinds, 0, 5).toArray();
        double[] worths = random.ints(kinds, 0, 9).asDoubleStream().toArray();
        Knapsack.Best best = new Knapsack(steps, counts, 20).best(worths);
        for (int width = 0; width <= 20; width++) {
            assertThat(best.worth(width)).isEqualTo(most(steps, counts, worths, 0, width));
            int[] runs = best.runs(width);
            assertThat(IntStream.range(0, kinds).map(k -> runs[k] * steps[k]).sum())
                    .isLessThanOrEqualTo(width);
            assertThat(IntStream.range(0, kinds)
                            .mapToDouble(k -> runs[k] * worths[k])
                            .sum())
                    .isEqualTo(best.worth(width));
            assertThat(IntStream.range(0, kinds).allMatch(k -> runs[k] >= 0 && runs[k] <= counts[k]))
                    .isTrue();
        }
    }

    private static double most(int[] steps, int[] counts, double[] worths, int kind, int width) {
        if (kind == steps.length) {
            return 0;
        }
        return IntStream.rangeClosed(0, Math.min(counts[kind], width / steps[kind]))
                .mapToDouble(n -> n * worths[kind] + most(steps, counts, worths, kind + 1, width - n * steps[kind]))
                .max()
                .orElseThrow();
    }

    /** L2 as the book defines it, threshold by threshold. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void l2IsTheBestOverAllThresholds(long seed) {
        Random random = new Random(seed);
        int capacity = 10 + random.nextInt(60);
        int[] sizes = random.ints(random.nextInt(14), 0, capacity + 1).toArray();
        int best = 0;
        for (int k = 0; k <= capacity / 2; k++) {
            int threshold = k;
            long alone =
                    Arrays.stream(sizes).filter(s -> s > capacity - threshold).count();
            int[] apart = Arrays.stream(sizes)
                    .filter(s -> s <= capacity - threshold && s > capacity / 2)
                    .toArray();
            int middle = Arrays.stream(sizes)
                    .filter(s -> s <= capacity / 2 && s >= threshold)
                    .sum();
            int over = middle - (apart.length * capacity - Arrays.stream(apart).sum());
            int more = over <= 0 ? 0 : (over + capacity - 1) / capacity;
            best = (int) Math.max(best, alone + apart.length + more);
        }
        assertThat(LowerBounds.l2(sizes, capacity)).isEqualTo(best);
    }

    @Test
    void aGrainSaysWhereRunsBeginAndWhatTheyClaim() {
        Grain round = new Grain(5, true, 2);
        assertThat(IntStream.rangeClosed(1, 7).map(round::aligned)).containsExactly(1, 6, 6, 6, 6, 6, 11);
        assertThat(IntStream.rangeClosed(1, 11).filter(round::isStart)).containsExactly(1, 6, 11);
        assertThat(round.steps(3)).isEqualTo(1);
        assertThat(round.steps(4)).isEqualTo(2);
        assertThat(round.pace(4)).isEqualTo(10);
        assertThat(round.claims(4)).isEqualTo(6);
        assertThat(round.lastBefore(1, 20)).isEqualTo(17);
        Grain pitch = new Grain(5, false, 2);
        assertThat(pitch.aligned(4)).isEqualTo(4);
        assertThat(pitch.isStart(4)).isTrue();
        assertThat(pitch.claims(4)).isEqualTo(10);
        assertThat(pitch.lastBefore(1, 20)).isEqualTo(13);
        assertThatThrownBy(() -> new Grain(0, true, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Grain(1, true, -1)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void whatIsNoneIsRefused() {
        assertThatThrownBy(() -> new Hole(0, 3)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Hole(3, 2)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Hole(1, 3, 2, Hole.NOTHING)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Hole(1, 3, 4, 4)).isInstanceOf(IllegalArgumentException.class);
        assertThat(new Hole(1, 3, 4, 5).length()).isEqualTo(3);
        assertThatThrownBy(() -> new ItemKind(0, 0, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new ItemKind(1, -1, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new ItemKind(1, 0, -1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Bin(List.of(), -1)).isInstanceOf(IllegalArgumentException.class);
    }
}
