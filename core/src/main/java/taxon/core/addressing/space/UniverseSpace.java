package taxon.core.addressing.space;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.addressing.request.SharingClass;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.packing.Grain;
import taxon.core.packing.Hole;

/**
 * One universe while it is being filled: what fixtures take, what is reserved, who is there.
 *
 * <p>The rule of distance, in every direction and across reserved runs: whoever stands at a slot has from there on as many
 * slots to itself as {@link Grain#claims} says, and the next one begins behind them.
 */
public final class UniverseSpace {
    private final Grain grain;
    private final int last;
    private final BitSet taken = new BitSet(Slot.LAST + 2);
    private final BitSet starts = new BitSet(Slot.LAST + 2);
    private final BitSet claimed = new BitSet(Slot.LAST + 2);
    private final BitSet reserved = new BitSet(Slot.LAST + 2);
    private final Set<SharingClass> classes = new TreeSet<>();
    private int load;

    /** @param last the last slot that may be used */
    UniverseSpace(Grain grain, int last) {
        this.grain = grain;
        this.last = last;
    }

    UniverseSpace copy() {
        UniverseSpace copy = new UniverseSpace(grain, last);
        copy.taken.or(taken);
        copy.starts.or(starts);
        copy.claimed.or(claimed);
        copy.reserved.or(reserved);
        copy.classes.addAll(classes);
        copy.load = load;
        return copy;
    }

    void reserve(int first, int lastReserved) {
        reserved.set(first, lastReserved + 1);
    }

    /** @param length slots of one run; what lies past 512 is cut off */
    void take(int first, int length, SharingClass sharingClass, int runLoad) {
        taken.set(first, Math.min(Slot.LAST, first + length - 1) + 1);
        starts.set(first);
        claimed.set(first, first + grain.claims(length));
        classes.add(sharingClass);
        load += runLoad;
    }

    /** Takes what stands here. */
    void take(StandingRun run) {
        run.classes().forEach(c -> take(run.first(), run.length(), c, 0));
        load += run.load();
    }

    /** True when no fixture is here. */
    public boolean isEmpty() {
        return classes.isEmpty();
    }

    /** True when runs of this class may join those that are here. */
    public boolean accepts(SharingClass sharingClass) {
        return classes.isEmpty() || (classes.size() == 1 && classes.contains(sharingClass));
    }

    /** Who is here: none on an empty universe, several where the wish would keep them apart. */
    public Set<SharingClass> classes() {
        return Set.copyOf(classes);
    }

    /** How many fixtures its line carries. */
    public int load() {
        return load;
    }

    /** Slots that fixtures take; where two share a slot it counts once. */
    public int used() {
        return taken.cardinality();
    }

    /** Slots that neither a fixture nor a reserved run takes. */
    public int free() {
        return Slot.LAST - takenOrReserved().cardinality();
    }

    private BitSet takenOrReserved() {
        BitSet all = (BitSet) taken.clone();
        all.or(reserved);
        return all;
    }

    /** The runs of slots that nothing takes, ascending; whether anything may be placed there is told by the holes. */
    List<SlotRange> freeRuns() {
        BitSet all = takenOrReserved();
        List<SlotRange> free = new ArrayList<>();
        for (int from = all.nextClearBit(Slot.FIRST); from <= Slot.LAST; ) {
            int next = all.nextSetBit(from);
            int end = next < 0 ? Slot.LAST : next - 1;
            free.add(new SlotRange(from, end));
            from = all.nextClearBit(end + 1);
        }
        return free;
    }

    /** The first slot at or behind {@code from} where a run of this length may begin; 0 when there is none. */
    public int firstFit(int from, int length) {
        int slot = grain.aligned(from);
        while (slot + length - 1 <= last) {
            int blocked = blockedUntil(slot, length);
            if (blocked == 0) {
                return slot;
            }
            slot = grain.aligned(blocked);
        }
        return 0;
    }

    /** The next slot to try when something is in the way of a run, 0 when nothing is. */
    private int blockedUntil(int slot, int length) {
        int neighbour = starts.previousSetBit(slot + grain.claims(length) - 1);
        if (neighbour >= slot || claimed.get(slot)) {
            return claimed.nextClearBit(Math.max(slot, neighbour));
        }
        int kept = reserved.previousSetBit(Math.min(Slot.LAST, slot + length - 1));
        return kept >= slot ? kept + 1 : 0;
    }

    /** True when a run keeps its distance there from all that is here and touches nothing reserved. */
    public boolean isFree(int slot, int length) {
        return blockedUntil(slot, length) == 0;
    }

    /** True when anything takes a slot from {@code first} to {@code lastSlot}, which may be below it. */
    public boolean isTakenBetween(int first, int lastSlot) {
        int fixture = taken.nextSetBit(first);
        return (fixture >= 0 && fixture <= lastSlot) || touchesReserved(first, lastSlot);
    }

    /** True when a slot from {@code first} to {@code lastSlot} is reserved. */
    public boolean touchesReserved(int first, int lastSlot) {
        int kept = reserved.nextSetBit(first);
        return kept >= 0 && kept <= lastSlot;
    }

    /** Where runs may lie from a slot on, ascending; the distances to what is here are taken off. */
    List<Hole> holes(int from) {
        List<Hole> holes = new ArrayList<>();
        int slot = grain.aligned(Math.max(from, Slot.FIRST));
        while (slot <= last) {
            int blocked = blockedUntil(slot, 1);
            if (blocked > 0) {
                slot = grain.aligned(blocked);
                continue;
            }
            Hole hole = hole(slot);
            holes.add(hole);
            slot = grain.aligned(hole.end() + 1);
        }
        return holes;
    }

    /** The hole that begins at a slot where something may begin. */
    private Hole hole(int slot) {
        int neighbour = starts.nextSetBit(slot);
        int kept = reserved.nextSetBit(slot);
        int unreserved = kept < 0 ? last : Math.min(last, kept - 1);
        if (neighbour < 0) {
            return new Hole(slot, unreserved);
        }
        return new Hole(
                slot,
                Math.min(unreserved, grain.lastBefore(slot, neighbour)),
                Math.min(unreserved, neighbour - 1),
                neighbour);
    }

    /**
     * For each slot the longest run that may begin there, 0 where none may: index 1 to 512.
     *
     * @param from nothing begins before it
     */
    public int[] longestFrom(int from) {
        int[] longest = new int[Slot.LAST + 1];
        for (int slot = grain.aligned(Math.max(from, Slot.FIRST)); slot <= last; slot = grain.aligned(slot + 1)) {
            longest[slot] = blockedUntil(slot, 1) > 0 ? 0 : hole(slot).length();
        }
        return longest;
    }
}
