package taxon.core.lines;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import taxon.core.lines.Chains.Chain;

/**
 * Betters chains step by step: turns a piece round, moves a few units to another place, exchanges two units or the ends of two
 * chains, as long as that takes less cable within the limits. The number of chains stays.
 */
final class ChainSearch {
    private static final int MOVED_AT_ONCE = 3;

    private final ChainTask task;
    private final List<Chain> chains;
    private long work;

    /** @param work about how many steps are looked at, at most */
    ChainSearch(ChainTask task, List<Chain> chains, long work) {
        this.task = task;
        this.chains = new ArrayList<>(chains);
        this.work = work;
    }

    /** Until nothing betters it, or the work is done. */
    List<Chain> run() {
        boolean better = true;
        while (better && work > 0) {
            better = false;
            for (int a = 0; a < chains.size() && work > 0; a++) {
                better |= turns(a);
                for (int b = 0; b < chains.size() && work > 0; b++) {
                    better |= moves(a, b);
                    if (a < b) {
                        better |= swaps(a, b);
                        better |= ends(a, b);
                    }
                }
            }
        }
        return List.copyOf(chains);
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
        Chain c = chains.get(chain);
        return before < 0 ? task.feeds().get(c.feed()).to()[unit] : task.on(c.units()[before], unit);
    }

    /** The way out of a unit to what stands at a place; none behind the end. */
    private long out(int chain, int unit, int place) {
        int[] units = chains.get(chain).units();
        return place >= units.length ? 0 : task.on(unit, units[place]);
    }

    private boolean turns(int a) {
        boolean better = false;
        int length = chains.get(a).units().length;
        for (int i = 0; i < length - 1; i++) {
            for (int j = i + 1; j < length; j++) {
                work--;
                int[] u = chains.get(a).units();
                long before = leg(a, i - 1, u[i]) + out(a, u[j], j + 1);
                long after = leg(a, i - 1, u[j]) + out(a, u[i], j + 1);
                if (after < before) {
                    int[] changed = u.clone();
                    for (int k = i; k <= j; k++) {
                        changed[k] = u[i + j - k];
                    }
                    better |= accept(a, changed);
                }
            }
        }
        return better;
    }

    private boolean moves(int a, int b) {
        boolean better = false;
        for (int many = 1; many <= MOVED_AT_ONCE; many++) {
            for (int i = 0; i + many <= chains.get(a).units().length; i++) {
                for (int j = 0; j <= chains.get(b).units().length; j++) {
                    work--;
                    better |= i + many <= chains.get(a).units().length
                            && (a == b ? movesWithin(a, i, many, j) : movesTo(a, i, many, b, j));
                }
            }
        }
        return better;
    }

    private boolean movesWithin(int a, int i, int many, int j) {
        int[] u = chains.get(a).units();
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
        int[] u = chains.get(a).units();
        int[] v = chains.get(b).units();
        if (many == u.length || v.length + many > task.limits().units()) {
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
        for (int i = 0; i < chains.get(a).units().length; i++) {
            for (int j = 0; j < chains.get(b).units().length; j++) {
                work--;
                int[] u = chains.get(a).units();
                int[] v = chains.get(b).units();
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
        for (int i = 0; i <= chains.get(a).units().length; i++) {
            for (int j = 0; j <= chains.get(b).units().length; j++) {
                work--;
                int[] u = chains.get(a).units();
                int[] v = chains.get(b).units();
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

    private boolean accept(int a, int[] units) {
        Chain changed = new Chain(chains.get(a).feed(), units);
        if (!task.bears(changed) || task.cost(changed) >= task.cost(chains.get(a))) {
            return false;
        }
        chains.set(a, changed);
        return true;
    }

    private boolean accept(int a, int[] units, int b, int[] others) {
        Chain one = new Chain(chains.get(a).feed(), units);
        Chain other = new Chain(chains.get(b).feed(), others);
        if (!task.bears(one)
                || !task.bears(other)
                || task.cost(one) + task.cost(other) >= task.cost(chains.get(a)) + task.cost(chains.get(b))) {
            return false;
        }
        chains.set(a, one);
        chains.set(b, other);
        return true;
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
