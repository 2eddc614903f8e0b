package taxon.core.packing.site;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.packing.Effort;
import taxon.core.packing.Grain;
import taxon.core.packing.site.BestFill.Filled;
import taxon.core.packing.site.Master.Share;

/**
 * Fills sites so that as few orders as can be are left over, and of such fillings at the least cost: what it costs to begin
 * sites, less what those are worth who stay.
 *
 * <p>A linear programme over fillings of sites gives the bound and shows the way ({@link Master}); whole fillings are taken
 * from it one after the other, in several ways (diving). Where that does not reach the bound, choices among all fillings that
 * are known by then are tried ({@link ChosenFills}). Guarantee: the fillings are legal, and no filling costs less than the bound.
 */
public final class SiteFilling {
    /** How many ways of diving are tried. */
    private static final int MOST_DIVES = 12;
    /** How often columns are looked for while diving. */
    private static final int ROUNDS_OF_A_DIVE = 12;

    /** What choosing among known fillings may take. */
    private static final long NUMBERS_OF_CHOICES = 20_000_000;

    private static final double NEAR = 1e-6;

    private final List<Good> goods;
    private final List<Order> orders;
    private final List<Site> sites;
    private final Effort effort;
    private final BestFill bestFill;
    private final long penalty;
    private final Set<Master.Column> pool = Master.emptyPool();
    private long bound = Long.MIN_VALUE;

    private SiteFilling(Grain grain, List<Good> goods, List<Order> orders, List<Site> sites, Effort effort) {
        this.goods = List.copyOf(goods);
        this.orders = List.copyOf(orders);
        this.sites = List.copyOf(sites);
        this.effort = effort;
        bestFill = new BestFill(grain, this.goods);
        penalty = Site.UNIT
                + sites.stream()
                        .mapToLong(s -> s.weight() + s.begin() * s.count())
                        .sum();
    }

    /**
     * A filling.
     *
     * @param fills of every site that is used; one for each of those that are alike
     * @param leftOver how many of each good found no place
     * @param cost of the fills, in parts of {@link Site#UNIT}
     * @param atLeast no filling that leaves nothing over costs less; as the cost
     * @param leftAtLeast no filling leaves fewer orders over
     */
    public record Result(List<SiteFill> fills, int[] leftOver, long cost, long atLeast, int leftAtLeast) {
        public int left() {
            return Arrays.stream(leftOver).sum();
        }
    }

    /** The best filling that was found before the effort was spent. */
    public static Result fill(Grain grain, List<Good> goods, List<Order> orders, List<Site> sites, Effort effort) {
        return new SiteFilling(grain, goods, orders, sites, effort).search();
    }

    private Result search() {
        int[] need = goods.stream().mapToInt(Good::count).toArray();
        int[] open = sites.stream().mapToInt(Site::count).toArray();
        Master master = new Master(goods, need, orders, open, (double) penalty / Site.UNIT, pool);
        improve(master, need, open, Integer.MAX_VALUE);
        Found best = new Dive(need, open, -1).run(Optional.of(master));
        for (int skipped = 0; skipped < MOST_DIVES && !effort.isSpent() && total(best) > ceiling(bound); skipped++) {
            Found next = new Dive(need, open, skipped).run(Optional.empty());
            best = total(next) < total(best) ? next : best;
        }
        boolean few = sites.stream().mapToInt(Site::count).sum() <= ChosenFills.MOST_UNIVERSES;
        return result(few && total(best) > ceiling(bound) ? chosen(best, need) : best);
    }

    /**
     * What was found.
     *
     * @param need how many of each good are left over
     */
    private record Found(List<SiteFill> fills, int[] need, long cost) {}

    private long total(Found found) {
        return found.cost + penalty * Arrays.stream(found.need).sum();
    }

    /** A better choice of known fillings than was found, or that. */
    private Found chosen(Found found, int[] need) {
        return effort.within(Math.min(effort.left() / 2, NUMBERS_OF_CHOICES), part -> {
            KnownFills known = new KnownFills(goods, sites, penalty);
            known.add(bestFill, part);
            pool.forEach(c -> c.fill().forEach(known::add));
            return new ChosenFills(sites, known, goods.size(), penalty, part)
                    .below(total(found), need)
                    .map(fills -> found(fills, need))
                    .orElse(found);
        });
    }

    private Found found(List<SiteFill> fills, int[] need) {
        int[] left = need;
        for (SiteFill fill : fills) {
            left = SiteFill.beside(fill.counts(goods.size()), left);
        }
        return new Found(fills, left, fills.stream().mapToLong(SiteFill::cost).sum());
    }

    /** Costs are whole units wherever sitters weigh whole units; the bound may be rounded up to one then. */
    private long ceiling(long parts) {
        return Math.floorDiv(parts + Site.UNIT - 1, Site.UNIT) * Site.UNIT;
    }

    private Result result(Found best) {
        long others = penalty - Site.UNIT;
        // What remains above all that else can cost must be left over; without a bound nothing is known to remain.
        long over = bound <= others ? 0 : bound - others;
        long most = sites.stream().mapToLong(Site::weight).sum();
        int leftAtLeast = (int) ((over + penalty - 1) / penalty);
        return new Result(best.fills, best.need, best.cost, Math.max(bound, -most), leftAtLeast);
    }

    /** Looks for columns that are worth more than they cost until there are none, and raises the bound. */
    private void improve(Master master, int[] need, int[] open, int rounds) {
        boolean whole = rounds == Integer.MAX_VALUE;
        for (int round = 0; round < rounds && master.solve(effort); round++) {
            double[] prices = master.prices();
            long[] worths = worths(prices);
            long reached = 0;
            boolean grown = false;
            for (int g = 0; g < goods.size(); g++) {
                reached += worths[g] * need[g];
            }
            for (Order order : orders) {
                reached -= Math.max(0, worth(order, worths) - penalty) * order.count();
            }
            for (int s = 0; s < sites.size(); s++) {
                if (open[s] > 0) {
                    Filled filled = bestFill.of(s, sites.get(s), worths, effort);
                    reached -= filled.worth() * open[s];
                    double gain = (double) filled.worth() / Site.UNIT + prices[master.row(s)];
                    grown |= gain > NEAR && master.add(master.column(filled.fill()));
                }
            }
            if (effort.isSpent()) {
                return;
            }
            bound = whole ? Math.max(bound, reached) : bound;
            if (!grown) {
                return;
            }
        }
    }

    private static long worth(Order order, long[] worths) {
        long worth = 0;
        for (int g = 0; g < worths.length; g++) {
            worth += worths[g] * order.counts()[g];
        }
        return worth;
    }

    private long[] worths(double[] prices) {
        long[] worths = new long[goods.size()];
        for (int g = 0; g < worths.length; g++) {
            worths[g] = Math.max(0, Math.min(Master.ARTIFICIAL * penalty, Math.round(prices[g] * Site.UNIT)));
        }
        return worths;
    }

    /** Takes whole fillings out of the linear programme, one after the other, and asks again about the rest. */
    private final class Dive {
        private int[] need;
        private final int[] open;
        private final List<SiteFill> fills = new ArrayList<>();
        private long cost;
        /** Of the fillings that are in fractions, how many are passed over the first time; −1 takes all whole ones at once. */
        private int passOver;

        private final boolean wholeFirst;

        Dive(int[] need, int[] open, int skipped) {
            this.need = need;
            this.open = open.clone();
            wholeFirst = skipped % 2 != 0;
            passOver = Math.max(0, (skipped + 1) / 2);
        }

        Found run(Optional<Master> solved) {
            Optional<Master> first = solved;
            while (Arrays.stream(open).anyMatch(n -> n > 0)) {
                Master master = first.orElseGet(this::asked);
                first = Optional.empty();
                List<Share> shares = master.shares();
                if (shares.isEmpty() || !take(shares)) {
                    break;
                }
            }
            return new Found(fills, need, cost);
        }

        private Master asked() {
            Master master = new Master(goods, need, orders, open, (double) penalty / Site.UNIT, pool);
            improve(master, need, open, ROUNDS_OF_A_DIVE);
            return master;
        }

        private boolean take(List<Share> shares) {
            boolean any = false;
            for (Share share : shares) {
                int whole = (int) Math.floor(share.share() + NEAR);
                if (wholeFirst || !any) {
                    for (int i = 0; i < whole; i++) {
                        any |= lay(share.fill());
                    }
                }
            }
            if (!any) {
                int at = Math.min(passOver, shares.size() - 1);
                passOver = 0;
                any = lay(shares.get(at).fill());
            }
            return any;
        }

        private boolean lay(SiteFill fill) {
            if (open[fill.site()] == 0) {
                return false;
            }
            open[fill.site()]--;
            need = SiteFill.beside(fill.counts(goods.size()), need);
            fills.add(fill);
            cost += fill.cost();
            return true;
        }
    }
}
