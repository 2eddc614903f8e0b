package taxon.core.addressing.style;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.space.JobSpace;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;

/**
 * Finds places for pieces beside what stays, each as near to where it was as there is room: behind it on its universe, before
 * it, on the universes in use, on empty ones. What has no address yet goes to the first free place. A universe that was too
 * full for a length once is not searched for that length again.
 */
final class NearPlaces {
    private final JobSpace space;
    private final Map<Integer, Integer> tooLong = new HashMap<>();
    private final Map<Wanted, Integer> from = new HashMap<>();

    /** What pieces look for alike: they find no place where another of them found none. */
    private record Wanted(SharingClass sharingClass, int length, int load) {}

    /** @param space filled with what is placed */
    NearPlaces(JobSpace space) {
        this.space = space;
    }

    /** Places all of them; those that find no place are not in it. */
    Map<Integer, StartAddress> place(List<Piece> pieces) {
        Map<Integer, StartAddress> starts = new TreeMap<>();
        pieces.forEach(r -> place(r).ifPresent(a -> starts.put(r.index(), a)));
        return starts;
    }

    /** Places one piece; empty when there is no room for it anywhere. */
    Optional<StartAddress> place(Piece piece) {
        Optional<StartAddress> start = piece.length() > space.lastSlot() ? Optional.empty() : near(piece);
        start.ifPresent(a -> space.take(a, piece));
        return start;
    }

    private Optional<StartAddress> near(Piece piece) {
        return piece.now()
                .filter(a -> space.isPlace(a, piece.length(), piece.sharingClass(), piece.load()))
                .or(() -> piece.blocks().get(0).start().flatMap(a -> beside(a, piece)))
                .or(() -> firstOfAll(piece));
    }

    private Optional<StartAddress> beside(StartAddress was, Piece piece) {
        int universe = was.universe().number();
        return space.firstFitOn(universe, was.slot().number(), piece.length(), piece.sharingClass(), piece.load())
                .or(() -> firstOn(universe, piece));
    }

    private Optional<StartAddress> firstOn(int universe, Piece piece) {
        if (piece.length() >= tooLong.getOrDefault(universe, Integer.MAX_VALUE)
                || !space.universe(universe).accepts(piece.sharingClass())
                || !space.lineTakes(universe, piece.load())) {
            return Optional.empty();
        }
        Optional<StartAddress> found =
                space.firstFitOn(universe, Slot.FIRST, piece.length(), piece.sharingClass(), piece.load());
        if (found.isEmpty()) {
            tooLong.put(universe, piece.length());
        }
        return found;
    }

    /** Universes only fill up, so that each is passed once for all that are wanted alike. */
    private Optional<StartAddress> firstOfAll(Piece piece) {
        Wanted wanted = new Wanted(piece.sharingClass(), piece.length(), piece.load());
        Optional<Integer> at = Optional.ofNullable(from.get(wanted)).or(space::firstAllowed);
        while (at.isPresent()) {
            from.put(wanted, at.get());
            Optional<StartAddress> found = firstOn(at.get(), piece);
            if (found.isPresent()) {
                return found;
            }
            at = space.allowedFrom(at.get() + 1);
        }
        return Optional.empty();
    }
}
