package taxon.core.modes;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.core.addressing.space.Occupancy;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;

/**
 * Where there is room while more and more is placed. What is too long for a universe once is too long for good, so a full
 * universe is searched only once for each length.
 */
final class Rooms {
    private final List<UniverseNumber> universes;
    private final Occupancy occupancy;
    private final Map<UniverseNumber, Integer> tooLong = new HashMap<>();

    /** What the plan takes without the fixtures that are lifted off. */
    Rooms(Plan plan, Set<FixtureKey> lifted) {
        universes = plan.universes().stream().map(Universe::number).toList();
        occupancy = Occupancy.of(plan, lifted);
    }

    /** Takes the place when it is free. */
    boolean takes(StartAddress start, int length) {
        Optional<StartAddress> free =
                occupancy.firstFitOn(start.universe(), start.slot().number(), length, 0);
        boolean isFree = free.equals(Optional.of(start));
        if (isFree) {
            take(start, length);
        }
        return isFree;
    }

    /** Takes the first free place behind the wish, else on its universe, else on the rig's, else on any behind. */
    Optional<StartAddress> takeNear(StartAddress wish, int length) {
        Optional<StartAddress> place = occupancy
                .firstFitOn(wish.universe(), wish.slot().number(), length, 0)
                .or(() -> firstOn(wish.universe(), length))
                .or(() -> universes.stream()
                        .flatMap(u -> firstOn(u, length).stream())
                        .findFirst())
                .or(() -> firstBehind(wish.universe(), length));
        place.ifPresent(p -> take(p, length));
        return place;
    }

    private Optional<StartAddress> firstBehind(UniverseNumber universe, int length) {
        for (int number = universe.number(); UniverseNumber.isLegal(number); number++) {
            Optional<StartAddress> found = firstOn(UniverseNumber.of(number), length);
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    private Optional<StartAddress> firstOn(UniverseNumber universe, int length) {
        if (length >= tooLong.getOrDefault(universe, Integer.MAX_VALUE)) {
            return Optional.empty();
        }
        Optional<StartAddress> found = occupancy.firstFitOn(universe, Slot.FIRST, length, 0);
        if (found.isEmpty()) {
            tooLong.put(universe, length);
        }
        return found;
    }

    private void take(StartAddress start, int length) {
        occupancy.take(start.universe(), SlotRange.clipped(start.slot(), length));
    }
}
