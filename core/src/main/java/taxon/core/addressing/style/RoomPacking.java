package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.space.JobSpace;
import taxon.core.dmx.StartAddress;
import taxon.core.packing.Bin;
import taxon.core.packing.Effort;

/** Packs those who move, when it is decided who of the others stays where it is. */
final class RoomPacking {
    /** What one packing may take, so that a single hard one does not use up all. */
    private static final long NUMBERS_OF_A_PACKING = 8_000_000;

    private final Task task;
    private final List<CurrentPlace> places;
    private final List<CurrentPlace> open;
    private final Effort effort;

    /**
     * What became of a packing.
     *
     * @param starts by piece index; empty where it did not come out
     * @param certain true where it came out, or never can
     */
    record Packed(Optional<Map<Integer, StartAddress>> starts, boolean certain) {}

    /**
     * @param places all who have an address
     * @param open those of them that may stay
     */
    RoomPacking(Task task, List<CurrentPlace> places, List<CurrentPlace> open) {
        this.task = task;
        this.places = places;
        this.open = open;
        effort = task.effort();
    }

    /**
     * Packs what moves beside those that stay.
     *
     * @param stay indices of places
     */
    Packed pack(Set<Integer> stay) {
        JobSpace space = task.space();
        Set<Integer> keptRuns = CurrentPlaces.seat(open, stay, space);
        List<Piece> lifted =
                task.open().stream().filter(r -> !keptRuns.contains(r.index())).toList();
        effort.spend((long) Task.NUMBERS_OF_A_FIXTURE * (open.size() + lifted.size()));
        if (lifted.isEmpty()) {
            return new Packed(Optional.of(Map.of()), true);
        }
        return effort.within(
                NUMBERS_OF_A_PACKING,
                e -> isOneClass(lifted, space) ? pack(lifted, space, e) : packClasses(lifted, space, e));
    }

    private static boolean isOneClass(List<Piece> lifted, JobSpace space) {
        return lifted.stream().map(Piece::sharingClass).distinct().count() == 1
                && space.inUse().stream()
                        .allMatch(u -> space.universe(u).accepts(lifted.get(0).sharingClass()));
    }

    private Packed pack(List<Piece> lifted, JobSpace space, Effort part) {
        List<Integer> universes =
                allowed().stream().filter(u -> !space.holes(u).isEmpty()).toList();
        Packer.Result result = new Packer(space, u -> Bin.ANY_LOAD).pack(lifted, universes, List.of(), part);
        return result.whole()
                ? new Packed(Optional.of(result.starts()), true)
                : new Packed(Optional.empty(), result.atLeast() > 0);
    }

    /** Each to the nearest place first; where that leaves some over, all classes together as sites. */
    private Packed packClasses(List<Piece> lifted, JobSpace space, Effort part) {
        part.spend((long) lifted.size() * space.inUse().size() * Integer.SIZE);
        Map<Integer, StartAddress> near = new NearPlaces(space.copy()).place(lifted);
        if (near.size() == lifted.size()) {
            return new Packed(Optional.of(new TreeMap<>(near)), true);
        }
        Sites sites = new Sites(space, lifted);
        sites.add(allowed(), 0);
        Sites.Placed placed = sites.fill(List.of(), part);
        return placed.starts().size() == lifted.size()
                ? new Packed(Optional.of(placed.starts()), true)
                : new Packed(Optional.empty(), placed.filling().leftAtLeast() > 0);
    }

    /** The universes that are allowed: those up to the highest that is in use, and then at most one for each piece. */
    List<Integer> allowed() {
        List<Integer> universes = new ArrayList<>();
        Optional<Integer> at = task.base().firstAllowed();
        int before = task.base().wish().from().universe().number() - 1;
        int inUse = Math.max(Math.max(task.base().highest(), highestNow()), before) - before;
        while (at.isPresent()
                && universes.size() < inUse + task.request().pieces().size()) {
            universes.add(at.get());
            at = task.base().allowedFrom(at.get() + 1);
        }
        return universes;
    }

    private int highestNow() {
        return places.stream()
                .flatMap(p -> p.spots().stream())
                .mapToInt(s -> s.universe())
                .max()
                .orElse(0);
    }
}
