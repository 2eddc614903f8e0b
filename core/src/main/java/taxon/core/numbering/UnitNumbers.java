package taxon.core.numbering;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;

/** Counts the units along their positions, 1, 2, 3 … */
public final class UnitNumbers {
    private UnitNumbers() {}

    /** The unit numbers of all fixtures on each position on which one of these hangs. */
    public static Map<FixtureKey, Integer> along(Plan plan, Set<FixtureKey> fixtures, boolean fromRight) {
        Set<Integer> positions = fixtures.stream()
                .flatMap(k -> plan.fixture(k).stream())
                .map(Fixture::position)
                .collect(Collectors.toSet());
        List<Fixture> there = plan.fixtures().stream()
                .filter(f -> positions.contains(f.position()))
                .toList();
        Map<FixtureKey, Integer> units = new HashMap<>();
        Map<Integer, Integer> counts = new HashMap<>();
        NumberingOrder along = new NumberingOrder(NumberingOrder.By.POSITION, fromRight, false);
        RigOrder.of(plan, there, along).forEach(f -> units.put(f.key(), counts.merge(f.position(), 1, Integer::sum)));
        return units;
    }
}
