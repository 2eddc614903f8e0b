package taxon.core.packing.site;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import taxon.core.packing.Effort;

/**
 * Sites filled in fractions: a linear programme whose columns are fillings of sites, found when they are worth it (Dantzig and
 * Wolfe: Decomposition principle for linear programs, Operations Research 8 (1960), from memory).
 *
 * <p>Rows: each good is covered as often as it is there, by a filling or by an order that is left over at a penalty; no more
 * orders are left over than there are; each site is filled at most once. The simplex works in floating point. The bound does not: for any worths of the goods, all goods at their worths less what the
 * sites can win at most is a bound below (Lagrange), and that sum is counted in whole numbers.
 */
final class Master {
    /** Below this a number is rounding. */
    private static final double TINY = 1e-7;
    /** What it costs to leave a single good over, in penalties: more than to leave out the order that it is for. */
    static final int ARTIFICIAL = 2;

    private final List<Good> goods;
    private final int[] need;
    private final List<Order> orders;
    private final int[] sites;
    private final double penalty;
    private final int rows;
    private final Set<Column> pool;
    private final double[][] inverse;
    private final double[] value;
    private final Column[] basis;

    /**
     * A column.
     *
     * @param rows those that it is in, sites behind goods
     * @param fill empty for what is left over, covered too often, or a site that is not used
     */
    record Column(int[] rows, double[] numbers, double cost, List<SiteFill> fill) {
        double times(double[] prices) {
            double sum = 0;
            for (int i = 0; i < rows.length; i++) {
                sum += numbers[i] * prices[rows[i]];
            }
            return sum;
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Column c
                    && cost == c.cost
                    && Arrays.equals(rows, c.rows)
                    && Arrays.equals(numbers, c.numbers);
        }

        @Override
        public int hashCode() {
            return 31 * Arrays.hashCode(rows) + Arrays.hashCode(numbers);
        }
    }

    /** @param share how often a filling is used, above 0 */
    record Share(SiteFill fill, double share) {}

    /**
     * @param need how many of each good
     * @param sites how many of each site may be filled
     * @param orders who needs them
     * @param penalty for one order that is left over
     * @param pool columns that are known, which grows
     */
    Master(List<Good> goods, int[] need, List<Order> orders, int[] sites, double penalty, Set<Column> pool) {
        this.goods = goods;
        this.need = need.clone();
        this.orders = orders;
        this.sites = sites.clone();
        this.penalty = penalty;
        this.pool = pool;
        rows = need.length + orders.size() + sites.length;
        inverse = new double[rows][rows];
        value = new double[rows];
        basis = new Column[rows];
        for (int r = 0; r < rows; r++) {
            inverse[r][r] = 1;
            value[r] = amount(r);
            basis[r] = slack(r, 1, r < need.length ? ARTIFICIAL * penalty : 0);
        }
    }

    private int amount(int row) {
        int beyond = row - need.length;
        return beyond < 0
                ? need[row]
                : beyond < orders.size() ? orders.get(beyond).count() : sites[beyond - orders.size()];
    }

    /** The row of a site. */
    int row(int site) {
        return need.length + orders.size() + site;
    }

    private Column leftOver(int order) {
        int[] counts = orders.get(order).counts();
        int[] used = IntStream.concat(
                        IntStream.range(0, counts.length).filter(g -> counts[g] > 0), IntStream.of(need.length + order))
                .toArray();
        double[] numbers = Arrays.stream(used)
                .mapToDouble(r -> r < need.length ? counts[r] : 1)
                .toArray();
        return new Column(used, numbers, penalty, List.of());
    }

    private static Column slack(int row, double number, double cost) {
        return new Column(new int[] {row}, new double[] {number}, cost, List.of());
    }

    static Set<Column> emptyPool() {
        return new LinkedHashSet<>();
    }

    /** A filling as a column; the same counts at the same cost are the same column. */
    Column column(SiteFill fill) {
        int[] counts = fill.counts(goods.size());
        int[] used = IntStream.concat(
                        IntStream.range(0, counts.length).filter(g -> counts[g] > 0), IntStream.of(row(fill.site())))
                .toArray();
        double[] numbers = Arrays.stream(used)
                .mapToDouble(r -> r < counts.length ? counts[r] : 1)
                .toArray();
        return new Column(used, numbers, (double) fill.cost() / Site.UNIT, List.of(fill));
    }

    boolean add(Column column) {
        return pool.add(column);
    }

    /** Finds the least cost with the columns that are known; false when the effort was spent before. */
    boolean solve(Effort effort) {
        List<Column> columns = new ArrayList<>(pool);
        for (int r = 0; r < need.length; r++) {
            columns.add(slack(r, -1, 0));
            columns.add(slack(r, 1, ARTIFICIAL * penalty));
        }
        for (int o = 0; o < orders.size(); o++) {
            columns.add(leftOver(o));
        }
        for (int r = need.length; r < rows; r++) {
            columns.add(slack(r, 1, 0));
        }
        long round = (long) rows * rows * 3 + columns.size() * 15L;
        while (effort.spend(round)) {
            Column enters = dearest(columns, prices());
            if (enters.rows().length == 0) {
                return true;
            }
            if (!enter(enters)) {
                return false;
            }
        }
        return false;
    }

    private Column dearest(List<Column> columns, double[] prices) {
        Column found = new Column(new int[0], new double[0], 0, List.of());
        double most = TINY;
        for (Column column : columns) {
            double gain = column.times(prices) - column.cost();
            boolean open = column.fill().isEmpty() || sites[column.fill().get(0).site()] > 0;
            if (gain > most && open) {
                most = gain;
                found = column;
            }
        }
        return found;
    }

    /** What one more of each row is worth. */
    double[] prices() {
        double[] prices = new double[rows];
        for (int r = 0; r < rows; r++) {
            double cost = basis[r].cost();
            for (int c = 0; cost != 0 && c < rows; c++) {
                prices[c] += cost * inverse[r][c];
            }
        }
        return prices;
    }

    private boolean enter(Column column) {
        double[] taken = new double[rows];
        for (int r = 0; r < rows; r++) {
            taken[r] = column.times(inverse[r]);
        }
        int leaves = -1;
        for (int r = 0; r < rows; r++) {
            boolean sooner =
                    taken[r] > TINY && (leaves < 0 || value[r] / taken[r] < value[leaves] / taken[leaves] - TINY);
            leaves = sooner ? r : leaves;
        }
        if (leaves < 0) {
            return false;
        }
        pivot(leaves, taken);
        basis[leaves] = column;
        return true;
    }

    private void pivot(int row, double[] taken) {
        double divisor = taken[row];
        for (int c = 0; c < rows; c++) {
            inverse[row][c] /= divisor;
        }
        value[row] /= divisor;
        for (int r = 0; r < rows; r++) {
            if (r != row && taken[r] != 0) {
                for (int c = 0; c < rows; c++) {
                    inverse[r][c] -= taken[r] * inverse[row][c];
                }
                value[r] = Math.max(0, value[r] - taken[r] * value[row]);
            }
        }
    }

    /** The fillings that are used, in fractions; the most used first. */
    List<Share> shares() {
        List<Share> shares = new ArrayList<>();
        for (int r = 0; r < rows; r++) {
            if (!basis[r].fill().isEmpty() && value[r] > TINY) {
                shares.add(new Share(basis[r].fill().get(0), value[r]));
            }
        }
        shares.sort((one, two) -> Double.compare(two.share(), one.share()));
        return shares;
    }
}
