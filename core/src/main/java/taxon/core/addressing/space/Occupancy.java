package taxon.core.addressing.space;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;

/** Which slots of which universe are taken, by fixtures and by reserved runs. Grows as a planner places things. */
public final class Occupancy {
    private final Map<UniverseNumber, Taken> byUniverse = new HashMap<>();

    /** Slots by number, 1 to 512; bit 0 is never set. */
    private record Taken(BitSet byFixtures, BitSet reserved) {
        Taken() {
            this(new BitSet(Slot.LAST + 1), new BitSet(Slot.LAST + 1));
        }
    }

    /** What a plan takes, leaving out the fixtures that are lifted off. */
    public static Occupancy of(Plan plan, Set<FixtureKey> lifted) {
        Occupancy occupancy = new Occupancy();
        plan.reservedRuns()
                .forEach(r -> occupancy.mark(occupancy.taken(r.universe()).reserved(), r.slots()));
        for (PlannedBlock block : plan.blocks()) {
            if (!lifted.contains(block.fixture().key())) {
                block.start()
                        .ifPresent(
                                a -> occupancy.take(a.universe(), block.slots().orElseThrow()));
            }
        }
        return occupancy;
    }

    /** What is taken on one universe; nothing is on any other. */
    public static Occupancy of(
            UniverseNumber universe, Collection<SlotRange> fixtures, Collection<SlotRange> reserved) {
        Occupancy occupancy = new Occupancy();
        fixtures.forEach(s -> occupancy.take(universe, s));
        reserved.forEach(s -> occupancy.mark(occupancy.taken(universe).reserved(), s));
        return occupancy;
    }

    /** Marks slots as taken by a fixture. */
    public void take(UniverseNumber universe, SlotRange slots) {
        mark(taken(universe).byFixtures(), slots);
    }

    /**
     * The first place at or after a slot for a run of {@code length} slots.
     *
     * @param length 1 to 512
     * @param gap how many slots stay free between it and a neighbouring fixture, 0 to 511; none is kept beside a reserved
     *     run
     */
    public Optional<StartAddress> firstFitOn(UniverseNumber universe, int fromSlot, int length, int gap) {
        Taken taken = byUniverse.getOrDefault(universe, new Taken());
        int slot = fromSlot;
        while (slot + length - 1 <= Slot.LAST) {
            int blocker = lastBlocker(taken, slot, length, gap);
            if (blocker < 0) {
                return Optional.of(new StartAddress(universe, Slot.of(slot)));
            }
            slot = blocker;
        }
        return Optional.empty();
    }

    /** The next slot to try when something is in the way, or −1 when nothing is. */
    private static int lastBlocker(Taken taken, int slot, int length, int gap) {
        int fixture = taken.byFixtures().previousSetBit(Math.min(Slot.LAST, slot + length - 1 + gap));
        if (fixture >= Math.max(1, slot - gap)) {
            return fixture + gap + 1;
        }
        int reserved = taken.reserved().previousSetBit(slot + length - 1);
        return reserved >= slot ? reserved + 1 : -1;
    }

    /** The runs that nothing takes, in order. */
    public List<SlotRange> freeRuns(UniverseNumber universe) {
        Taken taken = byUniverse.getOrDefault(universe, new Taken());
        BitSet all = (BitSet) taken.byFixtures().clone();
        all.or(taken.reserved());
        List<SlotRange> free = new ArrayList<>();
        int from = all.nextClearBit(Slot.FIRST);
        while (from <= Slot.LAST) {
            int next = all.nextSetBit(from);
            int last = next < 0 ? Slot.LAST : next - 1;
            free.add(new SlotRange(from, last));
            from = all.nextClearBit(last + 1);
        }
        return free;
    }

    /** How many slots fixtures take; where two share a slot it counts once. */
    public int usedSlots(UniverseNumber universe) {
        return byUniverse.getOrDefault(universe, new Taken()).byFixtures().cardinality();
    }

    /** The longest free run on these universes; of equal ones the first. */
    public Optional<FreeRun> largestFree(Collection<UniverseNumber> universes) {
        Optional<FreeRun> best = Optional.empty();
        for (UniverseNumber universe : universes) {
            for (SlotRange run : freeRuns(universe)) {
                if (best.isEmpty() || run.length() > best.get().slots().length()) {
                    best = Optional.of(new FreeRun(universe, run));
                }
            }
        }
        return best;
    }

    /** Slots of a universe that nothing takes. */
    public record FreeRun(UniverseNumber universe, SlotRange slots) {}

    private Taken taken(UniverseNumber universe) {
        return byUniverse.computeIfAbsent(universe, u -> new Taken());
    }

    private void mark(BitSet bits, SlotRange slots) {
        bits.set(slots.first(), slots.last() + 1);
    }
}
