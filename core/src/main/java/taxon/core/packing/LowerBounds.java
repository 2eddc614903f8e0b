package taxon.core.packing;

import java.util.Arrays;

/**
 * How many bins are needed at least.
 *
 * <p>Martello and Toth: Lower bounds and reduction procedures for the bin packing problem, Discrete Applied Mathematics 28
 * (1990), from memory.
 */
public final class LowerBounds {
    private LowerBounds() {}

    /** L1: all sizes together, in whole bins. */
    public static int l1(int[] sizes, int capacity) {
        long sum = Arrays.stream(sizes).asLongStream().sum();
        return (int) ((sum + capacity - 1) / capacity);
    }

    /**
     * L2: the best over all thresholds K of: sizes above C − K lie alone; those above C/2 lie apart; what of the sizes from
     * K to C/2 does not fit beside them needs bins of its own. Never below L1. Time: n log n.
     *
     * @param sizes each 0 to {@code capacity}; not changed
     */
    public static int l2(int[] sizes, int capacity) {
        int[] sorted = sizes.clone();
        Arrays.sort(sorted);
        return l2OfSorted(sorted, sorted.length, capacity);
    }

    /** As {@link #l2}, of the first {@code n} of ascending sizes. */
    static int l2OfSorted(int[] ascending, int n, int capacity) {
        long[] sums = new long[n + 1];
        for (int i = 0; i < n; i++) {
            sums[i + 1] = sums[i] + ascending[i];
        }
        int half = firstAbove(ascending, n, capacity / 2);
        int best = 0;
        for (int i = 0; i <= half; i++) {
            int threshold = i == 0 ? 0 : ascending[i - 1];
            if (i > 1 && threshold == ascending[i - 2]) {
                continue;
            }
            // The first of equal sizes begins the middle: all of them are at or above the threshold.
            int from = i == 0 ? 0 : i - 1;
            int alone = firstAbove(ascending, n, capacity - threshold);
            long apartFree = (long) (alone - half) * capacity - (sums[alone] - sums[half]);
            long over = sums[half] - sums[from] - apartFree;
            long more = over <= 0 ? 0 : (over + capacity - 1) / capacity;
            best = (int) Math.max(best, n - half + more);
        }
        return best;
    }

    /** The index of the first size above a value. */
    private static int firstAbove(int[] ascending, int n, int value) {
        int low = 0;
        int high = n;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (ascending[middle] > value) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return low;
    }
}
