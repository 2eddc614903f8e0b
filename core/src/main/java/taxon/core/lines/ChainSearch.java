package taxon.core.lines;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import taxon.core.lines.Chains.Chain;

/**
 * Betters chains step by step: turns a piece round, moves a few units to another place, exchanges two units or the ends of two
 * chains, as long as that takes less cable within the limits. The number of chains stays.
 */
final class ChainSearch {
    private static final int MOVED_AT_ONCE = 3;

    private final ChainTask task;
    private final int mostUnits;

    /** By chain: its feed, the way from there to each unit, and its units in the order of the cable. */
    private final int[] feed;

    private final int[][] fromFeed;
    private final int[][] units;

    /** When each chain was changed last and each pair was looked at last, as counts of steps: what is as it was is not looked at again. */
    private final long[] changed;

    private final long[][] looked;
    private long steps;
    private long work;

    /** @param work about how many steps are looked at, at most */
    ChainSearch(ChainTask task, List<Chain> chains, long work) {
        this.task = task;
        this.work = work;
        mostUnits = task.limits().units();
        feed = chains.stream().mapToInt(Chain::feed).toArray();
        fromFeed = chains.stream().map(c -> task.feeds().get(c.feed()).to()).toArray(int[][]::new);
        units = chains.stream().map(Chain::units).toArray(int[][]::new);
        changed = new long[units.length];
        looked = new long[units.length][units.length];
    }

    /** Until nothing betters it, or the work is done. */
    List<Chain> run() {
        boolean better = true;
        while (better && work > 0) {
            better = false;
            for (int a = 0; a < units.length && work > 0; a++) {
                for (int b = 0; b < units.length && work > 0; b++) {
                    better |= isNew(a, b) && look(a, b);
                }
            }
        }
        return IntStream.range(0, units.length).mapToObj(this::chain).toList();
    }

    private Chain chain(int chain) {
        return new Chain(feed[chain], units[chain]);
    }

    private boolean isNew(int a, int b) {
        return Math.max(changed[a], changed[b]) >= looked[a][b];
    }

    private boolean look(int a, int b) {
        looked[a][b] = ++steps;
        boolean better = a == b && turns(a);
        better |= moves(a, b);
        if (a < b) {
            better |= swaps(a, b);
            better |= ends(a, b);
        }
        return better;
    }

    static int[] turned(int[] units) {
        int[] turned = new int[units.length];
        for (int i = 0; i < units.length; i++) {
            turned[i] = units[units.length - 1 - i];
        }
        return turned;
    }

    /** The way into a place of a chain that is being looked at; before the first unit its feed is. */
    private long leg(int chain, int before, int unit) {
        return before < 0 ? fromFeed[chain][unit] : task.on(units[chain][before], unit);
    }

    /** The way out of a unit to what stands at a place; none behind the end. */
    private long out(int chain, int unit, int place) {
        int[] there = units[chain];
        return place >= there.length ? 0 : task.on(unit, there[place]);
    }

    private boolean turns(int a) {
        boolean better = false;
        int length = units[a].length;
        for (int i = 0; i < length - 1; i++) {
            for (int j = i + 1; j < length; j++) {
                work--;
                int[] u = units[a];
                long before = leg(a, i - 1, u[i]) + out(a, u[j], j + 1);
                long after = leg(a, i - 1, u[j]) + out(a, u[i], j + 1);
                if (after < before) {
                    int[] then = u.clone();
                    for (int k = i; k <= j; k++) {
                        then[k] = u[i + j - k];
                    }
                    better |= accept(a, then);
                }
            }
        }
        return better;
    }

    private boolean moves(int a, int b) {
        boolean better = false;
        for (int many = 1; many <= MOVED_AT_ONCE; many++) {
            for (int i = 0; i + many <= units[a].length; i++) {
                for (int j = 0; j <= units[b].length; j++) {
                    work--;
                    better |= i + many <= units[a].length
                            && (a == b ? movesWithin(a, i, many, j) : movesTo(a, i, many, b, j));
                }
            }
        }
        return better;
    }

    private boolean movesWithin(int a, int i, int many, int j) {
        int[] u = units[a];
        if (j >= i && j <= i + many) {
            return false;
        }
        int first = u[i];
        int end = u[i + many - 1];
        long gone = leg(a, i - 1, first) + out(a, end, i + many);
        long closed = i + many < u.length ? leg(a, i - 1, u[i + many]) : 0;
        long opened = j < u.length ? leg(a, j - 1, u[j]) : 0;
        boolean turn = joins(a, j, end, first) < joins(a, j, first, end);
        long joined = Math.min(joins(a, j, first, end), joins(a, j, end, first));
        if (closed + joined >= gone + opened) {
            return false;
        }
        int[] piece = Arrays.copyOfRange(u, i, i + many);
        int[] rest = without(u, i, many);
        return accept(a, with(rest, j > i ? j - many : j, turn ? turned(piece) : piece));
    }

    private boolean movesTo(int a, int i, int many, int b, int j) {
        int[] u = units[a];
        int[] v = units[b];
        if (many == u.length || v.length + many > mostUnits) {
            return false;
        }
        int first = u[i];
        int end = u[i + many - 1];
        long gone = leg(a, i - 1, first) + out(a, end, i + many);
        long closed = i + many < u.length ? leg(a, i - 1, u[i + many]) : 0;
        long opened = j < v.length ? leg(b, j - 1, v[j]) : 0;
        boolean turn = joins(b, j, end, first) < joins(b, j, first, end);
        long joined = Math.min(joins(b, j, first, end), joins(b, j, end, first));
        if (closed + joined >= gone + opened) {
            return false;
        }
        int[] piece = Arrays.copyOfRange(u, i, i + many);
        return accept(a, without(u, i, many), b, with(v, j, turn ? turned(piece) : piece));
    }

    /** What it costs to come to one unit before a place and go on from another. */
    private long joins(int chain, int place, int in, int end) {
        return leg(chain, place - 1, in) + out(chain, end, place);
    }

    private boolean swaps(int a, int b) {
        boolean better = false;
        for (int i = 0; i < units[a].length; i++) {
            for (int j = 0; j < units[b].length; j++) {
                work--;
                int[] u = units[a];
                int[] v = units[b];
                long before = leg(a, i - 1, u[i]) + out(a, u[i], i + 1) + leg(b, j - 1, v[j]) + out(b, v[j], j + 1);
                long after = leg(a, i - 1, v[j]) + out(a, v[j], i + 1) + leg(b, j - 1, u[i]) + out(b, u[i], j + 1);
                if (after < before) {
                    int[] one = u.clone();
                    int[] other = v.clone();
                    one[i] = v[j];
                    other[j] = u[i];
                    better |= accept(a, one, b, other);
                }
            }
        }
        return better;
    }

    private boolean ends(int a, int b) {
        boolean better = false;
        for (int i = 0; i <= units[a].length; i++) {
            for (int j = 0; j <= units[b].length; j++) {
                work--;
                int[] u = units[a];
                int[] v = units[b];
                if (i > u.length || j > v.length || i + v.length - j == 0 || j + u.length - i == 0) {
                    continue;
                }
                long before = (i < u.length ? leg(a, i - 1, u[i]) : 0) + (j < v.length ? leg(b, j - 1, v[j]) : 0);
                long after = (j < v.length ? leg(a, i - 1, v[j]) : 0) + (i < u.length ? leg(b, j - 1, u[i]) : 0);
                if (after < before) {
                    int[] one = with(Arrays.copyOf(u, i), i, Arrays.copyOfRange(v, j, v.length));
                    int[] other = with(Arrays.copyOf(v, j), j, Arrays.copyOfRange(u, i, u.length));
                    better |= accept(a, one, b, other);
                }
            }
        }
        return better;
    }

    private boolean accept(int a, int[] then) {
        Chain one = new Chain(feed[a], then);
        if (!task.bears(one) || task.cost(one) >= task.cost(chain(a))) {
            return false;
        }
        set(a, then);
        return true;
    }

    private boolean accept(int a, int[] then, int b, int[] others) {
        Chain one = new Chain(feed[a], then);
        Chain other = new Chain(feed[b], others);
        if (!task.bears(one)
                || !task.bears(other)
                || task.cost(one) + task.cost(other) >= task.cost(chain(a)) + task.cost(chain(b))) {
            return false;
        }
        set(a, then);
        set(b, others);
        return true;
    }

    private void set(int chain, int[] then) {
        units[chain] = then;
        changed[chain] = ++steps;
    }

    private static int[] without(int[] units, int from, int many) {
        int[] rest = new int[units.length - many];
        System.arraycopy(units, 0, rest, 0, from);
        System.arraycopy(units, from + many, rest, from, rest.length - from);
        return rest;
    }

    static int[] with(int[] units, int at, int[] piece) {
        int[] all = new int[units.length + piece.length];
        System.arraycopy(units, 0, all, 0, at);
        System.arraycopy(piece, 0, all, at, piece.length);
        System.arraycopy(units, at, all, at + piece.length, units.length - at);
        return all;
    }
}
