package taxon.core.lines;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import taxon.core.lines.Chains.Chain;

/**
 * The best answer of a small task: for each set of units the best order of one line (Bellman 1962 and Held and Karp 1962, from
 * memory), then the best division of all into such sets.
 */
final class ExactChains {
    /** The most units whose order is worked out to its end. */
    static final int MOST_UNITS = 14;

    /** About how many steps the division may take. */
    private static final double MOST_WORK = 60e6;

    private static final int NONE = Integer.MAX_VALUE / 2;

    private final ChainTask task;
    private final int units;
    private final int full;
    /** What a path through a set costs that begins at a unit, by set and unit. */
    private final int[] path;
    /** What the best line from a feed through a set costs. */
    private final int[][] line;

    private ExactChains(ChainTask task) {
        this.task = task;
        units = task.units();
        full = (1 << units) - 1;
        path = new int[(full + 1) * units];
        line = new int[task.feeds().size()][full + 1];
        paths();
        lines();
    }

    /**
     * The best answer.
     *
     * @param fewest no answer has fewer lines
     * @return empty where the task is too large, some way is not known, or there is no answer
     */
    static Optional<Chains> of(ChainTask task, int fewest, boolean fewestLines) {
        if (task.units() > MOST_UNITS || task.units() == 0 || !task.isKnown()) {
            return Optional.empty();
        }
        int most = Math.min(task.outlets(), task.units());
        if (fewestLines) {
            Optional<ExactChains> worked = Optional.empty();
            for (int lines = fewest; lines <= most && work(task, lines, lines) <= MOST_WORK; lines++) {
                worked = Optional.of(worked.orElseGet(() -> new ExactChains(task)));
                Optional<Chains> found =
                        lines == 1 ? worked.get().one() : worked.get().divided(lines, lines);
                if (found.isPresent()) {
                    return found;
                }
            }
            return Optional.empty();
        }
        return work(task, most, 1) <= MOST_WORK ? new ExactChains(task).divided(most, 1) : Optional.empty();
    }

    /** How many steps a division takes. */
    private static double work(ChainTask task, int lines, int counts) {
        if (lines == 1 && counts == 1) {
            return 1;
        }
        int slots =
                task.feeds().stream().mapToInt(f -> Math.min(f.lines(), lines)).sum();
        return Math.pow(3, task.units()) * slots * counts;
    }

    private void paths() {
        Arrays.fill(path, NONE);
        for (int unit = 0; unit < units; unit++) {
            path[(1 << unit) * units + unit] = 0;
        }
        for (int set = 1; set <= full; set++) {
            for (int first = 0; first < units; first++) {
                int rest = set & ~(1 << first);
                if (rest != set && rest != 0 && !task.last()[first]) {
                    path[set * units + first] = onward(rest, task.between()[first]);
                }
            }
        }
    }

    private int onward(int rest, int[] ways) {
        int best = NONE;
        for (int left = rest; left != 0; left &= left - 1) {
            int next = Integer.numberOfTrailingZeros(left);
            best = Math.min(best, ways[next] + path[rest * units + next]);
        }
        return Math.min(NONE, best);
    }

    private void lines() {
        for (int set = 1; set <= full; set++) {
            boolean borne = Integer.bitCount(set) <= task.limits().units()
                    && load(set) <= task.limits().load();
            for (int f = 0; f < line.length; f++) {
                int best = borne ? from(f, set) : NONE;
                line[f][set] = best <= task.limits().length() ? best : NONE;
            }
        }
    }

    private int load(int set) {
        int load = 0;
        for (int left = set; left != 0; left &= left - 1) {
            load += task.loads()[Integer.numberOfTrailingZeros(left)];
        }
        return load;
    }

    private int from(int feed, int set) {
        int[] to = task.feeds().get(feed).to();
        int best = NONE;
        for (int left = set; left != 0; left &= left - 1) {
            int first = Integer.numberOfTrailingZeros(left);
            best = Math.min(best, to[first] + path[set * units + first]);
        }
        return best;
    }

    private Optional<Chains> one() {
        int best = 0;
        for (int f = 1; f < line.length; f++) {
            best = line[f][full] < line[best][full] ? f : best;
        }
        return line[best][full] >= NONE ? Optional.empty() : Optional.of(proved(List.of(chain(best, full))));
    }

    /** The best cost of reaching each set by the first so many outlets, by how many lines are counted. */
    private Optional<Chains> divided(int most, int counts) {
        List<Integer> slots = slots(most);
        long[][][] best = new long[slots.size() + 1][counts + 1][full + 1];
        for (long[] row : best[0]) {
            Arrays.fill(row, NONE);
        }
        best[0][0][0] = 0;
        for (int s = 0; s < slots.size(); s++) {
            int[] ways = line[slots.get(s)];
            for (int c = 0; c <= counts; c++) {
                long[] before = best[s][c];
                long[] fewer = best[s][counts == 1 ? c : Math.max(0, c - 1)];
                boolean takes = counts == 1 ? c == 0 : c > 0;
                for (int set = 0; set <= full; set++) {
                    best[s + 1][c][set] = takes ? taken(set, before[set], fewer, ways) : before[set];
                }
            }
        }
        int count = counts == 1 ? 0 : counts;
        return best[slots.size()][count][full] >= NONE
                ? Optional.empty()
                : Optional.of(proved(traced(best, slots, count, counts == 1)));
    }

    private static long taken(int set, long without, long[] fewer, int[] ways) {
        long best = without;
        for (int sub = set; sub != 0; sub = sub - 1 & set) {
            best = Math.min(best, fewer[set & ~sub] + ways[sub]);
        }
        return best;
    }

    private List<Integer> slots(int most) {
        List<Integer> slots = new ArrayList<>();
        for (int f = 0; f < task.feeds().size(); f++) {
            for (int n = 0; n < Math.min(most, task.feeds().get(f).lines()); n++) {
                slots.add(f);
            }
        }
        return slots;
    }

    private List<Chain> traced(long[][][] best, List<Integer> slots, int count, boolean uncounted) {
        List<Chain> chains = new ArrayList<>();
        int set = full;
        int c = count;
        for (int s = slots.size(); s > 0; s--) {
            if (best[s][c][set] == best[s - 1][c][set]) {
                continue;
            }
            int then = uncounted ? c : c - 1;
            for (int sub = set; sub != 0; sub = sub - 1 & set) {
                if (best[s][c][set] == best[s - 1][then][set & ~sub] + line[slots.get(s - 1)][sub]) {
                    chains.add(0, chain(slots.get(s - 1), sub));
                    set &= ~sub;
                    c = then;
                    break;
                }
            }
        }
        return chains;
    }

    private Chain chain(int feed, int set) {
        int[] order = new int[Integer.bitCount(set)];
        int left = set;
        int[] ways = task.feeds().get(feed).to();
        for (int i = 0; i < order.length; i++) {
            int next = next(left, ways);
            order[i] = next;
            ways = task.between()[next];
            left &= ~(1 << next);
        }
        return new Chain(feed, order);
    }

    private int next(int left, int[] ways) {
        int best = -1;
        for (int rest = left; rest != 0; rest &= rest - 1) {
            int unit = Integer.numberOfTrailingZeros(rest);
            if (best < 0 || ways[unit] + path[left * units + unit] < ways[best] + path[left * units + best]) {
                best = unit;
            }
        }
        return best;
    }

    private Chains proved(List<Chain> chains) {
        Chains found = Chains.of(task, chains);
        return found.bounded(found.lines(), found.cost());
    }
}
