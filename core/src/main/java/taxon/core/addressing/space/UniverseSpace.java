package taxon.core.addressing.space;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.addressing.request.SharingClass;
import taxon.core.dmx.Slot;
import taxon.core.packing.Grain;
import taxon.core.packing.Hole;

/** One universe while it is being filled: what fixtures take, what is reserved, whose company is there. */
public final class UniverseSpace {
    private final BitSet fixtures = new BitSet(Slot.LAST + 2);
    private final BitSet reserved = new BitSet(Slot.LAST + 2);
    private final Set<SharingClass> companies = new TreeSet<>();
    private int load;

    void reserve(int first, int last) {
        reserved.set(first, last + 1);
    }

    /** @param last may lie past 512, which is cut off */
    void take(int first, int last, SharingClass company, int runLoad) {
        fixtures.set(first, Math.min(Slot.LAST, last) + 1);
        companies.add(company);
        load += runLoad;
    }

    boolean isEmpty() {
        return companies.isEmpty();
    }

    /** True when runs of this company may join those that are here. */
    public boolean accepts(SharingClass company) {
        return companies.isEmpty() || (companies.size() == 1 && companies.contains(company));
    }

    public Set<SharingClass> companies() {
        return companies;
    }

    public int load() {
        return load;
    }

    public int used() {
        return fixtures.cardinality();
    }

    /** The first slot at or behind {@code from} where a run fits up to slot {@code last}; 0 when there is none. */
    int firstFit(int from, int last, int length, Grain grain) {
        int slot = grain.aligned(from);
        while (slot + length - 1 <= last) {
            int blocker = blockedUntil(slot, length, grain.gap());
            if (blocker == 0) {
                return slot;
            }
            slot = grain.aligned(blocker);
        }
        return 0;
    }

    /** The next slot to try when something is in the way, 0 when nothing is. */
    private int blockedUntil(int slot, int length, int gap) {
        int fixture = fixtures.previousSetBit(Math.min(Slot.LAST, slot + length - 1 + gap));
        if (fixture >= Math.max(1, slot - gap)) {
            return fixture + gap + 1;
        }
        int kept = reserved.previousSetBit(Math.min(Slot.LAST, slot + length - 1));
        return kept >= slot ? kept + 1 : 0;
    }

    /** True when a run may lie here beside what is here. */
    public boolean isFree(int slot, int length, int gap) {
        return blockedUntil(slot, length, gap) == 0;
    }

    /** True when anything takes a slot from {@code first} to {@code last}, which may be below it. */
    public boolean isTakenBetween(int first, int last) {
        int fixture = fixtures.nextSetBit(first);
        return (fixture >= 0 && fixture <= last) || touchesReserved(first, last);
    }

    /** Slots that neither a fixture nor a reserved run takes. */
    public int free() {
        BitSet taken = (BitSet) fixtures.clone();
        taken.or(reserved);
        return Slot.LAST - taken.cardinality();
    }

    public boolean touchesReserved(int first, int last) {
        int kept = reserved.nextSetBit(first);
        return kept >= 0 && kept <= last;
    }

    /** Where runs may lie from slot {@code from} to slot {@code last}, ascending; the gaps to what is here are taken off. */
    List<Hole> holes(int from, int last, Grain grain) {
        List<Hole> holes = new ArrayList<>();
        int slot = grain.aligned(Math.max(from, Slot.FIRST));
        while (slot <= last) {
            int blocked = blockedUntil(slot, 1, grain.gap());
            if (blocked > 0) {
                slot = grain.aligned(blocked);
                continue;
            }
            int end = endOfHole(slot, last, grain.gap());
            holes.add(new Hole(slot, end));
            slot = grain.aligned(end + 1);
        }
        return holes;
    }

    private int endOfHole(int slot, int last, int gap) {
        int fixture = fixtures.nextSetBit(slot);
        int kept = reserved.nextSetBit(slot);
        int end = fixture < 0 ? last : Math.min(last, fixture - 1 - gap);
        return kept < 0 ? end : Math.min(end, kept - 1);
    }
}
