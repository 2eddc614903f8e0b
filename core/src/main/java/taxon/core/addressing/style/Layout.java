package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.answer.Reason;
import taxon.core.addressing.request.BlockRun;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.FixtureKey;

/**
 * Where a style puts the runs of a request.
 *
 * @param starts by the index of the run
 * @param kept indices of runs all of whose blocks stay where they are, which need not follow each other
 * @param reasons by the index of the run, where the style knows why it moves; the others are explained by where they come to
 *     lie
 * @param leftAtLeast no layout for this request leaves fewer fixtures without a place
 */
public record Layout(
        List<Optional<StartAddress>> starts,
        Set<Integer> kept,
        Map<Integer, Reason> reasons,
        Optimum optimum,
        int leftAtLeast) {
    public Layout {
        starts = List.copyOf(starts);
        kept = Set.copyOf(kept);
        reasons = Map.copyOf(reasons);
    }

    static Layout of(List<BlockRun> runs, Map<Integer, StartAddress> byIndex, Optimum optimum, int leftAtLeast) {
        return new Layout(starts(runs, byIndex), Set.of(), Map.of(), optimum, leftAtLeast);
    }

    /** Starts given by hand, of which nothing is claimed. */
    public static Layout byHand(List<BlockRun> runs, Map<Integer, StartAddress> byIndex, Map<Integer, Reason> reasons) {
        return new Layout(starts(runs, byIndex), Set.of(), reasons, new Optimum.Unclaimed(), 0);
    }

    static List<Optional<StartAddress>> starts(List<BlockRun> runs, Map<Integer, StartAddress> byIndex) {
        List<Optional<StartAddress>> starts = new ArrayList<>(runs.size());
        runs.forEach(r -> starts.add(Optional.ofNullable(byIndex.get(r.index()))));
        return starts;
    }

    /** Those of the runs that have a start, by their addresses, then by their places in the request. */
    public static List<BlockRun> bySlot(List<BlockRun> runs, Layout layout) {
        long[] keys = new long[runs.size()];
        int count = 0;
        for (int i = 0; i < runs.size(); i++) {
            Optional<StartAddress> start = layout.start(runs.get(i));
            if (start.isPresent()) {
                keys[count++] = (long) start.get().absolute() << Integer.SIZE | i;
            }
        }
        Arrays.sort(keys, 0, count);
        List<BlockRun> sorted = new ArrayList<>(count);
        for (int i = 0; i < count; i++) {
            sorted.add(runs.get((int) keys[i]));
        }
        return sorted;
    }

    public Optional<StartAddress> start(BlockRun run) {
        return starts.get(run.index());
    }

    public boolean keeps(BlockRun run) {
        return kept.contains(run.index());
    }

    /** True when the run has a place, be it a new one or the one that it has. */
    public boolean places(BlockRun run) {
        return keeps(run) || start(run).isPresent();
    }

    /** Fixtures of which a run has no place: they are not placed at all. */
    public Set<FixtureKey> unplaced(List<BlockRun> runs) {
        Set<FixtureKey> unplaced = new HashSet<>();
        runs.stream().filter(r -> !places(r)).forEach(r -> r.fixtures().forEach(f -> unplaced.add(f.key())));
        return unplaced;
    }
}
