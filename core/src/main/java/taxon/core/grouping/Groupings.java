package taxon.core.grouping;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import taxon.core.grouping.Grouping.Origin;
import taxon.core.rig.Fixture;
import taxon.core.rig.Group;
import taxon.core.rig.Group.GroupKind;
import taxon.core.rig.Plan;

/** All groups of a job: those that were made, and one for each type and each position that has fixtures. */
public final class Groupings {
    private final Plan plan;
    private final Memberships members;

    private Groupings(Plan plan) {
        this.plan = plan;
        members = new Memberships(plan);
    }

    /** Those that were made, by number, then those per type and per position, in their order. */
    public static List<Grouping> all(Plan plan) {
        Groupings groupings = new Groupings(plan);
        return Stream.of(groupings.made(), groupings.perType(), groupings.perPosition())
                .flatMap(List::stream)
                .toList();
    }

    /** Who belongs to a folder or group, in the order in which the rig is read. */
    public static List<Fixture> members(Plan plan, Group group) {
        return new Memberships(plan).of(group);
    }

    private List<Grouping> made() {
        return plan.groups().stream()
                .filter(g -> g.kind() == GroupKind.GROUP)
                .map(g -> new Grouping(
                        g.name(),
                        g.id(),
                        Optional.of(g.number()),
                        Origin.MADE,
                        foldersOf(g),
                        members.of(g),
                        members.partsOf(g)))
                .toList();
    }

    private List<String> foldersOf(Group group) {
        ArrayDeque<String> names = new ArrayDeque<>();
        Optional<Group> above = group.parent().flatMap(plan::group);
        while (above.isPresent()) {
            names.addFirst(above.get().name());
            above = above.get().parent().flatMap(plan::group);
        }
        return List.copyOf(names);
    }

    private List<Grouping> perType() {
        return plan.types().types().stream()
                .map(t -> automatic(t.fullName(), Origin.PER_TYPE, members.ofType(t.id())))
                .filter(g -> !g.members().isEmpty())
                .toList();
    }

    private List<Grouping> perPosition() {
        List<Grouping> found = new ArrayList<>();
        plan.positions()
                .forEach(p -> found.add(automatic(p.name(), Origin.PER_POSITION, members.onPosition(p.number()))));
        return found.stream().filter(g -> !g.members().isEmpty()).toList();
    }

    private static Grouping automatic(String name, Origin origin, List<Fixture> members) {
        return new Grouping(name, Optional.empty(), Optional.empty(), origin, List.of(), members, List.of());
    }
}
