package taxon.core.packing;

import java.util.ArrayList;
import java.util.List;

/**
 * The most that runs are worth together in one hole, for every width up to a limit at once; each lot as often as it has runs.
 * Lots are cut into batches of 1, 2, 4 … runs, so that time is limit × lots × the log of their counts.
 */
final class Knapsack {
    private final int limit;
    private final int lots;
    private final List<Batch> batches = new ArrayList<>();

    private record Batch(int lot, int runs, int cells) {}

    /** @param limit cells of the widest hole */
    Knapsack(int[] cells, int[] counts, int limit) {
        this.limit = limit;
        lots = cells.length;
        for (int lot = 0; lot < lots; lot++) {
            int left = Math.min(counts[lot], limit / cells[lot]);
            for (int batch = 1; left > 0; batch *= 2) {
                int runs = Math.min(batch, left);
                batches.add(new Batch(lot, runs, runs * cells[lot]));
                left -= runs;
            }
        }
    }

    /** How many numbers {@link #best} compares. */
    long effort() {
        return (long) batches.size() * (limit + 1);
    }

    /** @param worthOf what one run of each lot is worth, 0 or more */
    Best best(double[] worthOf) {
        return new Best(worthOf);
    }

    /** The best for each width, and how it is reached. */
    final class Best {
        private final double[] worth = new double[limit + 1];
        private final boolean[][] taken = new boolean[batches.size()][limit + 1];

        private Best(double[] worthOf) {
            for (int b = 0; b < batches.size(); b++) {
                double more = batches.get(b).runs() * worthOf[batches.get(b).lot()];
                if (more > 0) {
                    weigh(taken[b], batches.get(b).cells(), more);
                }
            }
        }

        private void weigh(boolean[] isTaken, int cells, double more) {
            for (int width = limit; width >= cells; width--) {
                if (worth[width - cells] + more > worth[width]) {
                    worth[width] = worth[width - cells] + more;
                    isTaken[width] = true;
                }
            }
        }

        double worth(int width) {
            return worth[width];
        }

        /** How many runs of each lot are worth that much. */
        int[] runs(int width) {
            int[] runs = new int[lots];
            int at = width;
            for (int b = batches.size() - 1; b >= 0; b--) {
                if (taken[b][at]) {
                    runs[batches.get(b).lot()] += batches.get(b).runs();
                    at -= batches.get(b).cells();
                }
            }
            return runs;
        }
    }
}
