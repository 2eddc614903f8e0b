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
import taxon.core.rig.FixtureKey;
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
     * @param open those of which some block is neither set nor proved as planned, or whose menu was ticked off otherwise
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

    /**
     * The units that are open from one to another, both included, along the position where both hang; whichever of them comes first.
     * Empty where they hang at different positions, or one of them needs no setting.
     */
    public List<Fixture> run(FixtureKey one, FixtureKey other) {
        return stops.stream()
                .filter(s -> indexOf(s, one) >= 0 && indexOf(s, other) >= 0)
                .findFirst()
                .map(s -> s
                        .all()
                        .subList(
                                Math.min(indexOf(s, one), indexOf(s, other)),
                                Math.max(indexOf(s, one), indexOf(s, other)) + 1)
                        .stream()
                        .filter(s.open()::contains)
                        .toList())
                .orElse(List.of());
    }

    private static int indexOf(Stop stop, FixtureKey key) {
        return stop.all().stream().map(Fixture::key).toList().indexOf(key);
    }

    /** Address and mode are not known to be as planned, or what is asked for besides is not what was ticked off. */
    private static boolean isOpen(Plan plan, Fixture fixture) {
        String menu = UnitMenu.asked(plan, fixture);
        return plan.blocksOf(fixture).stream()
                .filter(b -> b.start().isPresent())
                .anyMatch(b -> !isSet(Standing.of(b, plan))
                        || !plan.evidence(b.ref()).menu().equals(menu));
    }

    private static boolean isSet(Standing standing) {
        return standing == Standing.SET || standing == Standing.PROVED;
    }
}
