package taxon.core.rig;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import taxon.core.fixture.TypeId;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.text.Texts;

/**
 * A folder, which keeps fixtures in order, or a group, which is what the programmer takes hold of at once.
 *
 * @param id a group's number, which is no fixture ID and has no address; a folder has none
 * @param parent the folder or group that it lies in; empty at the top
 * @param members put in by hand; a group may hold more by its rules
 * @param parts cells and layers that a group holds without the rest of their fixtures; one that the mode lacks counts as none
 * @param rules of a group; a fixture that satisfies any of them is a member. A folder has none
 */
public record Group(
        int number,
        GroupKind kind,
        String name,
        Optional<FixtureId> id,
        Optional<Integer> parent,
        SortedSet<FixtureKey> members,
        SortedSet<PartRef> parts,
        List<Rule> rules)
        implements Element {
    private static final int MOST_RULES = 64;

    public enum GroupKind {
        FOLDER,
        GROUP
    }

    /**
     * Who belongs to a group without being put there: all of a type, all on a position, or all of a type on a position.
     * At least one of the two is said.
     */
    public record Rule(Optional<TypeId> type, Optional<Integer> position) {
        public Rule {
            if (type.isEmpty() && position.isEmpty()) {
                throw new IllegalArgumentException("a rule that names neither type nor position would take everything");
            }
        }

        /** Takes all fixtures of a type, wherever they hang. */
        public static Rule ofType(TypeId type) {
            return new Rule(Optional.of(type), Optional.empty());
        }

        /** Takes all fixtures on a position, whatever they are. */
        public static Rule onPosition(int position) {
            return new Rule(Optional.empty(), Optional.of(position));
        }

        /** True when a fixture is a member by this rule. */
        public boolean takes(Fixture fixture) {
            return type.map(fixture.type()::equals).orElse(true)
                    && position.map(p -> p == fixture.position()).orElse(true);
        }

        List<ElementKey> refersTo() {
            List<ElementKey> keys = new ArrayList<>();
            type.ifPresent(t -> keys.add(new ElementKey(Kind.TYPE, 0, t.value())));
            position.ifPresent(p -> keys.add(ElementKey.of(Kind.POSITION, p)));
            return keys;
        }
    }

    public Group {
        if (number < 1) {
            throw new IllegalArgumentException("group number " + number + " is below 1");
        }
        Texts.requireLine("group name", name, 80);
        members = Collections.unmodifiableSortedSet(new TreeSet<>(members));
        parts = Collections.unmodifiableSortedSet(new TreeSet<>(parts));
        rules = List.copyOf(rules);
        if (parts.stream().anyMatch(PartRef::isWhole)) {
            throw new IllegalArgumentException("a whole fixture is a member and no part");
        }
        if (rules.size() > MOST_RULES) {
            throw new IllegalArgumentException(rules.size() + " rules of a group are more than " + MOST_RULES);
        }
        if (kind == GroupKind.FOLDER && (id.isPresent() || !rules.isEmpty() || !parts.isEmpty())) {
            throw new IllegalArgumentException("a folder has neither a number of its own nor rules nor cells");
        }
    }

    /**
     * A folder without members.
     *
     * @param parent the folder that it lies in
     */
    public static Group folder(int number, String name, Optional<Integer> parent) {
        return new Group(number, GroupKind.FOLDER, name, Optional.empty(), parent, List.of(), List.of());
    }

    /** A folder or group of whole fixtures. */
    public Group(
            int number,
            GroupKind kind,
            String name,
            Optional<FixtureId> id,
            Optional<Integer> parent,
            Collection<FixtureKey> members,
            List<Rule> rules) {
        this(number, kind, name, id, parent, new TreeSet<>(members), Collections.emptySortedSet(), rules);
    }

    @Override
    public ElementKey elementKey() {
        return keyOf(number);
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.group(this);
    }

    /** The key under which a plan holds the group. */
    public static ElementKey keyOf(int number) {
        return ElementKey.of(Kind.GROUP, number);
    }

    /** True for a member by hand or by rule. */
    public boolean holds(Fixture fixture) {
        return members.contains(fixture.key()) || rules.stream().anyMatch(r -> r.takes(fixture));
    }

    /** The same with exactly these members by hand. */
    public Group withMembers(Set<FixtureKey> changed) {
        return new Group(number, kind, name, id, parent, new TreeSet<>(changed), parts, rules);
    }

    /**
     * The same with exactly these cells and layers.
     *
     * @throws IllegalArgumentException when it is a folder and there are some, or one is a whole fixture
     */
    public Group withParts(Collection<PartRef> changed) {
        return new Group(number, kind, name, id, parent, members, new TreeSet<>(changed), rules);
    }

    /** The same in another folder, or at the top. */
    public Group withParent(Optional<Integer> changed) {
        return new Group(number, kind, name, id, changed, members, parts, rules);
    }

    /** Without what refers to anything that is not among these keys. */
    Group keeping(Set<ElementKey> keys) {
        Set<FixtureKey> kept = new TreeSet<>(members);
        kept.removeIf(m -> !keys.contains(Fixture.keyOf(m)));
        List<Rule> left =
                rules.stream().filter(r -> keys.containsAll(r.refersTo())).toList();
        SortedSet<PartRef> whole = new TreeSet<>(parts);
        whole.removeIf(p -> !keys.contains(Fixture.keyOf(p.fixture())));
        return kept.size() == members.size() && left.size() == rules.size() && whole.size() == parts.size()
                ? this
                : new Group(number, kind, name, id, parent, new TreeSet<>(kept), whole, left);
    }
}
