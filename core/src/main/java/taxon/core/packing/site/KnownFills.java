package taxon.core.packing.site;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import taxon.core.packing.Effort;

/** Fillings to choose from, by site; of those that have as many of each good at the same cost, one. */
final class KnownFills {
    private final List<Good> goods;
    private final List<Site> sites;
    private final long worth;
    private final List<List<SiteFill>> bySite = new ArrayList<>();
    private final Set<Alike> there = new HashSet<>();

    private record Alike(int site, List<Integer> counts, long cost) {}

    /** @param worth of a run, more than it can cost to begin a site */
    KnownFills(List<Good> goods, List<Site> sites, long worth) {
        this.goods = goods;
        this.sites = sites;
        this.worth = worth;
        sites.forEach(s -> bySite.add(new ArrayList<>()));
    }

    List<SiteFill> of(int site) {
        return bySite.get(site);
    }

    void add(SiteFill fill) {
        List<Integer> counts = Arrays.stream(fill.counts(goods.size())).boxed().toList();
        if (!fill.isEmpty() && there.add(new Alike(fill.site(), counts, fill.cost()))) {
            bySite.get(fill.site()).add(fill);
        }
    }

    /** The plain ones of each site: as many as can be of one good alone, and of one class, by number and by slots. */
    void add(BestFill bestFill, Effort effort) {
        for (long[] worths : plainWorths()) {
            for (int s = 0; s < sites.size(); s++) {
                add(bestFill.of(s, sites.get(s), worths, effort).fill());
            }
        }
    }

    private List<long[]> plainWorths() {
        List<long[]> all = new ArrayList<>();
        for (int good = 0; good < goods.size(); good++) {
            long[] alone = new long[goods.size()];
            alone[good] = worth;
            all.add(alone);
        }
        goods.stream().map(Good::sharingClass).distinct().forEach(c -> {
            all.add(worths(c, false));
            all.add(worths(c, true));
        });
        return all;
    }

    private long[] worths(int sharingClass, boolean bySlots) {
        return goods.stream()
                .mapToLong(g -> g.sharingClass() == sharingClass ? worth * (bySlots ? g.length() : 1) : 0)
                .toArray();
    }
}
