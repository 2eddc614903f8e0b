package taxon.core.finding;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.addressing.space.Fits;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Shares;
import taxon.core.rig.wish.Wish;

/** The addressed blocks of a plan by universe, built once for all rules that look at slots. Time: n log n. */
final class SlotIndex {
    private final Plan plan;
    private final TreeMap<UniverseNumber, List<Seat>> byUniverse = new TreeMap<>();
    private final Shares shares;
    private final Wish wish;
    private Optional<Fits> fits = Optional.empty();

    /** A block where it lies; what would lie past 512 is cut off. */
    record Seat(PlannedBlock block, int first, int last) {
        SlotRange slots() {
            return new SlotRange(first, last);
        }

        StartAddress start() {
            return block.start().orElseThrow();
        }
    }

    SlotIndex(Plan plan) {
        this.plan = plan;
        shares = Shares.of(plan);
        wish = plan.wish().orElse(Wish.USUAL);
        List<PlannedBlock> placed = new ArrayList<>(plan.blocks().size());
        for (PlannedBlock block : plan.blocks()) {
            if (block.start().isPresent()) {
                placed.add(block);
            }
        }
        List<Seat> here = new ArrayList<>();
        for (long key : sortedKeys(placed)) {
            PlannedBlock block = placed.get((int) (key & INDEX));
            int universe = block.start().orElseThrow().universe().number();
            if (!here.isEmpty() && universe != universe(here.get(0))) {
                here = new ArrayList<>();
            }
            if (here.isEmpty()) {
                byUniverse.put(UniverseNumber.of(universe), here);
            }
            int first = block.start().orElseThrow().slot().number();
            here.add(new Seat(block, first, Math.min(512, first + block.footprint() - 1)));
        }
    }

    private static final long INDEX = (1L << 24) - 1;

    /** Universe, slot, place in the plan: one number each, since sorting numbers is many times faster. */
    private static long[] sortedKeys(List<PlannedBlock> blocks) {
        long[] keys = new long[blocks.size()];
        for (int i = 0; i < keys.length; i++) {
            StartAddress start = blocks.get(i).start().orElseThrow();
            keys[i] = ((long) start.absolute() << 24) | i;
        }
        Arrays.sort(keys);
        return keys;
    }

    private static int universe(Seat seat) {
        return seat.start().universe().number();
    }

    Plan plan() {
        return plan;
    }

    /** By universe, in the order of the slots. */
    Map<UniverseNumber, List<Seat>> byUniverse() {
        return byUniverse;
    }

    List<Seat> on(UniverseNumber universe) {
        return byUniverse.getOrDefault(universe, List.of());
    }

    /** The wish in force, or what is usual. */
    Wish wish() {
        return wish;
    }

    /** Where there is room, as the wish in force says, away from what can hurt people; worked out only when a way out is looked for. */
    Fits fits() {
        if (fits.isEmpty()) {
            fits = Optional.of(Fits.hazardsApart(plan));
        }
        return fits.get();
    }

    /** The block, or all blocks that share its address on purpose. */
    List<PlannedBlock> together(PlannedBlock block) {
        return shares.of(block.ref())
                .map(s -> s.blocks().stream()
                        .flatMap(r -> plan.block(r).stream())
                        .filter(b -> b.start().equals(block.start()))
                        .toList())
                .orElse(List.of(block));
    }

    /** True when both have one address on purpose. */
    boolean isShared(PlannedBlock one, PlannedBlock other) {
        return shares.isMeant(one, other);
    }
}
