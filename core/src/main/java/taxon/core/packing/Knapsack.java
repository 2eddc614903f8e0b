package taxon.core.packing;

import java.util.ArrayList;
import java.util.List;

/**
 * The most that runs are worth together in one hole, for every width up to a limit at once; each kind as often as it has runs.
 * Kinds are cut into batches of 1, 2, 4 … runs, so that time is limit × kinds × the log of their counts.
 */
final class Knapsack {
    private final int limit;
    private final int kinds;
    private final List<Batch> batches = new ArrayList<>();

    private record Batch(int kind, int runs, int steps) {}

    /** @param limit steps of the widest hole */
    Knapsack(int[] steps, int[] counts, int limit) {
        this.limit = limit;
        kinds = steps.length;
        for (int kind = 0; kind < kinds; kind++) {
            int left = Math.min(counts[kind], limit / steps[kind]);
            for (int batch = 1; left > 0; batch *= 2) {
                int runs = Math.min(batch, left);
                batches.add(new Batch(kind, runs, runs * steps[kind]));
                left -= runs;
            }
        }
    }

    /** How many numbers {@link #best} compares. */
    long effort() {
        return (long) batches.size() * (limit + 1);
    }

    /** @param worthOf what one run of each kind is worth, 0 or more */
    Best best(double[] worthOf) {
        return new Best(worthOf);
    }

    /** The best for each width, and how it is reached. */
    final class Best {
        private final double[] worth = new double[limit + 1];
        private final boolean[][] taken = new boolean[batches.size()][limit + 1];

        private Best(double[] worthOf) {
            for (int b = 0; b < batches.size(); b++) {
                double more = batches.get(b).runs() * worthOf[batches.get(b).kind()];
                if (more > 0) {
                    weigh(taken[b], batches.get(b).steps(), more);
                }
            }
        }

        private void weigh(boolean[] isTaken, int steps, double more) {
            for (int width = limit; width >= steps; width--) {
                if (worth[width - steps] + more > worth[width]) {
                    worth[width] = worth[width - steps] + more;
                    isTaken[width] = true;
                }
            }
        }

        double worth(int width) {
            return worth[width];
        }

        /** How many runs of each kind are worth that much. */
        int[] runs(int width) {
            int[] runs = new int[kinds];
            int at = width;
            for (int b = batches.size() - 1; b >= 0; b--) {
                if (taken[b][at]) {
                    runs[batches.get(b).kind()] += batches.get(b).runs();
                    at -= batches.get(b).steps();
                }
            }
            return runs;
        }
    }
}
