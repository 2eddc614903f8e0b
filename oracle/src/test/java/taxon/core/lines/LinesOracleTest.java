package taxon.core.lines;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import taxon.core.lines.ChainOracle.Best;
import taxon.core.lines.ChainTask.Limits;
import taxon.core.network.CableRules.First;
import taxon.core.network.CableRules.Order;

/**
 * Lines against another solver (OR-Tools, CP-SAT): what is said to be proved is the best, and no bound lies above it. More rigs
 * with {@code -Dtaxon.oracle.rigs=N}.
 */
class LinesOracleTest {
    private static final int RIGS = Integer.getInteger("taxon.oracle.rigs", 8);

    /** From so many units on the other solver seldom ends. */
    private static final int LARGE = 12;

    private int proved;
    private int best;
    private int ended;
    private double gap;
    private double excess;

    private void run(String name, int fewest, int most, int place, First first) {
        int rigs = fewest < LARGE ? RIGS : RIGS / 4;
        for (int seed = 0; seed < rigs; seed++) {
            Random random = new Random(place + seed);
            ChainTask task = ChainTasks.random(random, fewest + random.nextInt(most - fewest + 1), false);
            List<ChainTask.Feed> one = List.of(task.feeds().get(0).with(1 + random.nextInt(3)));
            int lines = one.get(0).lines();
            int each = (task.units() + lines - 1) / lines + random.nextInt(4);
            ChainTask rig = task.from(one)
                    .within(new Limits(each, 256, random.nextBoolean() ? 300_000 : 30_000 + random.nextInt(60_000)));
            verify(rig, first);
        }
        System.out.printf(
                "lines, %s: %d rigs, the other solver ended with %d; the best in %d, proved in %d, bound %.1f %% below"
                        + " the best and lines %.2f %% above it on average%n",
                name, rigs, ended, best, proved, 100 * gap / Math.max(1, ended), 100 * excess / Math.max(1, ended));
    }

    private void verify(ChainTask rig, First first) {
        Optional<Chains> answer = ChainMaker.answer(rig, Order.SHORTEST, first);
        ChainOracle oracle = new ChainOracle(rig, first == First.FEWEST_LINES);
        Optional<Best> known = oracle.solve();
        if (known.isEmpty()) {
            assertThat(oracle.saysNone() && answer.isPresent()).isFalse();
            return;
        }
        // What it found and we did not: a division within the limits that we say there is not.
        Chains ours = answer.orElseThrow();
        Best theirs = known.get();
        ended++;
        // Of least cable nothing is said about the lines: there may be fewer for as much.
        assertThat(first == First.FEWEST_LINES && ours.fewest() > theirs.lines())
                .isFalse();
        boolean comparable = first == First.LEAST_CABLE || ours.lines() == theirs.lines();
        if (comparable) {
            assertThat(ours.cost()).isGreaterThanOrEqualTo(theirs.cost());
            assertThat(ours.least()).isLessThanOrEqualTo(theirs.cost());
            gap += 1 - ours.least() / (double) theirs.cost();
            excess += ours.cost() / (double) theirs.cost() - 1;
        }
        if (ours.isProved()) {
            assertThat(ours.cost()).isEqualTo(theirs.cost());
            assertThat(comparable).isTrue();
        }
        proved += ours.isProved() ? 1 : 0;
        best += comparable && ours.cost() == theirs.cost() ? 1 : 0;
    }

    @Test
    void smallRigsAreWorkedOutToTheirEnd() {
        run("up to 9 units", 5, 9, 10_000, First.FEWEST_LINES);
        assertThat(proved).isEqualTo(ended).isGreaterThanOrEqualTo(RIGS * 3 / 4);
    }

    @Test
    void leastCableAlone() {
        run("up to 9 units, least cable", 5, 9, 20_000, First.LEAST_CABLE);
        assertThat(proved).isEqualTo(ended).isGreaterThanOrEqualTo(RIGS * 3 / 4);
    }

    @Test
    void largerRigsAreNeverSaidToBeBetterThanTheyAre() {
        // From here on two rigs after each other on which the other solver ends; on most of this size it does not.
        run("15 to 18 units", 15, 18, 30_008, First.FEWEST_LINES);
        assertThat(ended).isPositive();
    }
}
