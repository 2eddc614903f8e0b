package taxon.core.modes;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.stream.IntStream;
import taxon.core.addressing.space.Occupancy;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;

/**
 * The room for fixtures: runs of free slots on so many universes. Reserved runs cut a universe into several; no fixture
 * crosses from one into the next.
 *
 * @param lengths 1 to 512 each
 */
record Bins(List<Integer> lengths) {
    Bins {
        lengths = List.copyOf(lengths);
    }

    /** The universes of the plan in their order, and empty ones behind until there are so many. */
    static Bins of(Plan plan, int universes) {
        Occupancy reserved = Occupancy.of(
                plan,
                java.util.Set.copyOf(plan.fixtures().stream().map(Fixture::key).toList()));
        List<UniverseNumber> numbers =
                plan.universes().stream().map(Universe::number).limit(universes).toList();
        List<Integer> lengths = new ArrayList<>();
        numbers.forEach(
                u -> reserved.freeRuns(u).stream().map(SlotRange::length).forEach(lengths::add));
        IntStream.range(numbers.size(), universes).forEach(i -> lengths.add(Slot.LAST));
        return new Bins(lengths);
    }

    int slots() {
        return lengths.stream().mapToInt(Integer::intValue).sum();
    }

    /**
     * True when the longest-first, tightest-fit way of packing places all runs. False proves nothing: another way may.
     *
     * @param runs how many there are of each length
     */
    boolean hold(Map<Integer, Integer> runs) {
        TreeMap<Integer, Integer> free = new TreeMap<>();
        lengths.forEach(l -> free.merge(l, 1, Integer::sum));
        NavigableMap<Integer, Integer> longestFirst = new TreeMap<>(Collections.reverseOrder());
        longestFirst.putAll(runs);
        for (Map.Entry<Integer, Integer> run : longestFirst.entrySet()) {
            if (!place(free, run.getKey(), run.getValue())) {
                return false;
            }
        }
        return true;
    }

    private static boolean place(TreeMap<Integer, Integer> free, int length, int count) {
        for (int i = 0; i < count; i++) {
            Integer tightest = free.ceilingKey(length);
            if (tightest == null) {
                return false;
            }
            free.computeIfPresent(tightest, (k, n) -> n == 1 ? null : n - 1);
            if (tightest > length) {
                free.merge(tightest - length, 1, Integer::sum);
            }
        }
        return true;
    }
}
