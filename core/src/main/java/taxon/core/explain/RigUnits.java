package taxon.core.explain;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;

/** The units of a plan as they are to be set, by the universes that they listen to, and in the order of their lines. */
final class RigUnits {
    private static final int MOST_KEPT = 4_000;

    private final Map<Map.Entry<UniverseNumber, Trial>, List<Response>> answered = new ConcurrentHashMap<>();
    private final Map<FixtureKey, UnitState> units = new LinkedHashMap<>();
    private final Map<FixtureKey, FixtureType> types = new HashMap<>();
    private final Map<UniverseNumber, List<UnitState>> byLine = new HashMap<>();
    private final RigCables cables;

    RigUnits(Plan plan) {
        for (Fixture fixture : plan.fixtures()) {
            List<PlannedBlock> blocks = plan.blocksOf(fixture);
            if (blocks.stream().anyMatch(b -> b.start().isPresent())) {
                add(plan, fixture, blocks);
            }
        }
        cables = new RigCables(plan.lines());
    }

    private void add(Plan plan, Fixture fixture, List<PlannedBlock> blocks) {
        List<Optional<UnitState.Start>> starts = blocks.stream()
                .map(b -> b.start()
                        .map(s -> new UnitState.Start(s.universe(), s.slot().number())))
                .toList();
        UnitState unit = new UnitState(fixture.key(), blocks.get(0).mode(), starts, Quirks.NONE);
        units.put(fixture.key(), unit);
        types.put(fixture.key(), plan.type(fixture));
        starts.stream()
                .flatMap(Optional::stream)
                .map(UnitState.Start::line)
                .distinct()
                .forEach(u -> byLine.computeIfAbsent(u, k -> new ArrayList<>()).add(unit));
    }

    /** What answers on a line when all of its units are as planned. */
    List<Response> answers(UniverseNumber line, Trial trial) {
        if (answered.size() > MOST_KEPT) {
            answered.clear();
        }
        return answered.computeIfAbsent(
                Map.entry(line, trial),
                k -> on(line).stream().flatMap(u -> u.answers(line, trial)).toList());
    }

    List<UnitState> on(UniverseNumber line) {
        return byLine.getOrDefault(line, List.of());
    }

    Set<UniverseNumber> universes() {
        return byLine.keySet();
    }

    Optional<UnitState> unit(FixtureKey key) {
        return Optional.ofNullable(units.get(key));
    }

    Optional<FixtureType> type(FixtureKey key) {
        return Optional.ofNullable(types.get(key));
    }

    RigCables cables() {
        return cables;
    }
}
