package taxon.core.reception;

import java.util.Arrays;
import java.util.List;
import taxon.core.dmx.Slot;

/** What several senders of one universe come to, slot by slot, and how it moved. */
final class Merge {
    private static final int BYTE = 0xFF;
    private static final int NOBODY = -1;
    static final long NEVER = Long.MIN_VALUE;

    private final byte[] levels = new byte[Slot.LAST];
    /** A bit for each sender, by its index. */
    private final int[] winners = new int[Slot.LAST];

    private final long[] moved = new long[Slot.LAST];
    private final byte[] least = new byte[Slot.LAST];
    private final byte[] most = new byte[Slot.LAST];
    private boolean begun;

    Merge() {
        Arrays.fill(moved, NEVER);
    }

    /** The highest priority wins (E1.31, 6.2.3); equal ones are merged, the highest level first (common practice). */
    void update(List<Source> sources, long nanos) {
        for (int slot = 0; slot < Slot.LAST; slot++) {
            int highest = NOBODY;
            int level = 0;
            int winning = 0;
            for (int i = 0; i < sources.size(); i++) {
                Source source = sources.get(i);
                if (source.isLive() && source.sources(slot, nanos)) {
                    int priority = source.priority(slot, nanos);
                    if (priority > highest) {
                        highest = priority;
                        winning = 0;
                        level = 0;
                    }
                    if (priority == highest) {
                        winning |= 1 << i;
                        level = Math.max(level, source.level(slot));
                    }
                }
            }
            put(slot, level, winning, nanos);
        }
        begun |= !sources.isEmpty();
    }

    private void put(int slot, int level, int winning, long nanos) {
        winners[slot] = winning;
        if (begun && level == level(slot)) {
            return;
        }
        if (begun) {
            moved[slot] = nanos;
        }
        levels[slot] = (byte) level;
        least[slot] = begun ? (byte) Math.min(least(slot), level) : (byte) level;
        most[slot] = begun ? (byte) Math.max(most(slot), level) : (byte) level;
    }

    /** From now on least and most are of what comes next. */
    void forgetExtent() {
        System.arraycopy(levels, 0, least, 0, Slot.LAST);
        System.arraycopy(levels, 0, most, 0, Slot.LAST);
    }

    int level(int slot) {
        return levels[slot] & BYTE;
    }

    int winners(int slot) {
        return winners[slot];
    }

    /** All who win some slot, a bit for each. */
    int winners() {
        int all = 0;
        for (int winning : winners) {
            all |= winning;
        }
        return all;
    }

    /** All who win some slot together with another, a bit for each. */
    int rivals() {
        int all = 0;
        for (int winning : winners) {
            all |= Integer.bitCount(winning) > 1 ? winning : 0;
        }
        return all;
    }

    /** When a slot last changed; {@link #NEVER} where it did not since it was first heard. */
    long moved(int slot) {
        return moved[slot];
    }

    int least(int slot) {
        return least[slot] & BYTE;
    }

    int most(int slot) {
        return most[slot] & BYTE;
    }

    int above() {
        int count = 0;
        for (byte level : levels) {
            count += level != 0 ? 1 : 0;
        }
        return count;
    }

    /** The same for the same levels. */
    int fingerprint() {
        return Arrays.hashCode(levels);
    }
}
