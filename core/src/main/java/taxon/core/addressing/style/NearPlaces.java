package taxon.core.addressing.style;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.addressing.request.BlockRun;
import taxon.core.addressing.space.JobSpace;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;

/**
 * Finds places for runs beside what stays, each as near to where it was as there is room: behind it on its universe, before
 * it, on the universes in use, on empty ones. What has no address yet goes to the first free place. A universe that was too
 * full for a length once is not searched for that length again.
 */
final class NearPlaces {
    private final JobSpace space;
    private final Map<Integer, Integer> tooLong = new HashMap<>();

    /** @param space filled with what is placed */
    NearPlaces(JobSpace space) {
        this.space = space;
    }

    /** Places all of them; those that find no place are not in it. */
    Map<Integer, StartAddress> place(List<BlockRun> runs) {
        Map<Integer, StartAddress> starts = new TreeMap<>();
        runs.forEach(r -> place(r).ifPresent(a -> starts.put(r.index(), a)));
        return starts;
    }

    /** Places one run; empty when there is no room for it anywhere. */
    Optional<StartAddress> place(BlockRun run) {
        Optional<StartAddress> start = run.length() > space.lastSlot() ? Optional.empty() : near(run);
        start.ifPresent(a -> space.take(a, run));
        return start;
    }

    private Optional<StartAddress> near(BlockRun run) {
        return run.now()
                .filter(a -> space.isPlace(a, run.length(), run.sharingClass()))
                .or(() -> run.blocks().get(0).start().flatMap(a -> beside(a, run)))
                .or(() -> firstOfAll(run));
    }

    private Optional<StartAddress> beside(StartAddress was, BlockRun run) {
        int universe = was.universe().number();
        return space.firstFitOn(universe, was.slot().number(), run.length(), run.sharingClass())
                .or(() -> firstOn(universe, run));
    }

    private Optional<StartAddress> firstOn(int universe, BlockRun run) {
        if (run.length() >= tooLong.getOrDefault(universe, Integer.MAX_VALUE)
                || !space.universe(universe).accepts(run.sharingClass())) {
            return Optional.empty();
        }
        Optional<StartAddress> found = space.firstFitOn(universe, Slot.FIRST, run.length(), run.sharingClass());
        if (found.isEmpty()) {
            tooLong.put(universe, run.length());
        }
        return found;
    }

    private Optional<StartAddress> firstOfAll(BlockRun run) {
        Optional<Integer> at = space.firstAllowed();
        while (at.isPresent()) {
            Optional<StartAddress> found = firstOn(at.get(), run);
            if (found.isPresent()) {
                return found;
            }
            at = space.allowedFrom(at.get() + 1);
        }
        return Optional.empty();
    }
}
