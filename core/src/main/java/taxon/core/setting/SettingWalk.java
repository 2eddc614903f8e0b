package taxon.core.setting;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import taxon.core.numbering.NumberingOrder;
import taxon.core.numbering.RigOrder;
import taxon.core.proof.Standing;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;

/**
 * The walk along the rig to set its units: by position, along each of them.
 *
 * @param stops those with units that have an address
 */
public record SettingWalk(List<Stop> stops) {
    public SettingWalk {
        stops = List.copyOf(stops);
    }

    /**
     * One position.
     *
     * @param all units with an address, in the order along it
     * @param open those of which some block is neither set nor proved as planned
     * @param done the others
     */
    public record Stop(Position position, List<Fixture> all, List<Fixture> open, List<Fixture> done) {
        public Stop {
            all = List.copyOf(all);
            open = List.copyOf(open);
            done = List.copyOf(done);
        }
    }

    /** The walk of a plan. */
    public static SettingWalk of(Plan plan) {
        List<Fixture> addressed =
                plan.fixtures().stream().filter(f -> !f.addresses().isEmpty()).toList();
        Map<Integer, List<Fixture>> byPosition = new LinkedHashMap<>();
        RigOrder.of(plan, addressed, NumberingOrder.USUAL)
                .forEach(f -> byPosition
                        .computeIfAbsent(f.position(), p -> new ArrayList<>())
                        .add(f));
        List<Stop> stops = new ArrayList<>();
        byPosition.forEach((position, units) -> {
            Map<Boolean, List<Fixture>> parted =
                    units.stream().collect(Collectors.partitioningBy(f -> isOpen(plan, f)));
            stops.add(new Stop(
                    plan.position(position).orElseThrow(),
                    units,
                    parted.getOrDefault(true, List.of()),
                    parted.getOrDefault(false, List.of())));
        });
        return new SettingWalk(stops);
    }

    private static boolean isOpen(Plan plan, Fixture fixture) {
        return plan.blocksOf(fixture).stream()
                .filter(b -> b.start().isPresent())
                .map(b -> Standing.of(b, plan))
                .anyMatch(s -> s != Standing.SET && s != Standing.PROVED);
    }
}
