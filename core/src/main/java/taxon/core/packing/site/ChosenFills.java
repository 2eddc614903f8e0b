package taxon.core.packing.site;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import taxon.core.packing.Effort;

/**
 * Chooses one of the known fillings for each site, or none: all choices in depth, but for those that cannot be better than what
 * was found. Exact for the fillings that are known, when the effort suffices; others may be better, so it tells nothing of bounds.
 */
final class ChosenFills {
    /** For more universes than that the choices are too many to come to an end. */
    static final int MOST_UNIVERSES = 40;

    private static final int NUMBERS_OF_A_GOOD = 4;

    private final int goods;
    private final long penalty;
    private final Effort effort;
    /** One for each universe: those that are alike come one after the other. */
    private final List<Universe> universes = new ArrayList<>();
    /** What the universes from each on cost at least. */
    private final long[] cheapest;
    /** How many of each good the universes from each on take at most. */
    private final int[][] most;

    private final List<SiteFill> chosen = new ArrayList<>();
    private List<SiteFill> best = List.of();
    private long bestTotal;

    /** @param again true where the one before it is alike: what that one has, or what comes behind it, is enough to try */
    private record Universe(List<Known> fills, boolean again) {}

    private record Known(SiteFill fill, int[] counts) {}

    /** @param penalty for one run that is left over */
    ChosenFills(List<Site> sites, KnownFills known, int goods, long penalty, Effort effort) {
        this.goods = goods;
        this.penalty = penalty;
        this.effort = effort;
        for (int s = 0; s < sites.size(); s++) {
            List<Known> fills =
                    known.of(s).stream().map(f -> new Known(f, f.counts(goods))).toList();
            for (int i = 0; i < sites.get(s).count(); i++) {
                universes.add(new Universe(fills, i > 0));
            }
        }
        cheapest = new long[universes.size() + 1];
        most = new int[universes.size() + 1][goods];
        for (int u = universes.size() - 1; u >= 0; u--) {
            sumUp(u);
        }
    }

    private void sumUp(int at) {
        List<Known> fills = universes.get(at).fills();
        cheapest[at] = cheapest[at + 1]
                + Math.min(
                        0, fills.stream().mapToLong(k -> k.fill().cost()).min().orElse(0));
        for (int g = 0; g < goods; g++) {
            int good = g;
            most[at][g] = most[at + 1][g]
                    + fills.stream().mapToInt(k -> k.counts()[good]).max().orElse(0);
        }
    }

    /**
     * The best choice that comes to less than a total: its cost, and the penalty for each run that is left over. Empty where none
     * was found.
     *
     * @param need how many of each good
     */
    Optional<List<SiteFill>> below(long total, int[] need) {
        bestTotal = total;
        search(0, need, 0, 0);
        return bestTotal < total ? Optional.of(best) : Optional.empty();
    }

    private void search(int at, int[] need, long cost, int from) {
        if (!effort.spend((long) NUMBERS_OF_A_GOOD * goods)
                || cost + cheapest[at] + penalty * leftAtLeast(at, need) >= bestTotal) {
            return;
        }
        if (at == universes.size()) {
            bestTotal = cost + penalty * Arrays.stream(need).sum();
            best = List.copyOf(chosen);
            return;
        }
        Universe universe = universes.get(at);
        for (int i = universe.again() ? from : 0; i < universe.fills().size(); i++) {
            Known next = universe.fills().get(i);
            chosen.add(next.fill());
            search(
                    at + 1,
                    SiteFill.beside(next.counts(), need),
                    cost + next.fill().cost(),
                    i);
            chosen.remove(chosen.size() - 1);
        }
        search(at + 1, need, cost, universe.fills().size());
    }

    private int leftAtLeast(int at, int[] need) {
        int left = 0;
        for (int g = 0; g < goods; g++) {
            left += Math.max(0, need[g] - most[at][g]);
        }
        return left;
    }
}
