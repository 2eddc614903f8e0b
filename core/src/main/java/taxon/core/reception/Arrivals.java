package taxon.core.reception;

/** When the last packets came, for their rate and how evenly they come. */
final class Arrivals {
    private static final int KEPT = 64;
    private static final double SECOND = 1e9;
    private static final double MILLI = 1e6;

    private final long[] times = new long[KEPT];
    private long count;

    void add(long nanos) {
        times[(int) (count % KEPT)] = nanos;
        count++;
    }

    long count() {
        return count;
    }

    private int kept() {
        return (int) Math.min(count, KEPT);
    }

    private long time(int back) {
        return times[(int) ((count - 1 - back) % KEPT)];
    }

    /** Packets a second over the last second, or over the last two packets where that is longer; 0 before there are two. */
    double rate() {
        int back = 1;
        while (back + 1 < kept() && time(0) - time(back) < SECOND) {
            back++;
        }
        long span = kept() < 2 ? 0 : time(0) - time(back);
        return span <= 0 ? 0 : back * SECOND / span;
    }

    /** How much the longest of the last intervals exceeds the shortest, in milliseconds. */
    double jitterMillis() {
        long shortest = Long.MAX_VALUE;
        long longest = 0;
        for (int back = 0; back + 1 < kept(); back++) {
            long interval = time(back) - time(back + 1);
            shortest = Math.min(shortest, interval);
            longest = Math.max(longest, interval);
        }
        return kept() < 2 ? 0 : (longest - shortest) / MILLI;
    }
}
