package taxon.core.proof;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import taxon.core.numbering.NumberingOrder;
import taxon.core.numbering.RigOrder;
import taxon.core.rig.Fixture;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Position;

/**
 * The units that must be touched again, since what was last set or found on them is not what is planned: by position, in the
 * order in which someone walks the rig. Units of which nothing is known are not among them.
 */
public final class TouchAgain {
    private TouchAgain() {}

    /**
     * One position of the walk.
     *
     * @param units in the order along it
     */
    public record Stop(Position position, List<Unit> units) {}

    /** One fixture, with those of its blocks that are not as planned. */
    public record Unit(Fixture fixture, List<Difference> blocks) {}

    /** @param last what was last set or found there */
    public record Difference(PlannedBlock block, Mark last) {
        /** True when the address has to be set again. */
        public boolean isAddress() {
            return block.start().filter(a -> a.equals(last.address())).isEmpty();
        }

        /** True when the mode has to be set again. */
        public boolean isMode() {
            return !block.mode().name().equals(last.mode());
        }
    }

    /** All of them; empty when every unit that is known is as planned. */
    public static List<Stop> of(Plan plan) {
        Map<Integer, List<Unit>> byPosition = new LinkedHashMap<>();
        List<Fixture> changed = plan.fixtures().stream()
                .filter(f -> !differences(plan, f).isEmpty())
                .toList();
        for (Fixture fixture : RigOrder.of(plan, changed, NumberingOrder.USUAL)) {
            byPosition
                    .computeIfAbsent(fixture.position(), p -> new ArrayList<>())
                    .add(new Unit(fixture, differences(plan, fixture)));
        }
        List<Stop> stops = new ArrayList<>();
        byPosition.forEach(
                (position, units) -> stops.add(new Stop(plan.position(position).orElseThrow(), List.copyOf(units))));
        return List.copyOf(stops);
    }

    private static List<Difference> differences(Plan plan, Fixture fixture) {
        List<Difference> found = new ArrayList<>();
        for (PlannedBlock block : plan.blocksOf(fixture)) {
            Standing.latest(plan.evidence(block.ref()))
                    .map(m -> new Difference(block, m))
                    .filter(d -> d.isAddress() || d.isMode())
                    .ifPresent(found::add);
        }
        return List.copyOf(found);
    }
}
