package taxon.core.lines;

import java.util.Arrays;

/**
 * What no answer can cost less than. Every answer is a tree that joins all units to the feeds; the cheapest tree costs no more,
 * also where leaving a unit more than once is made dear by as much as it is made cheap elsewhere (Held and Karp, "The
 * traveling-salesman problem and minimum spanning trees", 1970; from memory). In the same way it is made worth while to come
 * into each group of units by as many lines as its units need.
 */
final class ChainBound {
    private static final int ROUNDS = 120;
    private static final int ROUNDS_WITHOUT_GAIN = 12;
    private static final double ROUNDING = 0.001;

    private final ChainTask task;
    private final int units;
    private final int[] root;
    private final double[] price;
    private double rootPrice;
    private final int[] needed;
    private final int[] entries;
    private final double[] reward;
    private final int[] degree;
    private int rootDegree;

    private ChainBound(ChainTask task) {
        this.task = task;
        units = task.units();
        root = new int[units];
        Arrays.fill(root, Integer.MAX_VALUE);
        task.feeds().forEach(f -> {
            for (int i = 0; i < units; i++) {
                root[i] = Math.min(root[i], f.to()[i]);
            }
        });
        price = new double[units];
        degree = new int[units];
        needed = needed();
        entries = new int[needed.length];
        reward = new double[needed.length];
    }

    /** How many lines must come into each group at the least. */
    private int[] needed() {
        int[] count = new int[Arrays.stream(task.groups()).max().orElse(0) + 1];
        int[] load = new int[count.length];
        for (int i = 0; i < units; i++) {
            count[task.groups()[i]]++;
            load[task.groups()[i]] += task.loads()[i];
        }
        int[] lines = new int[count.length];
        for (int g = 0; g < lines.length; g++) {
            lines[g] = Math.max(
                    parts(count[g], task.limits().units()),
                    parts(load[g], task.limits().load()));
        }
        return lines;
    }

    private static int parts(int all, int most) {
        return (all + most - 1) / most;
    }

    /**
     * The bound for answers of so many lines.
     *
     * @param lines exactly so many, or at most so many where {@code exact} is not asked for
     * @param found what an answer costs; the search for a higher bound steers by it
     */
    static long of(ChainTask task, int lines, boolean exact, long found) {
        return new ChainBound(task).ascend(lines, exact, found);
    }

    private long ascend(int lines, boolean exact, long found) {
        double best = 0;
        double step = 1.5;
        int idle = 0;
        for (int round = 0; round < ROUNDS && Math.ceil(best - ROUNDING) < found; round++) {
            double bound = tree() - 2 * Arrays.stream(price).sum() + lastPrices() - lines * rootPrice + rewards();
            if (bound > best + ROUNDING) {
                best = bound;
                idle = 0;
            } else if (++idle == ROUNDS_WITHOUT_GAIN) {
                step /= 2;
                idle = 0;
            }
            if (!reprice(lines, exact, step * Math.max(1, found - bound))) {
                break;
            }
        }
        return (long) Math.ceil(best - ROUNDING);
    }

    /** A unit that passes nothing on is left but once. */
    private double lastPrices() {
        double sum = 0;
        for (int i = 0; i < units; i++) {
            sum += task.last()[i] ? price[i] : 0;
        }
        return sum;
    }

    private double rewards() {
        double sum = 0;
        for (int g = 0; g < reward.length; g++) {
            sum += reward[g] * needed[g];
        }
        return sum;
    }

    private int most(int unit) {
        return task.last()[unit] ? 1 : 2;
    }

    private boolean reprice(int lines, boolean exact, double gain) {
        double norm = (rootDegree - lines) * (double) (rootDegree - lines);
        for (int i = 0; i < units; i++) {
            int over = degree[i] - most(i);
            norm += over > 0 || price[i] > 0 ? over * over : 0;
        }
        for (int g = 0; g < reward.length; g++) {
            int lacking = needed[g] - entries[g];
            norm += lacking > 0 || reward[g] > 0 ? lacking * lacking : 0;
        }
        if (norm == 0) {
            return false;
        }
        double step = gain / norm;
        for (int i = 0; i < units; i++) {
            price[i] = Math.max(0, price[i] + step * (degree[i] - most(i)));
        }
        for (int g = 0; g < reward.length; g++) {
            reward[g] = Math.max(0, reward[g] + step * (needed[g] - entries[g]));
        }
        rootPrice += step * (rootDegree - lines);
        rootPrice = exact ? rootPrice : Math.max(0, rootPrice);
        return true;
    }

    /** The cheapest tree at these prices, by Prim. */
    private double tree() {
        int[] groups = task.groups();
        Arrays.fill(degree, 0);
        Arrays.fill(entries, 0);
        rootDegree = 0;
        double[] dist = new double[units];
        int[] from = new int[units];
        boolean[] in = new boolean[units];
        for (int i = 0; i < units; i++) {
            dist[i] = root[i] + price[i] + rootPrice - reward[task.groups()[i]];
            from[i] = -1;
        }
        double all = 0;
        for (int n = 0; n < units; n++) {
            int next = nearest(dist, in);
            in[next] = true;
            all += dist[next];
            degree[next]++;
            int before = from[next];
            if (before < 0) {
                rootDegree++;
            } else {
                degree[before]++;
            }
            if (before < 0 || groups[before] != groups[next]) {
                entries[groups[next]]++;
                entries[before < 0 ? groups[next] : groups[before]] += before < 0 ? 0 : 1;
            }
            int[] row = task.between()[next];
            for (int i = 0; i < units; i++) {
                double way = row[i] + price[next] + price[i];
                way -= groups[i] == groups[next] ? 0 : reward[groups[i]] + reward[groups[next]];
                if (!in[i] && way < dist[i]) {
                    dist[i] = way;
                    from[i] = next;
                }
            }
        }
        return all;
    }

    private static int nearest(double[] dist, boolean[] in) {
        int next = -1;
        for (int i = 0; i < dist.length; i++) {
            if (!in[i] && (next < 0 || dist[i] < dist[next])) {
                next = i;
            }
        }
        return next;
    }
}
