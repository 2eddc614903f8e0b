package taxon.core.lines;

import java.util.Arrays;

/**
 * What no answer can cost less than. Every answer is a tree that joins all units to the feeds; the cheapest tree costs no more,
 * also where leaving a unit more than once is made dear by as much as it is made cheap elsewhere (Held and Karp, "The
 * traveling-salesman problem and minimum spanning trees", 1970; from memory).
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
            double bound = tree() - 2 * Arrays.stream(price).sum() + lastPrices() - lines * rootPrice;
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

    private int most(int unit) {
        return task.last()[unit] ? 1 : 2;
    }

    private boolean reprice(int lines, boolean exact, double gain) {
        double norm = (rootDegree - lines) * (double) (rootDegree - lines);
        for (int i = 0; i < units; i++) {
            int over = degree[i] - most(i);
            norm += over > 0 || price[i] > 0 ? over * over : 0;
        }
        if (norm == 0) {
            return false;
        }
        double step = gain / norm;
        for (int i = 0; i < units; i++) {
            price[i] = Math.max(0, price[i] + step * (degree[i] - most(i)));
        }
        rootPrice += step * (rootDegree - lines);
        rootPrice = exact ? rootPrice : Math.max(0, rootPrice);
        return true;
    }

    /** The cheapest tree at these prices, by Prim. */
    private double tree() {
        Arrays.fill(degree, 0);
        rootDegree = 0;
        double[] dist = new double[units];
        int[] from = new int[units];
        boolean[] in = new boolean[units];
        for (int i = 0; i < units; i++) {
            dist[i] = root[i] + price[i] + rootPrice;
            from[i] = -1;
        }
        double all = 0;
        for (int n = 0; n < units; n++) {
            int next = nearest(dist, in);
            in[next] = true;
            all += dist[next];
            degree[next]++;
            if (from[next] < 0) {
                rootDegree++;
            } else {
                degree[from[next]]++;
            }
            int[] row = task.between()[next];
            for (int i = 0; i < units; i++) {
                double way = row[i] + price[next] + price[i];
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
