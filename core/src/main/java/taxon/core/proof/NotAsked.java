package taxon.core.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/**
 * Fixtures of which a reading says nothing, since nobody was asked for them.
 *
 * @param unread by universe: those on universes that were not read
 * @param unplaced those without an address
 */
public record NotAsked(Map<UniverseNumber, List<Fixture>> unread, List<Fixture> unplaced) {
    public NotAsked {
        unread = Map.copyOf(unread);
        unplaced = List.copyOf(unplaced);
    }

    /** @param read the universes whose table of devices was had */
    public static NotAsked of(Plan plan, Set<UniverseNumber> read) {
        Map<UniverseNumber, List<Fixture>> unread = new TreeMap<>();
        List<Fixture> unplaced = new ArrayList<>();
        for (Fixture fixture : plan.fixtures()) {
            Optional<UniverseNumber> universe =
                    fixture.addresses().values().stream().findFirst().map(StartAddress::universe);
            if (universe.isEmpty()) {
                unplaced.add(fixture);
            } else if (!read.contains(universe.get())) {
                unread.computeIfAbsent(universe.get(), u -> new ArrayList<>()).add(fixture);
            }
        }
        return new NotAsked(unread, unplaced);
    }

    /** How many fixtures they are. */
    public int count() {
        return unplaced.size() + unread.values().stream().mapToInt(List::size).sum();
    }
}
