package taxon.core.packing.site;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import taxon.core.dmx.Slot;
import taxon.core.packing.Effort;
import taxon.core.packing.Grain;
import taxon.core.packing.site.SiteFill.Placed;

/**
 * The filling of a site that is worth most, when each run of a good is worth something: the longest way along the slots, where
 * a step passes a slot, lays a run or lets a sitter stay. Exact; time: slots × goods, class by class.
 */
final class BestFill {
    private static final int END = Slot.LAST + 1;

    private final List<Good> goods;
    /** Of each good: its length, and what it claims of a universe; every slot of every site asks for these. */
    private final int[] lengths;

    private final int[] claims;
    /** Goods of each class, shortest first. */
    private final List<int[]> byClass;

    BestFill(Grain grain, List<Good> goods) {
        this.goods = goods;
        lengths = goods.stream().mapToInt(Good::length).toArray();
        claims = IntStream.of(lengths).map(grain::claims).toArray();
        int classes = goods.stream().mapToInt(Good::sharingClass).max().orElse(-1) + 1;
        byClass = IntStream.range(0, classes).mapToObj(this::ofClass).toList();
    }

    private int[] ofClass(int sharingClass) {
        return IntStream.range(0, goods.size())
                .filter(g -> goods.get(g).sharingClass() == sharingClass)
                .boxed()
                .sorted(Comparator.comparingInt(g -> lengths[g]))
                .mapToInt(Integer::intValue)
                .toArray();
    }

    /**
     * A filling and its worth.
     *
     * @param worth that of its runs and sitters, less the cost to begin; 0 or more, since a site may stay empty
     */
    record Filled(SiteFill fill, long worth) {}

    /** @param worths of one run of each good, 0 or more */
    Filled of(int index, Site site, long[] worths, Effort effort) {
        Filled best = new Filled(new SiteFill(index, List.of(), List.of(), 0), 0);
        for (int c = 0; c < byClass.size(); c++) {
            if (site.isOpenTo(c)) {
                Way way = new Way(site, c, worths);
                effort.spend(2 * way.effort);
                if (way.best[Slot.FIRST] - site.begin() > best.worth()) {
                    best = new Filled(way.fill(index), way.best[Slot.FIRST] - site.begin());
                }
            }
        }
        return best;
    }

    /** Backwards along the slots: what can still be won from each on. */
    private final class Way {
        private final Site site;
        private final long[] best = new long[END + 1];
        /** What is done at a slot: −1 passes it, below the number of goods lays one, above lets a sitter stay. */
        private final int[] step = new int[END + 1];

        private final Map<Integer, List<Integer>> sittersAt = new HashMap<>();
        private long effort = END;

        Way(Site site, int sharingClass, long[] worths) {
            this.site = site;
            for (int i = 0; i < site.sitters().size(); i++) {
                Sitter sitter = site.sitters().get(i);
                if (goods.get(sitter.good()).sharingClass() == sharingClass) {
                    sittersAt
                            .computeIfAbsent(sitter.slot(), s -> new ArrayList<>())
                            .add(i);
                }
            }
            for (int slot = Slot.LAST; slot >= Slot.FIRST; slot--) {
                best[slot] = best[slot + 1];
                step[slot] = -1;
                if (site.longest()[slot] > 0) {
                    lay(slot, byClass.get(sharingClass), worths);
                    letStay(slot, worths);
                }
            }
        }

        private void lay(int slot, int[] own, long[] worths) {
            int longest = site.longest()[slot];
            for (int good : own) {
                if (lengths[good] > longest) {
                    return;
                }
                effort++;
                long worth = worths[good] == 0 ? 0 : worths[good] + best[behind(slot, good)];
                // Of what is worth the same the earliest slot is taken, so that what is left free lies behind.
                if (worth > best[slot] || (worth > 0 && worth == best[slot] && step[slot] < 0)) {
                    best[slot] = worth;
                    step[slot] = good;
                }
            }
        }

        private void letStay(int slot, long[] worths) {
            for (int index : sittersAt.getOrDefault(slot, List.of())) {
                Sitter sitter = site.sitters().get(index);
                long worth = worths[sitter.good()] + sitter.weight() + best[behind(slot, sitter.good())];
                if (worth > best[slot] || (worth == best[slot] && step[slot] < goods.size())) {
                    best[slot] = worth;
                    step[slot] = goods.size() + index;
                }
            }
        }

        private int behind(int slot, int good) {
            return Math.min(END, slot + claims[good]);
        }

        SiteFill fill(int index) {
            List<Sitter> stays = new ArrayList<>();
            List<Placed> placed = new ArrayList<>();
            long weight = 0;
            for (int slot = Slot.FIRST; slot < END; ) {
                int done = step[slot];
                if (done < 0) {
                    slot++;
                } else if (done < goods.size()) {
                    placed.add(new Placed(done, slot));
                    slot = behind(slot, done);
                } else {
                    Sitter sitter = site.sitters().get(done - goods.size());
                    stays.add(sitter);
                    weight += sitter.weight();
                    slot = behind(slot, sitter.good());
                }
            }
            return new SiteFill(index, stays, placed, site.begin() - weight);
        }
    }
}
