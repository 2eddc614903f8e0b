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
import java.util.stream.Collectors;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.request.SharingClasses;
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
 * What fits where, as the plan is now and under the wish in force: its distances, headroom, round starts, split and
 * universes; not its first address, which is for proposals only.
 */
public final class Fits {
    private final Plan plan;
    private final SharingClasses classes;
    private final JobSpace space;
    /** The addressed blocks, read when they are first asked for. */
    private Map<UniverseNumber, List<PlannedBlock>> byUniverse = Map.of();

    private Fits(Plan plan, Predicate<PlannedBlock> lifted) {
        this(plan, plan.wish().orElse(Wish.USUAL), lifted);
    }

    private Fits(Plan plan, Wish wish, Predicate<PlannedBlock> lifted) {
        this.plan = plan;
        Wish anywhere = wish.within(StartAddress.of(1, 1), wish.universes());
        classes = new SharingClasses(plan, anywhere);
        space = JobSpace.of(plan, anywhere, classes, lifted);
    }

    private Fits(Plan plan, SharingClasses classes, JobSpace space) {
        this.plan = plan;
        this.classes = classes;
        this.space = space;
    }

    /** What fits in a plan beside all that is there, under the wish in force. */
    public static Fits of(Plan plan) {
        return new Fits(plan, b -> false);
    }

    /** As {@link #of}, and nothing joins what can hurt people, whether or not the wish says so. */
    public static Fits hazardsApart(Plan plan) {
        Wish wish = plan.wish().orElse(Wish.USUAL);
        return new Fits(plan, wish.withSplit(wish.split(), true), b -> false);
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

    private BitSet startBits(int universe, int length, Optional<SharingClass> sharingClass) {
        BitSet bits = new BitSet(Slot.LAST + 1);
        UniverseSpace there = space.universe(universe);
        boolean open =
                space.isAllowed(universe) && sharingClass.map(there::accepts).orElse(true);
        int step = space.grain().onGrid() ? space.grain().step() : 1;
        for (int slot = Slot.FIRST; open && slot + length - 1 <= space.lastSlot(); slot += step) {
            bits.set(slot, there.isFree(slot, length));
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
        if (length > space.lastSlot()) {
            return Optional.empty();
        }
        int slot = from.slot().number();
        Optional<Integer> at = space.allowedFrom(from.universe().number());
        while (at.isPresent()) {
            boolean first = at.get() == from.universe().number();
            int found = space.universe(at.get()).firstFit(first ? slot : Slot.FIRST, length);
            if (found > 0) {
                return Optional.of(StartAddress.of(at.get(), found));
            }
            at = space.allowedFrom(at.get() + 1);
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

    /** How much of a universe is free. */
    public FreeSpace freeSpace(UniverseNumber universe) {
        List<Hole> holes = space.holes(universe.number());
        return new FreeSpace(
                holes.stream().mapToInt(Hole::length).sum(),
                holes.stream().mapToInt(Hole::length).max().orElse(0),
                holes.size());
    }

    /** How many slots fixtures take; where two share a slot it counts once. */
    public int used(UniverseNumber universe) {
        return space.universe(universe.number()).used();
    }

    /** The runs of slots that nothing takes, ascending, whether or not the wish lets anything be placed there. */
    public List<SlotRange> freeRuns(UniverseNumber universe) {
        return space.universe(universe.number()).freeRuns();
    }

    /** The longest run in which something may be placed, on these universes; of equal ones the first. */
    public Optional<FreeRun> largest(Collection<UniverseNumber> universes) {
        Optional<FreeRun> best = Optional.empty();
        for (UniverseNumber universe : universes) {
            for (Hole hole : space.holes(universe.number())) {
                if (best.isEmpty() || hole.length() > best.get().slots().length()) {
                    best = Optional.of(new FreeRun(universe, new SlotRange(hole.first(), hole.last())));
                }
            }
        }
        return best;
    }

    /** How many more of a length fit on these universes as they are, each behind the other. */
    public int more(Collection<UniverseNumber> universes, int length) {
        int more = 0;
        for (UniverseNumber universe : universes) {
            int slot = space.isAllowed(universe.number()) ? Slot.FIRST : Slot.LAST + 1;
            while (slot <= Slot.LAST) {
                int found = space.universe(universe.number()).firstFit(slot, length);
                more += found == 0 ? 0 : 1;
                slot = found == 0 ? Slot.LAST + 1 : found + space.grain().pace(length);
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
        SharingClass sharingClass = classes.of(block.fixture(), block.ref().block());
        BitSet own = known.computeIfAbsent(
                List.of(universe, block.footprint(), sharingClass),
                k -> startBits(universe, block.footprint(), Optional.of(sharingClass)));
        return shifted(own, its.slot().number() - mine.slot().number());
    }

    private static BitSet shifted(BitSet bits, int by) {
        BitSet moved = new BitSet(Slot.LAST + 1);
        bits.stream().map(b -> b + by).filter(Slot::isLegal).forEach(moved::set);
        return moved;
    }

    /** Who is in the way of a run of slots, or too near; what is not there is not named. */
    public List<PlannedBlock> inTheWay(StartAddress start, int length, Collection<BlockRef> notAsked) {
        int first = start.slot().number();
        return plan.blocks().stream()
                .filter(b -> !notAsked.contains(b.ref()))
                .filter(b -> b.start()
                        .filter(a -> a.universe().equals(start.universe()))
                        .isPresent())
                .filter(b -> isNear(b, first, length))
                .toList();
    }

    private boolean isNear(PlannedBlock block, int first, int length) {
        int other = block.start().orElseThrow().slot().number();
        return other < first + space.grain().claims(length)
                && first < other + space.grain().claims(block.footprint());
    }

    /**
     * The nearest place for a block that keeps to its class: behind where it is on its universe, else before, else on a later
     * universe, else on an earlier one. The block must have been left out of these fits.
     */
    public Optional<StartAddress> nearest(PlannedBlock block) {
        StartAddress now = block.start().orElseThrow();
        SharingClass own = classes.of(block.fixture(), block.ref().block());
        int universe = now.universe().number();
        return space.firstFitOn(universe, now.slot().number(), block.footprint(), own, Piece.load(block))
                .or(() -> space.firstFitOn(universe, Slot.FIRST, block.footprint(), own, Piece.load(block)))
                .or(() -> UniverseNumber.isLegal(universe + 1)
                        ? space.firstFit(
                                StartAddress.of(universe + 1, Slot.FIRST), block.footprint(), own, Piece.load(block))
                        : Optional.empty())
                .or(() -> space.firstFit(space.wish().from(), block.footprint(), own, Piece.load(block)));
    }

    /** As if these blocks were not there either; nothing here changes. */
    public Fits lifting(Collection<PlannedBlock> lifted) {
        if (byUniverse.isEmpty()) {
            byUniverse = plan.blocks().stream()
                    .filter(b -> b.start().isPresent())
                    .collect(Collectors.groupingBy(b -> b.start().orElseThrow().universe()));
        }
        return new Fits(
                plan, classes, space.without(lifted, u -> byUniverse.getOrDefault(u, List.of()), plan, classes));
    }
}
