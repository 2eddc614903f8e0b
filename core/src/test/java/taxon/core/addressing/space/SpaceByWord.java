package taxon.core.addressing.space;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.fixture.Facts;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Order;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;

/** Where room is on a plan under a wish, slot by slot from the meaning of the words; it knows no hole and no first fit. */
final class SpaceByWord {
    static final int HIGHEST = 6;

    private final Plan plan;
    private final Wish wish;
    private final Set<BlockRef> lifted;
    private final Map<Integer, List<Run>> byUniverse = new HashMap<>();
    private final Map<Integer, BitSet> reserved = new HashMap<>();

    SpaceByWord(Plan plan, Wish wish, Set<BlockRef> lifted) {
        this.plan = plan;
        this.wish = wish;
        this.lifted = lifted;
    }

    Plan plan() {
        return plan;
    }

    Wish wish() {
        return wish;
    }

    Set<BlockRef> lifted() {
        return lifted;
    }

    /** Blocks of one fixture that follow each other. */
    private record Run(int universe, int first, int length, List<PlannedBlock> blocks) {
        int end() {
            return first + length;
        }

        boolean isGoneOnBy(PlannedBlock block) {
            BlockRef last = blocks.get(blocks.size() - 1).ref();
            return last.fixture().equals(block.ref().fixture())
                    && last.block() + 1 == block.ref().block();
        }
    }

    /** A wish with everything in it that says where room is. */
    static Wish wish(Random random) {
        Starts starts = Starts.values()[random.nextInt(3)];
        UniverseSet universes = random.nextBoolean() ? UniverseSet.ALL : UniverseSet.of(1 + random.nextInt(2), 4);
        return new Wish(
                new Wish.Aim(Order.FIXTURE_ID, random.nextBoolean() ? Style.COMPACT_BY_PORT : Style.IN_ORDER),
                new Wish.Apart(
                        random.nextBoolean() ? Split.TYPE : Split.NONE, random.nextInt(3) == 0, Blocks.FOLLOW_ON),
                new Spacing(random.nextInt(4), starts, 1 + random.nextInt(12), false),
                new Wish.Bounds(
                        Headroom.ofSlots(random.nextInt(3) * 10),
                        StartAddress.of(1 + random.nextInt(2), 1 + random.nextInt(60)),
                        universes,
                        Optional.of(1 + random.nextInt(12)).filter(k -> random.nextBoolean())));
    }

    private List<Run> runs(int universe) {
        return byUniverse.computeIfAbsent(universe, this::readRuns);
    }

    private List<Run> readRuns(int universe) {
        List<Run> runs = new ArrayList<>();
        for (PlannedBlock block : plan.blocks()) {
            boolean here = !lifted.contains(block.ref())
                    && block.start()
                            .filter(a -> a.universe().number() == universe)
                            .isPresent();
            if (!here) {
                continue;
            }
            int slot = block.start().orElseThrow().slot().number();
            Run last = runs.isEmpty() ? null : runs.get(runs.size() - 1);
            boolean follows = last != null && last.end() == slot && last.isGoneOnBy(block);
            List<PlannedBlock> blocks = new ArrayList<>(follows ? last.blocks() : List.of());
            blocks.add(block);
            if (follows) {
                runs.set(
                        runs.size() - 1,
                        new Run(universe, last.first(), last.length() + block.footprint(), List.copyOf(blocks)));
            } else {
                runs.add(new Run(universe, slot, block.footprint(), List.copyOf(blocks)));
            }
        }
        return runs;
    }

    /** From its start on this many slots are its own: at a pitch whole steps. */
    int own(int length) {
        int apart = length + wish.spacing().gap();
        int every = wish.spacing().every();
        return wish.spacing().starts() == Starts.PITCH ? (apart + every - 1) / every * every : apart;
    }

    boolean isAllowed(int universe) {
        return UniverseNumber.isLegal(universe)
                && universe >= wish.from().universe().number()
                && wish.universes().holds(UniverseNumber.of(universe));
    }

    /** Kept by round starts, by the distances, by what is reserved, and by the headroom. */
    boolean isFree(int universe, int slot, int length) {
        boolean onStart = wish.spacing().starts() != Starts.ROUND
                || (slot - 1) % wish.spacing().every() == 0;
        return onStart
                && runs(universe).stream()
                        .allMatch(r -> slot >= r.first() + own(r.length()) || slot + own(length) <= r.first())
                && slot + length - 1 <= 512 - wish.headroom().slots()
                && !isReserved(universe, slot, length);
    }

    private boolean isReserved(int universe, int slot, int length) {
        int next = reserved(universe).nextSetBit(slot);
        return next >= 0 && next < slot + length;
    }

    boolean isReserved(int universe, int slot) {
        return reserved(universe).get(slot);
    }

    private BitSet reserved(int universe) {
        return reserved.computeIfAbsent(universe, u -> {
            BitSet slots = new BitSet();
            plan.reservedRuns().stream()
                    .filter(r -> r.universe().number() == u)
                    .forEach(r -> slots.set(r.slots().first(), r.slots().last() + 1));
            return slots;
        });
    }

    boolean isTaken(int universe, int slot) {
        return runs(universe).stream().anyMatch(r -> slot >= r.first() && slot < r.end());
    }

    /** Where a run of a block's class may begin, nothing being said of the first address. */
    boolean mayJoin(int universe, PlannedBlock block) {
        return runs(universe).stream()
                .flatMap(r -> r.blocks().stream())
                .allMatch(b -> word(b).equals(word(block)) && isHazard(b) == isHazard(block));
    }

    private String word(PlannedBlock block) {
        return wish.split() == Split.TYPE ? block.fixture().type().value() : "";
    }

    private boolean isHazard(PlannedBlock block) {
        boolean hurts = block.type().hazard() != Facts.Hazard.NONE
                || !block.fixture().traits().hazard().isBlank();
        return wish.hazardsApart() && hurts;
    }

    /** Fixtures that a cable feeds there. */
    int units(int universe) {
        return (int) runs(universe).stream()
                .flatMap(r -> r.blocks().stream())
                .filter(b -> b.ref().block() == 1 && b.type().reach() == Facts.Reach.LINE)
                .count();
    }

    boolean lineTakes(int universe, int more) {
        boolean counted = wish.style() == Style.COMPACT_BY_PORT && more > 0;
        return !counted
                || wish.unitsPerLine().map(k -> units(universe) + more <= k).orElse(true);
    }

    boolean isBeforeFrom(int universe, int slot) {
        return StartAddress.of(universe, slot).compareTo(wish.from()) < 0;
    }
}
