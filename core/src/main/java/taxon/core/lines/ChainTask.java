package taxon.core.lines;

import java.util.Arrays;
import java.util.List;
import taxon.core.lines.Chains.Chain;

/**
 * Units of one universe that are to be reached by lines, as numbers. All lengths are millimetres with the slack at the unit that
 * is gone to; all are 0 or more.
 *
 * @param feeds from where lines can go out
 * @param between from unit to unit, by the one that is left and the one that is gone to
 * @param known whether each of these could be reckoned; where not, {@code between} holds {@link #UNKNOWN}
 * @param loads of the units, in eighths of a unit load
 * @param last whether each unit passes nothing on, so that its line ends there
 * @param groups by unit, from 0: units of one hang near each other, as on one position
 * @param limits what one line bears
 */
record ChainTask(
        List<Feed> feeds,
        int[][] between,
        boolean[][] known,
        int[] loads,
        boolean[] last,
        int[] groups,
        Limits limits) {
    /** Stands for a way of unknown length: longer than most, so that what is known is preferred. */
    static final int UNKNOWN = 1_000_000;

    /** Stands for no way at all: out of a unit that passes nothing on. */
    static final int NEVER = 1_000_000_000;

    /**
     * A place with ports.
     *
     * @param lines how many can begin there
     * @param to the way to each unit
     * @param known whether each could be reckoned
     */
    record Feed(int lines, int[] to, boolean[] known) {
        Feed with(int changed) {
            return new Feed(changed, to, known);
        }
    }

    /**
     * @param units how many on one line
     * @param load how much of it, in eighths
     * @param length as far as it is known, in millimetres
     */
    record Limits(int units, int load, int length) {}

    int units() {
        return loads.length;
    }

    /** From one unit on to the next; {@link #NEVER} where the first passes nothing on. */
    int on(int from, int to) {
        return last[from] ? NEVER : between[from][to];
    }

    /** How much of a way counts for the limit of length. */
    int length(int from, int to) {
        return known[from][to] ? between[from][to] : 0;
    }

    int length(Feed feed, int to) {
        return feed.known()[to] ? feed.to()[to] : 0;
    }

    /** What a chain costs; {@link #NEVER} or more where one in it passes nothing on. */
    long cost(Chain chain) {
        int[] units = chain.units();
        long cost = feeds.get(chain.feed()).to()[units[0]];
        for (int i = 1; i < units.length; i++) {
            cost += on(units[i - 1], units[i]);
        }
        return cost;
    }

    /** True when a line bears it. */
    boolean bears(Chain chain) {
        int[] units = chain.units();
        if (units.length > limits.units()) {
            return false;
        }
        int load = loads[units[0]];
        for (int i = 1; i < units.length; i++) {
            if (last[units[i - 1]]) {
                return false;
            }
            load += loads[units[i]];
        }
        return load <= limits.load() && length(chain) <= limits.length();
    }

    /** How long a chain is as far as it is known. */
    long length(Chain chain) {
        int[] units = chain.units();
        long length = length(feeds.get(chain.feed()), units[0]);
        for (int i = 1; i < units.length; i++) {
            length += length(units[i - 1], units[i]);
        }
        return length;
    }

    /** The same with other feeds. */
    ChainTask from(List<Feed> changed) {
        return new ChainTask(changed, between, known, loads, last, groups, limits);
    }

    /** The same with lines that bear otherwise. */
    ChainTask within(Limits changed) {
        return new ChainTask(feeds, between, known, loads, last, groups, changed);
    }

    /** How many lines can begin in all. */
    int outlets() {
        return feeds.stream().mapToInt(Feed::lines).sum();
    }

    /** True when every way could be reckoned. */
    boolean isKnown() {
        return Arrays.stream(known).allMatch(ChainTask::all) && feeds.stream().allMatch(f -> all(f.known()));
    }

    private static boolean all(boolean[] known) {
        for (boolean each : known) {
            if (!each) {
                return false;
            }
        }
        return true;
    }
}
