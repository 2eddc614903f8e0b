package taxon.core.rig.edit;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Group.GroupKind;
import taxon.core.rig.Plan;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.rig.edit.Edit.Outcome;

/** Edits of folders and groups. A fixture lies in one folder at most, and may belong to any number of groups. */
public final class GroupEdits {
    private static final int DEEPEST = 16;

    private GroupEdits() {}

    /** Makes a folder or group of the next free number; the number that it comes with is not used. */
    public static Edit make(Group wanted) {
        return new Edit(wanted.name() + " made", plan -> {
            Group made = new Group(
                    plan.nextNumber(Kind.GROUP),
                    wanted.kind(),
                    wanted.name(),
                    wanted.id(),
                    wanted.parent(),
                    wanted.members(),
                    wanted.parts(),
                    wanted.rules());
            return put(plan, made);
        });
    }

    /** Gives a folder or group another name, number, place, members or rules. */
    public static Edit change(Group group) {
        return new Edit(
                group.name() + " changed",
                plan -> plan.group(group.number()).isEmpty() ? missing(plan, group.number()) : put(plan, group));
    }

    /** Puts fixtures in; out of the folder that they lay in, when this is one. */
    public static Edit join(int number, Collection<FixtureKey> fixtures) {
        return onGroup("Put into a group", number, (plan, group) -> {
            Set<FixtureKey> members = new TreeSet<>(group.members());
            members.addAll(fixtures);
            return put(plan, group.withMembers(members));
        });
    }

    /** Takes fixtures out that were put in by hand. Those that belong by a rule stay, since the rule does. */
    public static Edit leave(int number, Collection<FixtureKey> fixtures) {
        return onGroup("Taken out of a group", number, (plan, group) -> {
            Set<FixtureKey> members = new TreeSet<>(group.members());
            members.removeAll(fixtures);
            return new Changed(plan.with(group.withMembers(members)));
        });
    }

    /** Takes a folder or group away. What lay in it lies in its parent from then on; its fixtures stay on the rig. */
    public static Edit remove(int number) {
        return onGroup("Group taken away", number, (plan, group) -> {
            List<Group> raised = plan.groups().stream()
                    .filter(g -> g.parent().equals(Optional.of(number)))
                    .map(g -> g.withParent(group.parent()))
                    .toList();
            return new Changed(plan.with(raised).without(List.of(group.elementKey())));
        });
    }

    private interface Work {
        Outcome on(Plan plan, Group group);
    }

    private static Edit onGroup(String title, int number, Work work) {
        return new Edit(
                title, plan -> plan.group(number).map(g -> work.on(plan, g)).orElseGet(() -> missing(plan, number)));
    }

    private static Outcome put(Plan plan, Group group) {
        Optional<Refusal> refusal = misplaced(plan, group).or(() -> taken(plan, group));
        if (refusal.isPresent()) {
            return Edit.refuse(refusal.get());
        }
        for (FixtureKey member : group.members()) {
            if (plan.fixture(member).isEmpty()) {
                return FixtureEdits.noFixture(member, plan);
            }
        }
        List<Group> changed = new ArrayList<>(List.of(group));
        if (group.kind() == GroupKind.FOLDER) {
            plan.groups().stream()
                    .filter(g -> g.kind() == GroupKind.FOLDER && g.number() != group.number())
                    .map(g -> without(g, group.members()))
                    .forEach(changed::add);
        }
        return new Changed(plan.with(changed));
    }

    private static Group without(Group folder, Set<FixtureKey> gone) {
        Set<FixtureKey> left = new TreeSet<>(folder.members());
        return left.removeAll(gone) ? folder.withMembers(left) : folder;
    }

    /** A parent that is missing, lies in the group itself, or lies too deep. */
    private static Optional<Refusal> misplaced(Plan plan, Group group) {
        Optional<Integer> parent = group.parent();
        for (int depth = 1; parent.isPresent(); depth++) {
            Optional<Group> above = plan.group(parent.get());
            if (above.isEmpty()) {
                return Optional.of(notFound(plan, parent.get()));
            }
            if (parent.get() == group.number() || depth > DEEPEST) {
                String allowed = "a place outside itself, at most " + DEEPEST + " deep";
                return Optional.of(new Refusal("place of " + group.name(), name(above), Fault.OUT_OF_RANGE, allowed));
            }
            parent = above.get().parent();
        }
        return Optional.empty();
    }

    private static String name(Optional<Group> group) {
        return group.map(Group::name).orElse("");
    }

    private static Optional<Refusal> taken(Plan plan, Group group) {
        return plan.groups().stream()
                .filter(g -> g.number() != group.number())
                .filter(g -> group.id().isPresent() && g.id().equals(group.id()))
                .findFirst()
                .map(g -> new Refusal(
                        "group number", group.id().map(FixtureId::toString).orElse(""), Fault.TAKEN, g.name()));
    }

    private static Outcome missing(Plan plan, int number) {
        return Edit.refuse(notFound(plan, number));
    }

    private static Refusal notFound(Plan plan, int number) {
        return new Refusal(
                "folder or group",
                Integer.toString(number),
                Fault.NOT_FOUND,
                plan.groups().size() + " folders and groups in the job");
    }
}
