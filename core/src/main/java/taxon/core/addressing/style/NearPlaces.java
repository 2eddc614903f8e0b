package taxon.core.addressing.style;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.addressing.request.BlockRun;
import taxon.core.addressing.space.JobSpace;
import taxon.core.addressing.space.UniverseSpace;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;

/**
 * Finds places for runs beside what stays, each as near to where it was as there is room: behind it on its universe, before
 * it, on the universes in use, on empty ones. What has no address yet goes to the first free place. A universe that was too
 * full for a length once is not searched for that length again.
 */
final class NearPlaces {
    private final JobSpace ground;
    private final Map<Integer, Integer> tooLong = new HashMap<>();

    NearPlaces(JobSpace ground) {
        this.ground = ground;
    }

    /** Places all of them; those that find no place are not in it. */
    Map<Integer, StartAddress> place(List<BlockRun> runs) {
        Map<Integer, StartAddress> starts = new TreeMap<>();
        for (BlockRun run : runs) {
            Optional<StartAddress> start = run.length() > ground.lastSlot() ? Optional.empty() : near(run);
            start.ifPresent(a -> {
                ground.take(a, run);
                starts.put(run.index(), a);
            });
        }
        return starts;
    }

    private Optional<StartAddress> near(BlockRun run) {
        Optional<StartAddress> wish = run.blocks().get(0).start();
        return wish.flatMap(w -> stays(run, w))
                .or(() -> wish.flatMap(
                        w -> ground.firstFitOn(w.universe().number(), w.slot().number(), run)))
                .or(() -> wish.flatMap(w -> firstOn(w.universe().number(), run)))
                .or(() -> firstOfAll(run));
    }

    /** Where it was, though off the round starts, if nothing is in the way any more. */
    private Optional<StartAddress> stays(BlockRun run, StartAddress now) {
        int universe = now.universe().number();
        int first = now.slot().number();
        UniverseSpace floor = ground.floor(universe);
        boolean free = (run.shares() || CurrentPlaces.isTogether(run.blocks()))
                && ground.wish().universes().holds(now.universe())
                && first + run.length() - 1 <= ground.lastSlot()
                && floor.accepts(run.company())
                && floor.isFree(first, run.length(), ground.grain().gap());
        return free ? Optional.of(now) : Optional.empty();
    }

    private Optional<StartAddress> firstOn(int universe, BlockRun run) {
        if (run.length() >= tooLong.getOrDefault(universe, Integer.MAX_VALUE)
                || !ground.floor(universe).accepts(run.company())) {
            return Optional.empty();
        }
        Optional<StartAddress> found = ground.firstFitOn(universe, Slot.FIRST, run);
        if (found.isEmpty()) {
            tooLong.put(universe, run.length());
        }
        return found;
    }

    private Optional<StartAddress> firstOfAll(BlockRun run) {
        Optional<Integer> at = ground.allowedFrom(Slot.FIRST);
        while (at.isPresent()) {
            Optional<StartAddress> found = firstOn(at.get(), run);
            if (found.isPresent()) {
                return found;
            }
            at = ground.allowedFrom(at.get() + 1);
        }
        return Optional.empty();
    }
}
