package taxon.core.reception;

/** How fast packets come while levels move: a sender whose levels rest may send one a second, which says nothing of its pace. */
final class Pace {
    private static final int KEPT = 16;
    private static final int ENOUGH = 8;
    private static final double SECOND = 1e9;
    private static final long OLD_NANOS = 3_000_000_000L;

    private final long[] intervals = new long[KEPT];
    private int count;
    private long lastNanos;
    private boolean moved;

    /** Takes one packet; only the time between two that both bring something new counts. */
    void add(boolean changed, long nanos) {
        if (changed && moved) {
            intervals[count % KEPT] = nanos - lastNanos;
            count++;
        }
        if (nanos - lastNanos > OLD_NANOS) {
            count = 0;
        }
        moved = changed;
        lastNanos = nanos;
    }

    /** Packets a second while levels move; 0 where too few did of late. */
    double rate(long nanos) {
        if (count < ENOUGH || nanos - lastNanos > OLD_NANOS) {
            return 0;
        }
        long sum = 0;
        int kept = Math.min(count, KEPT);
        for (int i = 0; i < kept; i++) {
            sum += intervals[i];
        }
        return sum == 0 ? 0 : kept * SECOND / sum;
    }
}
