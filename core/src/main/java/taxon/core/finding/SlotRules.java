package taxon.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.finding.SlotIndex.Seat;
import taxon.core.rig.BlockRef;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.edit.AddressEdits;

/** Rules about slots: shared, past the end, reserved. */
final class SlotRules {
    private final SlotIndex index;

    SlotRules(SlotIndex index) {
        this.index = index;
    }

    /**
     * One finding for each block that begins inside another, named with the one that reaches furthest. So the number of
     * findings is at most the number of blocks, even where a hundred share an address. What shares on purpose meets others,
     * but not each other.
     */
    List<Finding> overlaps() {
        List<Finding> found = new ArrayList<>();
        index.byUniverse().forEach((universe, seats) -> {
            Furthest furthest = new Furthest(seats.get(0));
            for (Seat seat : seats.subList(1, seats.size())) {
                furthest.before(seat)
                        .filter(other -> seat.first() <= other.last())
                        .ifPresent(other -> found.add(overlap(new Grounds.Overlap(
                                other.block(),
                                seat.block(),
                                universe,
                                new SlotRange(seat.first(), Math.min(seat.last(), other.last()))))));
                furthest.add(seat);
            }
        });
        return found;
    }

    /** Of the seats so far the one that reaches furthest, and the one that does so among those that share nothing with it. */
    private final class Furthest {
        private Seat first;
        private Optional<Seat> second = Optional.empty();

        Furthest(Seat first) {
            this.first = first;
        }

        /** The one that reaches furthest and does not share its address with this one on purpose. */
        Optional<Seat> before(Seat seat) {
            return index.isShared(first.block(), seat.block()) ? second : Optional.of(first);
        }

        void add(Seat seat) {
            boolean shared = index.isShared(first.block(), seat.block());
            if (seat.last() > first.last()) {
                second = shared ? second : Optional.of(first);
                first = seat;
            } else if (!shared && second.filter(s -> s.last() >= seat.last()).isEmpty()) {
                second = Optional.of(seat);
            }
        }
    }

    private Finding overlap(Grounds.Overlap grounds) {
        PlannedBlock later = grounds.later();
        String subjects = ":" + grounds.earlier().ref() + "+" + later.ref();
        return new Finding(
                Rule.OVERLAP,
                Rule.OVERLAP.slug() + subjects,
                List.of(grounds.earlier().fixture().key(), later.fixture().key()),
                grounds,
                isLocked(later) ? moveTo(grounds.earlier(), free(grounds.earlier())) : moveTo(later, free(later)));
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
                new Grounds.PastEnd(block, start, last, free),
                moveTo(block, free));
    }

    List<Finding> reservedTouched() {
        List<Finding> found = new ArrayList<>();
        for (ReservedRun run : index.plan().reservedRuns()) {
            for (Seat seat : index.on(run.universe())) {
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
                new Grounds.ReservedTouched(block, block.start().orElseThrow(), run, shared),
                moveTo(block, free(block)));
    }

    /** The nearest place that the wish in force allows, for the block and all that share its address. */
    private Optional<StartAddress> free(PlannedBlock block) {
        return index.fits().lifting(index.together(block)).nearest(block);
    }

    /** No way out is offered that would move what is locked. What shares an address goes together. */
    private Optional<Remedy> moveTo(PlannedBlock block, Optional<StartAddress> to) {
        List<PlannedBlock> all = index.together(block);
        return to.filter(a -> all.stream().noneMatch(SlotRules::isLocked)).map(a -> {
            Map<BlockRef, Optional<StartAddress>> addresses = new TreeMap<>();
            all.forEach(b -> addresses.put(b.ref(), to));
            String label = block.label() + (all.size() == 1 ? "" : " and what shares its address");
            return new Remedy.Apply("Move " + label + " to " + a, AddressEdits.put(label + " to " + a, addresses));
        });
    }

    private Stream<Seat> seats() {
        return index.byUniverse().values().stream().flatMap(List::stream);
    }
}
