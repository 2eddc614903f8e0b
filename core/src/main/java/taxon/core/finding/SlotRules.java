package taxon.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.SlotIndex.Seat;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.edit.AddressEdits;

/** Rules about slots: shared, past the end, reserved. */
final class SlotRules {
    private final SlotIndex patch;

    SlotRules(SlotIndex patch) {
        this.patch = patch;
    }

    /**
     * One finding for each block that begins inside another, named with the one that reaches furthest. So the number of
     * findings is at most the number of blocks, even where a hundred share an address. What shares on purpose is left out.
     */
    List<Finding> overlaps() {
        List<Finding> found = new ArrayList<>();
        patch.byUniverse().forEach((universe, seats) -> {
            Seat furthest = seats.get(0);
            for (Seat seat : seats.subList(1, seats.size())) {
                if (seat.first() <= furthest.last() && !patch.isShared(furthest.block(), seat.block())) {
                    SlotRange shared = new SlotRange(seat.first(), Math.min(seat.last(), furthest.last()));
                    found.add(overlap(new Evidence.Overlap(furthest.block(), seat.block(), universe, shared)));
                }
                furthest = seat.last() > furthest.last() ? seat : furthest;
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
                isLocked(later) ? moveTo(evidence.earlier(), free(evidence.earlier())) : moveTo(later, free(later)));
    }

    private static boolean isLocked(PlannedBlock block) {
        return block.fixture().traits().locked();
    }

    List<Finding> pastEnd() {
        return seats().filter(s -> !s.start().holds(s.block().footprint()))
                .map(s -> pastEnd(s.block()))
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
        for (ReservedRun run : patch.plan().reservedRuns()) {
            for (Seat seat : patch.on(run.universe())) {
                seat.slots()
                        .intersection(run.slots())
                        .ifPresent(shared -> found.add(touched(seat.block(), run, shared)));
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

    /** On its own universe after where it is, then before, then on a later one that a hazard does not keep apart. */
    private Optional<StartAddress> free(PlannedBlock block) {
        StartAddress start = block.start().orElseThrow();
        UniverseNumber universe = start.universe();
        return patch.firstFitOn(universe, start.slot().number(), block.footprint())
                .or(() -> patch.firstFitOn(universe, Slot.FIRST, block.footprint()))
                .or(() -> firstBehind(universe, block));
    }

    private Optional<StartAddress> firstBehind(UniverseNumber universe, PlannedBlock block) {
        boolean fitsSomewhere = block.footprint() <= patch.wish().headroom().lastSlot();
        for (int n = universe.number() + 1; fitsSomewhere && UniverseNumber.isLegal(n); n++) {
            Optional<StartAddress> found = isOpenTo(block, UniverseNumber.of(n))
                    ? patch.firstFitOn(UniverseNumber.of(n), Slot.FIRST, block.footprint())
                    : Optional.empty();
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    /** Devices that can hurt people lie alone. */
    private boolean isOpenTo(PlannedBlock block, UniverseNumber universe) {
        List<Seat> there = patch.on(universe);
        return there.isEmpty()
                || (!block.isHazard() && there.stream().noneMatch(s -> s.block().isHazard()));
    }

    /** No way out is offered that would move what is locked. */
    private static Optional<Remedy> moveTo(PlannedBlock block, Optional<StartAddress> to) {
        return to.filter(a -> !isLocked(block))
                .map(a -> new Remedy.Apply(
                        "Move " + block.label() + " to " + a, AddressEdits.move(block.ref(), a, block.label())));
    }

    private Stream<Seat> seats() {
        return patch.byUniverse().values().stream().flatMap(List::stream);
    }
}
