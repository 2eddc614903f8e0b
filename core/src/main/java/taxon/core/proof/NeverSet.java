package taxon.core.proof;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import taxon.core.numbering.NumberingOrder;
import taxon.core.numbering.RigOrder;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;

/**
 * The units that have a planned address and of which nothing is known: nobody has set them yet, or nobody has said so. By position, in
 * the order in which someone walks the rig.
 */
public final class NeverSet {
    private NeverSet() {}

    /** @param units in the order along it */
    public record Stop(Position position, List<Fixture> units) {}

    /** All of them; a fixture is among them when any of its placed blocks was never set. */
    public static List<Stop> of(Plan plan) {
        List<Fixture> never = plan.fixtures().stream()
                .filter(f -> plan.blocksOf(f).stream().anyMatch(b -> Standing.of(b, plan) == Standing.PLANNED))
                .toList();
        Map<Integer, List<Fixture>> byPosition = new LinkedHashMap<>();
        for (Fixture fixture : RigOrder.of(plan, never, NumberingOrder.USUAL)) {
            byPosition
                    .computeIfAbsent(fixture.position(), p -> new ArrayList<>())
                    .add(fixture);
        }
        List<Stop> stops = new ArrayList<>();
        byPosition.forEach(
                (position, units) -> stops.add(new Stop(plan.position(position).orElseThrow(), List.copyOf(units))));
        return List.copyOf(stops);
    }
}
