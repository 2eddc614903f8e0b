package taxon.core.raising;

import java.util.Collection;
import java.util.HashSet;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;

/**
 * What one arming is for: every slot of some universes, or the slots of some units and no others.
 *
 * @param universes whose every slot may be raised
 * @param units whose slots may be raised
 * @param hazards of all that is reached, those that were armed by their name
 */
public record Reach(Set<UniverseNumber> universes, Set<FixtureKey> units, Set<FixtureKey> hazards) {
    public Reach {
        universes = Set.copyOf(universes);
        units = Set.copyOf(units);
        hazards = Set.copyOf(hazards);
    }

    /** All slots of these universes. */
    public static Reach ofUniverses(Collection<UniverseNumber> universes) {
        return new Reach(Set.copyOf(universes), Set.of(), Set.of());
    }

    /** The slots of these units. */
    public static Reach ofUnits(Collection<FixtureKey> units) {
        return new Reach(Set.of(), Set.copyOf(units), Set.of());
    }

    /** The same with one more hazard that was armed by its name. */
    public Reach arming(FixtureKey hazard) {
        Set<FixtureKey> armed = new HashSet<>(hazards);
        armed.add(hazard);
        return new Reach(universes, units, armed);
    }

    /** True when a fixture was armed, by itself or with its universe. */
    public boolean holds(PlannedBlock block) {
        return units.contains(block.ref().fixture())
                || block.start().filter(s -> universes.contains(s.universe())).isPresent();
    }

    /** The universes that have to be sent for it: a universe is sent as a whole or not at all. */
    public Set<UniverseNumber> sent(Plan plan) {
        Set<UniverseNumber> sent = new TreeSet<>(universes);
        plan.blocks().stream()
                .filter(b -> units.contains(b.ref().fixture()))
                .flatMap(b -> b.start().stream())
                .forEach(s -> sent.add(s.universe()));
        return sent;
    }
}
