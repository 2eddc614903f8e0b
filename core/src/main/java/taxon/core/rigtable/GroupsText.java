package taxon.core.rigtable;

import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Group.GroupKind;
import taxon.core.rig.PartRef;
import taxon.core.rig.Plan;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.RigPart;
import taxon.core.rigtable.FieldReader.CellRefusedException;

/**
 * The folder and the groups of a row, as a cell of the table reads and takes them: their names with commas between. What the
 * text leaves out is left; nobody leaves a group that takes them by its rules.
 */
final class GroupsText {
    private static final int NAMED = 6;

    private final List<Group> groups;
    private final RigPart row;
    private final String text;

    private GroupsText(Collection<Group> groups, RigPart row, String text) {
        this.groups = List.copyOf(groups);
        this.row = row;
        this.text = text;
    }

    static String of(Plan plan, RigPart row) {
        return plan.groups().stream()
                .filter(g -> holds(g, row))
                .map(Group::name)
                .collect(Collectors.joining(", "));
    }

    private static boolean holds(Group group, RigPart row) {
        return row.isWhole() ? group.holds(row.fixture()) : group.parts().contains(row.ref());
    }

    /**
     * The folders and groups that are another once the row lies in exactly those that the text names.
     *
     * @throws CellRefusedException when a name is not known or not one's alone, or the row cannot lie there or leave
     */
    static List<Group> changed(Collection<Group> groups, RigPart row, String text) {
        GroupsText wanted = new GroupsText(groups, row, text);
        Set<Group> named = wanted.named();
        wanted.check(named);
        return groups.stream()
                .filter(g -> named.contains(g) != holds(g, row))
                .map(g -> named.contains(g) ? wanted.joined(g) : wanted.left(g))
                .toList();
    }

    private void check(Set<Group> named) {
        long folders = named.stream().filter(g -> g.kind() == GroupKind.FOLDER).count();
        if (folders > 1) {
            throw refused(text, Fault.OUT_OF_RANGE, "one folder at most, and any number of groups");
        }
        if (folders > 0 && !row.isWhole()) {
            throw refused(text, Fault.OUT_OF_RANGE, "groups; a folder keeps whole fixtures");
        }
    }

    /** A name may hold commas itself: the longest that is one counts. */
    private Set<Group> named() {
        List<String> pieces = text.isBlank() ? List.of() : Arrays.asList(text.split(","));
        Set<Group> named = new LinkedHashSet<>();
        int at = 0;
        while (at < pieces.size()) {
            int end = pieces.size();
            Optional<Group> found = Optional.empty();
            while (found.isEmpty() && end > at) {
                found = called(String.join(",", pieces.subList(at, end)).strip());
                end--;
            }
            if (found.isEmpty()) {
                throw refused(pieces.get(at).strip(), Fault.NOT_FOUND, known());
            }
            named.add(found.get());
            at = end + 1;
        }
        return named;
    }

    private Optional<Group> called(String name) {
        List<Group> found =
                groups.stream().filter(g -> key(g.name()).equals(key(name))).toList();
        List<Group> own = found.stream().filter(g -> holds(g, row)).toList();
        List<Group> meant = found.size() > 1 && own.size() == 1 ? own : found;
        if (meant.size() > 1) {
            throw refused(name, Fault.TAKEN, meant.size() + " of them; give them names of their own");
        }
        return meant.stream().findFirst().or(() -> numbered(name));
    }

    private Optional<Group> numbered(String number) {
        return groups.stream()
                .filter(g -> g.id().map(i -> i.toString().equals(number)).orElse(false))
                .findFirst();
    }

    private static String key(String name) {
        return name.toLowerCase(Locale.ROOT);
    }

    private String known() {
        return groups.isEmpty()
                ? "there are none yet; make it under Folders and groups"
                : groups.stream().limit(NAMED).map(Group::name).collect(Collectors.joining(", "))
                        + (groups.size() > NAMED ? " …" : "");
    }

    private Group joined(Group group) {
        if (row.isWhole()) {
            Set<FixtureKey> members = new TreeSet<>(group.members());
            members.add(row.fixture().key());
            return group.withMembers(members);
        }
        Set<PartRef> parts = new TreeSet<>(group.parts());
        parts.add(row.ref());
        return group.withParts(parts);
    }

    private Group left(Group group) {
        if (!row.isWhole()) {
            Set<PartRef> parts = new TreeSet<>(group.parts());
            parts.remove(row.ref());
            return group.withParts(parts);
        }
        Set<FixtureKey> members = new TreeSet<>(group.members());
        members.remove(row.fixture().key());
        Group without = group.withMembers(members);
        if (without.holds(row.fixture())) {
            throw refused(text, Fault.OUT_OF_RANGE, group.name() + " among them, which takes it by its rule");
        }
        return without;
    }

    private static CellRefusedException refused(String value, Fault fault, String allowed) {
        return new CellRefusedException(new Refusal("folder or group", value, fault, allowed));
    }
}
