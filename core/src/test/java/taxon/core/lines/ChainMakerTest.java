package taxon.core.lines;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.lines.ChainTask.Limits;
import taxon.core.lines.Chains.Chain;
import taxon.core.network.CableRules;
import taxon.core.network.CableRules.First;
import taxon.core.network.CableRules.Order;
import taxon.core.testing.Rigs;

/** Chains against trying every division and every order. */
class ChainMakerTest {
    static LongStream seeds() {
        return Rigs.seeds(600);
    }

    static LongStream fewerSeeds() {
        return Rigs.seeds(300);
    }

    /** Every order of all units, cut everywhere, from every feed. */
    private static final class Tried {
        private final ChainTask task;
        private final boolean fewestLines;
        private Optional<long[]> best = Optional.empty();

        Tried(ChainTask task, boolean fewestLines) {
            this.task = task;
            this.fewestLines = fewestLines;
            cut((1 << task.units()) - 1, new int[task.feeds().size()], 0, 0);
        }

        private void cut(int left, int[] used, int lines, long cost) {
            if (left == 0) {
                long[] found = {lines, cost};
                if (best.isEmpty() || better(found, best.get())) {
                    best = Optional.of(found);
                }
                return;
            }
            int lowest = Integer.lowestOneBit(left);
            for (int set = left; set != 0; set = set - 1 & left) {
                for (int f = 0; (set & lowest) != 0 && f < used.length; f++) {
                    if (used[f] < task.feeds().get(f).lines()) {
                        long least = least(f, set);
                        if (least < Long.MAX_VALUE) {
                            used[f]++;
                            cut(left & ~set, used, lines + 1, cost + least);
                            used[f]--;
                        }
                    }
                }
            }
        }

        private boolean better(long[] one, long[] other) {
            return fewestLines && one[0] != other[0] ? one[0] < other[0] : one[1] < other[1];
        }

        private long least(int feed, int set) {
            int[] units = IntStream.range(0, task.units())
                    .filter(i -> (set >> i & 1) != 0)
                    .toArray();
            return permuted(feed, units, 0);
        }

        private long permuted(int feed, int[] units, int from) {
            if (from == units.length) {
                Chain chain = new Chain(feed, units.clone());
                return task.bears(chain) ? task.cost(chain) : Long.MAX_VALUE;
            }
            long best = Long.MAX_VALUE;
            for (int i = from; i < units.length; i++) {
                swap(units, from, i);
                best = Math.min(best, permuted(feed, units, from + 1));
                swap(units, from, i);
            }
            return best;
        }

        private static void swap(int[] units, int i, int j) {
            int held = units[i];
            units[i] = units[j];
            units[j] = held;
        }
    }

    private static void verify(ChainTask task, Chains answer) {
        assertThat(answer.chains()).allMatch(task::bears);
        assertThat(answer.chains().stream()
                        .flatMapToInt(c -> Arrays.stream(c.units()))
                        .sorted()
                        .toArray())
                .containsExactly(IntStream.range(0, task.units()).toArray());
        for (int f = 0; f < task.feeds().size(); f++) {
            int feed = f;
            assertThat(answer.chains().stream().filter(c -> c.feed() == feed).count())
                    .isLessThanOrEqualTo(task.feeds().get(f).lines());
        }
        assertThat(answer.chains().stream().mapToLong(task::cost).sum()).isEqualTo(answer.cost());
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void whatIsSaidToBeTheBestIsTheBest(long seed) {
        Random random = new Random(seed);
        ChainTask task = ChainTasks.random(random, 1 + random.nextInt(6), random.nextBoolean());
        First first = random.nextBoolean() ? First.FEWEST_LINES : First.LEAST_CABLE;
        Optional<long[]> best = new Tried(task, first == First.FEWEST_LINES).best;
        Optional<Chains> answer = ChainMaker.answer(task, Order.SHORTEST, first);
        assertThat(answer.isPresent()).isEqualTo(best.isPresent());
        answer.ifPresent(a -> {
            verify(task, a);
            assertThat(a.cost()).isEqualTo(best.orElseThrow()[1]);
            if (first == First.FEWEST_LINES) {
                assertThat((long) a.lines()).as("lines").isEqualTo(best.get()[0]);
            }
            assertThat(a.isProved()).isTrue();
        });
    }

    /** The bound alone, which is all that is known of large tasks. */
    @ParameterizedTest
    @MethodSource("seeds")
    void theBoundIsNeverAboveTheBest(long seed) {
        Random random = new Random(seed);
        ChainTask task = ChainTasks.random(random, 2 + random.nextInt(5), random.nextBoolean());
        new Tried(task, true)
                .best.ifPresent(b -> assertThat(ChainBound.of(task, (int) b[0], true, b[1] + 1_000_000))
                        .isLessThanOrEqualTo(b[1]));
        new Tried(task, false)
                .best.ifPresent(b -> assertThat(ChainBound.of(task, task.outlets(), false, b[1] + 1_000_000))
                        .isLessThanOrEqualTo(b[1]));
    }

    /** Larger than can be worked out: cut and bettered, within the limits, and never below its own bound. */
    @ParameterizedTest
    @MethodSource("seeds")
    void largeTasksKeepWithinTheLimits(long seed) {
        Random random = new Random(seed);
        ChainTask drawn = ChainTasks.random(random, 15 + random.nextInt(25), random.nextBoolean());
        ChainTask task = drawn.from(drawn.feeds().stream().map(f -> f.with(40)).toList())
                .within(new Limits(3 + random.nextInt(18), 256, 300_000));
        for (First first : First.values()) {
            for (Order order : Order.values()) {
                Chains answer = ChainMaker.answer(task, order, first).orElseThrow();
                verify(task, answer);
                assertThat(answer.least()).isLessThanOrEqualTo(answer.cost());
                assertThat(answer.fewest()).isLessThanOrEqualTo(answer.lines());
            }
        }
    }

    /** What is said to be proved is the best wherever splitters may be opened, not only where they were. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("fewerSeeds")
    void withSplittersWhatIsProvedHoldsWhereverTheyCouldBeOpened(long seed) {
        Random random = new Random(seed);
        ChainTask task = ChainTasks.random(random, 3 + random.nextInt(3), random.nextBoolean());
        ChainTask narrow = task.from(task.feeds().stream().map(f -> f.with(1)).toList());
        First first = random.nextBoolean() ? First.FEWEST_LINES : First.LEAST_CABLE;
        ChainTask widest =
                task.from(task.feeds().stream().map(f -> f.with(task.units())).toList());
        Optional<long[]> best = new Tried(widest, first == First.FEWEST_LINES).best;
        Optional<SplitAnswer> answer = SplitAnswer.of(narrow, rules(first));
        if (ChainMaker.answer(narrow, Order.SHORTEST, first).isPresent()) {
            return;
        }
        assertThat(best.isPresent() || answer.isEmpty()).isTrue();
        answer.map(SplitAnswer::chains).ifPresent(c -> {
            long[] least = best.orElseThrow();
            if (first == First.FEWEST_LINES) {
                assertThat((long) c.fewest()).isLessThanOrEqualTo(least[0]);
                assertThat(c.isProved() && c.lines() > least[0]).isFalse();
            }
            if (c.isProved()) {
                assertThat(c.cost()).isEqualTo(least[1]);
            }
        });
    }

    private static CableRules rules(First first) {
        CableRules usual = CableRules.USUAL;
        return new CableRules(
                usual.mostUnits(),
                usual.longest(),
                usual.slack(),
                Order.SHORTEST,
                first,
                usual.stock(),
                usual.trusses(),
                usual.splitterOutputs());
    }
}
