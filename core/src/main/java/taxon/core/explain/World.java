package taxon.core.explain;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.FixtureKey;

/**
 * A rig as it would be: the plan's, but for some units and for what some lines carry.
 *
 * @param units those that are otherwise than planned
 * @param carried of a line that carries another universe than planned, by the planned one
 */
record World(RigUnits rig, Map<FixtureKey, UnitState> units, Map<UniverseNumber, UniverseNumber> carried) {
    World {
        units = Map.copyOf(units);
        carried = Map.copyOf(carried);
    }

    static World asPlanned(RigUnits rig) {
        return new World(rig, Map.of(), Map.of());
    }

    World with(Collection<UnitState> changed) {
        Map<FixtureKey, UnitState> all = new HashMap<>(units);
        changed.forEach(u -> all.put(u.key(), u));
        return new World(rig, all, carried);
    }

    /** With one unit otherwise; empty where the rig has it not. */
    Optional<World> changing(FixtureKey unit, UnaryOperator<UnitState> how) {
        return unit(unit).map(u -> with(List.of(how.apply(u))));
    }

    /** With these units flickering; empty where the rig has none of them. */
    Optional<World> unsteady(Collection<FixtureKey> keys) {
        List<UnitState> flickering = keys.stream()
                .flatMap(k -> unit(k).stream())
                .map(u -> u.with(u.quirks().flickering()))
                .toList();
        return flickering.isEmpty() ? Optional.empty() : Optional.of(with(flickering));
    }

    /** How a unit is set; empty where the rig has it not. */
    Optional<UnitState> unit(FixtureKey key) {
        return units.containsKey(key) ? Optional.of(units.get(key)) : rig.unit(key);
    }

    World carrying(UniverseNumber line, UniverseNumber other) {
        Map<UniverseNumber, UniverseNumber> all = new HashMap<>(carried);
        all.put(line, other);
        return new World(rig, units, all);
    }

    /** All that would answer. */
    Set<Response> answers(Trial trial) {
        Set<Response> all = new HashSet<>();
        for (UniverseNumber line : lines(trial.universe())) {
            for (Response response : rig.answers(line, trial)) {
                if (!units.containsKey(response.unit())) {
                    all.add(response);
                }
            }
            units.values().forEach(u -> u.answers(line, trial).forEach(all::add));
        }
        return all;
    }

    /** The lines, by the universe that they are planned to carry, on which a universe is heard. */
    private List<UniverseNumber> lines(UniverseNumber universe) {
        Set<UniverseNumber> lines = carried.entrySet().stream()
                .filter(e -> e.getValue().equals(universe))
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
        if (!carried.containsKey(universe)) {
            lines.add(universe);
        }
        return List.copyOf(lines);
    }

    /** What is otherwise than planned: two rigs of one plan are the same where this is. */
    record Difference(Map<FixtureKey, UnitState> units, Map<UniverseNumber, UniverseNumber> carried) {}

    Difference difference() {
        return new Difference(units, carried);
    }
}
