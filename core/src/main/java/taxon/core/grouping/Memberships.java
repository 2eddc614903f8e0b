package taxon.core.grouping;

import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.fixture.TypeId;
import taxon.core.numbering.NumberingOrder;
import taxon.core.numbering.RigOrder;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Plan;
import taxon.core.rig.RigPart;

/**
 * Who belongs to which folder or group of a plan. Worked out once for a plan, so that asking for each of many groups costs
 * what these hold and not the whole rig each time.
 */
final class Memberships {
    private final Plan plan;
    private final List<Fixture> order;
    private final Map<FixtureKey, Integer> ranks = new HashMap<>();
    private final Map<TypeId, List<Fixture>> byType;
    private final Map<Integer, List<Fixture>> byPosition;
    private final Map<Optional<Integer>, List<Group>> byParent;

    Memberships(Plan plan) {
        this.plan = plan;
        order = RigOrder.of(plan, plan.fixtures(), NumberingOrder.USUAL);
        order.forEach(f -> ranks.put(f.key(), ranks.size()));
        byType = order.stream().collect(Collectors.groupingBy(Fixture::type));
        byPosition = order.stream().collect(Collectors.groupingBy(Fixture::position));
        byParent = plan.groups().stream().collect(Collectors.groupingBy(Group::parent));
    }

    /** All fixtures, in the order in which the rig is read. */
    List<Fixture> order() {
        return order;
    }

    /** The members of a group, by hand or by rule, each once, in that order. */
    List<Fixture> of(Group group) {
        Set<Fixture> members = new LinkedHashSet<>();
        group.members().forEach(k -> plan.fixture(k).ifPresent(members::add));
        group.rules().forEach(r -> takenBy(r).forEach(members::add));
        return members.stream()
                .sorted(Comparator.comparing(f -> ranks.getOrDefault(f.key(), Integer.MAX_VALUE)))
                .toList();
    }

    /** Its cells and layers; those that no mode has any more are left out. */
    List<RigPart> partsOf(Group group) {
        return group.parts().stream()
                .flatMap(p -> RigPart.find(plan, p).stream())
                .sorted(Comparator.comparing(
                                (RigPart p) -> ranks.getOrDefault(p.fixture().key(), Integer.MAX_VALUE))
                        .thenComparing(RigPart::part))
                .toList();
    }

    private Stream<Fixture> takenBy(Group.Rule rule) {
        List<Fixture> likely = rule.type()
                .map(this::ofType)
                .or(() -> rule.position().map(this::onPosition))
                .orElse(order);
        return likely.stream().filter(rule::takes);
    }

    List<Fixture> ofType(TypeId type) {
        return byType.getOrDefault(type, List.of());
    }

    List<Fixture> onPosition(int position) {
        return byPosition.getOrDefault(position, List.of());
    }

    /** The folders and groups that lie in this one, or at the top, by number. */
    List<Group> within(Optional<Integer> parent) {
        return byParent.getOrDefault(parent, List.of());
    }
}
