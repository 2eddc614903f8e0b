package taxon.core.packing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Holes filled in fractions of patterns: what a linear programme says about a problem. Either no filling takes all runs, by a
 * proof; or there is one in fractions, which whole fillings are often near to.
 *
 * <p>Gilmore and Gomory: A linear programming approach to the cutting-stock problem, Operations Research 9 (1961), from
 * memory. It begins with every run left over and prices the rows; the pattern that is worth more than its hole costs comes in
 * and the basis changes. The proof is a worth for a run of each kind, so that all runs together are worth more than the holes
 * can hold at most. Worths are found in floating point; the proof is counted in whole numbers.
 *
 * <p>A hole counts as wide as the most that any kind can make of it, and loads do not count: both only make more possible.
 */
final class LinearRelaxation {
    /** A worth is rounded down to parts of a cell; sums stay far below the 2^53 that a double counts exactly. */
    private static final double PARTS = 1 << 12;
    /** Below this a number of the basis is nothing. */
    private static final double TINY = 1e-9;
    /** Below this a gain is rounding. */
    private static final double NO_GAIN = 1e-7;

    private final int[] counts;
    private final int[] widths;
    private final int[] holes;
    private final Knapsack knapsack;
    private final int rows;
    /** The basis upside down: what each row takes of each kind, then of each width. */
    private final double[][] inverse;

    private final double[] value;
    private final double[] cost;
    private final List<Pattern> basis;
    private boolean forbidden;
    private boolean ended;

    /**
     * What a hole holds.
     *
     * @param runs how many of each kind; changed by no one
     * @param width steps of the hole
     * @param holes how many are filled so, in fractions
     */
    record Pattern(int[] runs, int width, double holes) {
        boolean isAtMost(int[] counts) {
            return IntStream.range(0, runs.length).allMatch(i -> runs[i] <= counts[i]);
        }
    }

    private LinearRelaxation(int[] counts, int[] steps, int[] most) {
        this.counts = counts;
        widths = Arrays.stream(most).filter(w -> w > 0).distinct().toArray();
        holes = Arrays.stream(widths)
                .map(w -> (int) Arrays.stream(most).filter(m -> m == w).count())
                .toArray();
        knapsack = new Knapsack(steps, counts, Arrays.stream(widths).max().orElse(0));
        rows = counts.length + widths.length;
        inverse = new double[rows][rows];
        IntStream.range(0, rows).forEach(r -> inverse[r][r] = 1);
        value = IntStream.concat(Arrays.stream(counts), Arrays.stream(holes))
                .asDoubleStream()
                .toArray();
        cost = IntStream.range(0, rows)
                .mapToDouble(r -> r < counts.length ? steps[r] : 0)
                .toArray();
        basis = new ArrayList<>();
        IntStream.range(0, rows).forEach(r -> basis.add(new Pattern(new int[0], 0, 0)));
    }

    /**
     * @param counts runs of each kind
     * @param steps of each kind
     * @param most steps of each hole
     * @param effort ends the search when it is spent; then nothing is proved and no pattern is found
     */
    static LinearRelaxation of(int[] counts, int[] steps, int[] most, Effort effort) {
        LinearRelaxation fractions = new LinearRelaxation(counts.clone(), steps, most);
        fractions.search(effort);
        return fractions;
    }

    /** True when no filling takes all runs. */
    boolean isForbidden() {
        return forbidden;
    }

    /** The patterns that together take all runs; empty when they were not found. */
    List<Pattern> patterns() {
        return IntStream.range(0, ended ? rows : 0)
                .filter(r -> basis.get(r).width() > 0 && value[r] > TINY)
                .mapToObj(r -> new Pattern(basis.get(r).runs(), basis.get(r).width(), value[r]))
                .toList();
    }

    private void search(Effort effort) {
        long round = 2 * knapsack.effort() + 2L * rows * rows;
        while (effort.spend(round)) {
            double[] price = prices();
            double[] worth = Arrays.stream(price, 0, counts.length)
                    .map(p -> Math.max(0, p))
                    .toArray();
            forbidden = isProof(worth);
            Knapsack.Best best = knapsack.best(worth);
            int kind = forbidden ? -1 : dearest(best, price);
            if (kind < 0) {
                ended = leftOver() < NO_GAIN;
                return;
            }
            if (!enter(new Pattern(best.runs(widths[kind]), widths[kind], 0), kind)) {
                return;
            }
        }
    }

    private double leftOver() {
        return IntStream.range(0, rows).mapToDouble(r -> cost[r] * value[r]).sum();
    }

    /** What one more run of a kind, and one more hole of a width, would cost. */
    private double[] prices() {
        double[] price = new double[rows];
        for (int r = 0; r < rows; r++) {
            for (int c = 0; cost[r] > 0 && c < rows; c++) {
                price[c] += cost[r] * inverse[r][c];
            }
        }
        return price;
    }

    private int dearest(Knapsack.Best best, double[] price) {
        int found = -1;
        double most = NO_GAIN;
        for (int k = 0; k < widths.length; k++) {
            double gain = best.worth(widths[k]) + price[counts.length + k];
            if (gain > most) {
                most = gain;
                found = k;
            }
        }
        return found;
    }

    /** Takes a pattern into the basis; false when rounding has made that impossible. */
    private boolean enter(Pattern pattern, int kind) {
        double[] column = new double[rows];
        for (int r = 0; r < rows; r++) {
            column[r] = inverse[r][counts.length + kind];
            for (int i = 0; i < counts.length; i++) {
                column[r] += inverse[r][i] * pattern.runs()[i];
            }
        }
        int leaves = leaves(column);
        if (leaves < 0) {
            return false;
        }
        pivot(leaves, column);
        cost[leaves] = 0;
        basis.set(leaves, pattern);
        return true;
    }

    private int leaves(double[] column) {
        int found = -1;
        for (int r = 0; r < rows; r++) {
            if (column[r] > TINY) {
                boolean sooner = found < 0 || value[r] / column[r] < value[found] / column[found] - TINY;
                found = sooner ? r : found;
            }
        }
        return found;
    }

    private void pivot(int row, double[] column) {
        for (int c = 0; c < rows; c++) {
            inverse[row][c] /= column[row];
        }
        value[row] /= column[row];
        for (int r = 0; r < rows; r++) {
            if (r != row && column[r] != 0) {
                for (int c = 0; c < rows; c++) {
                    inverse[r][c] -= column[r] * inverse[row][c];
                }
                value[r] = Math.max(0, value[r] - column[r] * value[row]);
            }
        }
    }

    private boolean isProof(double[] worth) {
        double[] whole = Arrays.stream(worth).map(w -> Math.floor(w * PARTS)).toArray();
        Knapsack.Best best = knapsack.best(whole);
        double runs = IntStream.range(0, counts.length)
                .mapToDouble(i -> counts[i] * whole[i])
                .sum();
        double room = IntStream.range(0, widths.length)
                .mapToDouble(k -> holes[k] * best.worth(widths[k]))
                .sum();
        return runs > room;
    }
}
