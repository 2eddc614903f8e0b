package taxon.core.finding;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.addressing.Occupancy;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.AddressEdits;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;

/** Rules about slots: shared, past the end, reserved. */
final class SlotRules {
    private static final Comparator<PlannedBlock> BY_START =
            Comparator.comparing((PlannedBlock b) -> b.start().orElseThrow()).thenComparing(PlannedBlock::ref);

    private final Plan plan;
    private final Occupancy occupancy;
    private final Map<UniverseNumber, List<PlannedBlock>> byUniverse;

    SlotRules(Plan plan) {
        this.plan = plan;
        occupancy = Occupancy.of(plan, Set.of());
        byUniverse = plan.blocks().stream()
                .filter(b -> b.start().isPresent())
                .sorted(BY_START)
                .collect(Collectors.groupingBy(
                        b -> b.start().orElseThrow().universe(), TreeMap::new, Collectors.toList()));
    }

    /**
     * One finding for each block that begins inside another, named with the one that reaches furthest. So the number of
     * findings is at most the number of blocks, even where a hundred share an address.
     */
    List<Finding> overlaps() {
        List<Finding> found = new ArrayList<>();
        byUniverse.forEach((universe, blocks) -> {
            PlannedBlock furthest = blocks.get(0);
            for (PlannedBlock block : blocks.subList(1, blocks.size())) {
                Optional<SlotRange> shared = slots(furthest).intersection(slots(block));
                if (shared.isPresent()) {
                    found.add(overlap(new Evidence.Overlap(furthest, block, universe, shared.get())));
                }
                furthest = slots(block).last() > slots(furthest).last() ? block : furthest;
            }
        });
        return found;
    }

    private Finding overlap(Evidence.Overlap evidence) {
        PlannedBlock later = evidence.later();
        String subjects = ":" + evidence.earlier().ref() + "+" + later.ref();
        return new Finding(
                Rule.OVERLAP,
                Rule.OVERLAP.slug() + subjects,
                List.of(evidence.earlier().fixture().key(), later.fixture().key()),
                evidence,
                moveTo(later, free(later)));
    }

    List<Finding> pastEnd() {
        return placed().filter(b -> !b.start().orElseThrow().holds(b.footprint()))
                .map(this::pastEnd)
                .toList();
    }

    private Finding pastEnd(PlannedBlock block) {
        StartAddress start = block.start().orElseThrow();
        Optional<StartAddress> free = free(block);
        int last = start.slot().number() + block.footprint() - 1;
        return new Finding(
                Rule.PAST_END,
                Rule.PAST_END.slug() + ":" + block.ref(),
                List.of(block.fixture().key()),
                new Evidence.PastEnd(block, start, last, free),
                moveTo(block, free));
    }

    List<Finding> reservedTouched() {
        List<Finding> found = new ArrayList<>();
        for (ReservedRun run : plan.reservedRuns()) {
            for (PlannedBlock block : byUniverse.getOrDefault(run.universe(), List.of())) {
                slots(block).intersection(run.slots()).ifPresent(shared -> found.add(touched(block, run, shared)));
            }
        }
        return found;
    }

    private Finding touched(PlannedBlock block, ReservedRun run, SlotRange shared) {
        return new Finding(
                Rule.RESERVED_TOUCHED,
                Rule.RESERVED_TOUCHED.slug() + ":" + block.ref() + "+" + run.number(),
                List.of(block.fixture().key()),
                new Evidence.ReservedTouched(block, block.start().orElseThrow(), run, shared),
                moveTo(block, free(block)));
    }

    /** On its own universe after where it is, then before, then on a later one. */
    private Optional<StartAddress> free(PlannedBlock block) {
        StartAddress start = block.start().orElseThrow();
        return occupancy
                .firstFitOn(start.universe(), start.slot().number(), block.footprint(), 0)
                .or(() -> occupancy.firstFitOn(start.universe(), Slot.FIRST, block.footprint(), 0))
                .or(() -> occupancy.firstFit(start, block.footprint(), 0));
    }

    private static Optional<Remedy> moveTo(PlannedBlock block, Optional<StartAddress> to) {
        return to.map(a -> new Remedy.Apply(
                "Move " + block.label() + " to " + a, AddressEdits.move(block.ref(), a, block.label())));
    }

    private Stream<PlannedBlock> placed() {
        return byUniverse.values().stream().flatMap(List::stream);
    }

    private static SlotRange slots(PlannedBlock block) {
        return block.slots().orElseThrow();
    }
}
