package taxon.wire.link;

import java.util.Arrays;

/** When levels of one destination are to be sent: at once where they move, seldom where they stand. */
final class Pacing {
    /** Levels that do not change are sent three times more, and then every 800 to 1000 ms (E1.31, 6.6.2, from memory; Art-Net 4). */
    private static final int REPEATS = 3;

    private static final long STILL_NANOS = 800_000_000L;

    private byte[] levels = new byte[0];
    private int priority;
    private int times;
    private long sent;

    /** True when these are to be sent now; then they count as sent. */
    boolean isDue(byte[] now, int itsPriority, long nanos) {
        boolean same = Arrays.equals(levels, now) && priority == itsPriority;
        if (same && times > REPEATS && nanos - sent < STILL_NANOS) {
            return false;
        }
        times = same ? times + 1 : 1;
        levels = now.clone();
        priority = itsPriority;
        sent = nanos;
        return true;
    }

    /** The priority of what was sent last. */
    int priority() {
        return priority;
    }
}
