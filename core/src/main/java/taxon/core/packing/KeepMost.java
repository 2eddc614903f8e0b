package taxon.core.packing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Which intervals can stay when no two may meet, so that they weigh most together: weighted interval scheduling (Kleinberg
 * and Tardos: Algorithm Design, 2005, 6.1, from memory).
 */
public final class KeepMost {
    private KeepMost() {}

    /**
     * Slots that something takes now.
     *
     * @param last {@code first} or more
     * @param weight 0 or more: what it costs to move it
     */
    public record Interval(int first, int last, long weight) {
        public Interval {
            if (last < first || weight < 0) {
                throw new IllegalArgumentException(
                        "slots " + first + " to " + last + " of weight " + weight + " are no interval");
            }
        }
    }

    /**
     * The indices of those that stay, ascending. Of equal choices the one that keeps what ends first.
     *
     * @param gap slots that stay free between neighbours, 0 or more
     */
    public static List<Integer> of(List<Interval> intervals, int gap) {
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < intervals.size(); i++) {
            order.add(i);
        }
        order.sort(Comparator.comparingInt((Integer i) -> intervals.get(i).last())
                .thenComparingInt(i -> intervals.get(i).first())
                .thenComparingInt(i -> i));
        long[] best = new long[order.size() + 1];
        int[] before = new int[order.size()];
        for (int k = 0; k < order.size(); k++) {
            Interval interval = intervals.get(order.get(k));
            before[k] = endingBefore(intervals, order, k, interval.first() - gap);
            best[k + 1] = Math.max(best[k], best[before[k]] + interval.weight());
        }
        List<Integer> kept = new ArrayList<>();
        for (int k = order.size(); k > 0; ) {
            if (best[k] == best[k - 1]) {
                k--;
            } else {
                kept.add(order.get(k - 1));
                k = before[k - 1];
            }
        }
        kept.sort(Comparator.naturalOrder());
        return kept;
    }

    /** What these weigh together at most. */
    public static long weight(List<Interval> intervals, int gap) {
        return of(intervals, gap).stream()
                .mapToLong(i -> intervals.get(i).weight())
                .sum();
    }

    /** How many of the first {@code limit} in the order of their ends end before a slot. */
    private static int endingBefore(List<Interval> intervals, List<Integer> order, int limit, int slot) {
        int low = 0;
        int high = limit;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (intervals.get(order.get(middle)).last() < slot) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }
}
