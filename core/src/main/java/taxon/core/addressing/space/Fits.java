package taxon.core.addressing.space;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.request.SharingClasses;
import taxon.core.addressing.space.Occupancy.FreeRun;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.packing.Hole;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.wish.Wish;

/**
 * What fits where, as the plan is now and under the wish in force: its gaps, headroom, round starts, split and universes; not
 * its first address, which is for proposals only.
 */
public final class Fits {
    private final Plan plan;
    private final SharingClasses companies;
    private final JobSpace ground;

    private Fits(Plan plan, Predicate<PlannedBlock> lifted) {
        this.plan = plan;
        Wish wish = plan.wish().orElse(Wish.USUAL);
        Wish anywhere = wish.within(StartAddress.of(1, 1), wish.universes());
        companies = new SharingClasses(plan, anywhere);
        ground = JobSpace.of(plan, anywhere, companies, lifted);
    }

    public static Fits of(Plan plan) {
        return new Fits(plan, b -> false);
    }

    /** As if these fixtures were not there. */
    public static Fits without(Plan plan, Collection<FixtureKey> lifted) {
        Set<FixtureKey> keys = new HashSet<>(lifted);
        return new Fits(plan, b -> keys.contains(b.fixture().key()));
    }

    /** As if these blocks were not there. */
    public static Fits withoutBlocks(Plan plan, Collection<BlockRef> lifted) {
        Set<BlockRef> refs = new HashSet<>(lifted);
        return new Fits(plan, b -> refs.contains(b.ref()));
    }

    /**
     * Where a run of slots may begin on a universe: all such starts, as runs of neighbouring slots.
     *
     * @param length 1 to 512
     */
    public List<SlotRange> starts(UniverseNumber universe, int length) {
        return runs(startBits(universe.number(), length, Optional.empty()));
    }

    private BitSet startBits(int universe, int length, Optional<SharingClass> company) {
        BitSet bits = new BitSet(Slot.LAST + 1);
        UniverseSpace floor = ground.floor(universe);
        boolean open = ground.isAllowed(universe) && company.map(floor::accepts).orElse(true);
        int step = ground.grain().onGrid() ? ground.grain().step() : 1;
        for (int slot = Slot.FIRST; open && slot + length - 1 <= ground.lastSlot(); slot += step) {
            bits.set(slot, floor.isFree(slot, length, ground.grain().gap()));
        }
        return bits;
    }

    private static List<SlotRange> runs(BitSet bits) {
        List<SlotRange> runs = new ArrayList<>();
        for (int from = bits.nextSetBit(0); from >= 0; ) {
            int end = bits.nextClearBit(from);
            runs.add(new SlotRange(from, end - 1));
            from = bits.nextSetBit(end);
        }
        return runs;
    }

    /** The first place at or behind an address for a run of slots; empty when no universe that is allowed has one. */
    public Optional<StartAddress> next(StartAddress from, int length) {
        if (length > ground.lastSlot()) {
            return Optional.empty();
        }
        int slot = from.slot().number();
        Optional<Integer> at = ground.allowedFrom(from.universe().number());
        while (at.isPresent()) {
            boolean first = at.get() == from.universe().number();
            int found = ground.floor(at.get())
                    .firstFit(first ? slot : Slot.FIRST, ground.lastSlot(), length, ground.grain());
            if (found > 0) {
                return Optional.of(StartAddress.of(at.get(), found));
            }
            at = ground.allowedFrom(at.get() + 1);
        }
        return Optional.empty();
    }

    /**
     * How the free slots of a universe lie.
     *
     * @param free slots that neither a fixture nor a reserved run takes and that need not stay free
     * @param largest the longest run of them
     * @param runs how many runs there are
     */
    public record FreeSpace(int free, int largest, int runs) {
        /** How scattered the free slots are, in per cent: 0 where they are one run. */
        public int fragmentation() {
            return free == 0 ? 0 : 100 - 100 * largest / free;
        }
    }

    public FreeSpace freeSpace(UniverseNumber universe) {
        List<Hole> holes = ground.holes(universe.number());
        return new FreeSpace(
                holes.stream().mapToInt(Hole::length).sum(),
                holes.stream().mapToInt(Hole::length).max().orElse(0),
                holes.size());
    }

    /** The longest run in which something may be placed, on these universes; of equal ones the first. */
    public Optional<FreeRun> largest(Collection<UniverseNumber> universes) {
        Optional<FreeRun> best = Optional.empty();
        for (UniverseNumber universe : universes) {
            for (Hole hole : ground.holes(universe.number())) {
                if (best.isEmpty() || hole.length() > best.get().slots().length()) {
                    best = Optional.of(new FreeRun(universe, new SlotRange(hole.first(), hole.last())));
                }
            }
        }
        return best;
    }

    /** How many more of a length fit on these universes as they are. */
    public int more(Collection<UniverseNumber> universes, int length) {
        int more = 0;
        int pace = ground.grain().pace(length);
        for (UniverseNumber universe : universes) {
            for (Hole hole : ground.isAllowed(universe.number()) ? ground.holes(universe.number()) : List.<Hole>of()) {
                more += hole.length() < length ? 0 : 1 + (hole.length() - length) / pace;
            }
        }
        return more;
    }

    /**
     * Where blocks may go together, keeping their distances: all starts of the one that is held, by universe, as runs of
     * neighbouring slots. A universe without any is left out. The blocks must have been left out of these fits.
     *
     * @param held one of the blocks; all need an address
     * @param targets universes on which the held one is looked for
     */
    public Map<UniverseNumber, List<SlotRange>> together(
            List<PlannedBlock> blocks, PlannedBlock held, Collection<UniverseNumber> targets) {
        Map<List<Object>, BitSet> known = new HashMap<>();
        Map<UniverseNumber, List<SlotRange>> found = new TreeMap<>();
        for (UniverseNumber target : targets) {
            BitSet all = new BitSet(Slot.LAST + 1);
            all.set(Slot.FIRST, Slot.LAST + 1);
            for (PlannedBlock block : blocks) {
                all.and(startsOfHeld(block, held, target.number(), known));
            }
            if (!all.isEmpty()) {
                found.put(target, runs(all));
            }
        }
        return found;
    }

    private BitSet startsOfHeld(PlannedBlock block, PlannedBlock held, int target, Map<List<Object>, BitSet> known) {
        StartAddress mine = block.start().orElseThrow();
        StartAddress its = held.start().orElseThrow();
        int universe = target + mine.universe().number() - its.universe().number();
        if (!UniverseNumber.isLegal(universe)) {
            return new BitSet();
        }
        SharingClass company = companies.of(block.fixture(), block.ref().block());
        BitSet own = known.computeIfAbsent(
                List.of(universe, block.footprint(), company),
                k -> startBits(universe, block.footprint(), Optional.of(company)));
        return shifted(own, its.slot().number() - mine.slot().number());
    }

    private static BitSet shifted(BitSet bits, int by) {
        BitSet moved = new BitSet(Slot.LAST + 1);
        bits.stream().map(b -> b + by).filter(Slot::isLegal).forEach(moved::set);
        return moved;
    }

    /** Who is in the way of a run of slots, or too near; what is not there is not named. */
    public List<PlannedBlock> inTheWay(StartAddress start, int length, Collection<BlockRef> notAsked) {
        int gap = ground.grain().gap();
        int first = start.slot().number();
        int last = first + length - 1;
        return plan.blocks().stream()
                .filter(b -> !notAsked.contains(b.ref()))
                .filter(b -> b.start()
                        .filter(a -> a.universe().equals(start.universe()))
                        .isPresent())
                .filter(b -> b.slots().orElseThrow().first() <= last + gap
                        && first <= b.slots().orElseThrow().last() + gap)
                .toList();
    }
}
