package taxon.core.grouping;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Group.GroupKind;
import taxon.core.rig.Plan;
import taxon.core.rig.RigPart;

/** The rig as a tree: folders in folders, groups, fixtures, and the cells of each fixture. */
public final class RigTree {
    private final Plan plan;
    private final Memberships members;
    private final Map<Fixture.Model, List<Part>> cells = new HashMap<>();

    /** Something in the tree. */
    public sealed interface Node permits Branch, Leaf {
        /** The fixtures below, each once. */
        Set<FixtureKey> fixtures();
    }

    /**
     * A folder or group. What lies in a folder comes before the fixtures in it.
     *
     * @param parts cells and layers that it holds without the rest of their fixtures, which do not count as in it
     */
    public record Branch(Group group, List<Node> children, List<RigPart> parts) implements Node {
        public Branch {
            children = List.copyOf(children);
            parts = List.copyOf(parts);
        }

        /** The fixtures below, and those of which it holds a part. */
        Set<FixtureKey> touched() {
            Set<FixtureKey> keys = fixtures();
            branches(this)
                    .forEach(b -> b.parts().forEach(p -> keys.add(p.fixture().key())));
            return keys;
        }

        @Override
        public Set<FixtureKey> fixtures() {
            Set<FixtureKey> keys = new HashSet<>();
            children.forEach(c -> keys.addAll(c.fixtures()));
            return keys;
        }
    }

    /** @param cells empty for a fixture that is one whole */
    public record Leaf(Fixture fixture, List<Part> cells) implements Node {
        public Leaf {
            cells = List.copyOf(cells);
        }

        @Override
        public Set<FixtureKey> fixtures() {
            return Set.of(fixture.key());
        }
    }

    private RigTree(Plan plan) {
        this.plan = plan;
        members = new Memberships(plan);
    }

    /** What lies at the top; fixtures that lie in no folder come last, in the order in which the rig is read. */
    public static List<Node> of(Plan plan) {
        RigTree tree = new RigTree(plan);
        List<Node> top = tree.within(Optional.empty());
        Set<FixtureKey> inFolders = new HashSet<>();
        // Whoever lies in a group, or comes by a rule, inside a folder lies in that folder.
        top.stream()
                .flatMap(RigTree::branches)
                .filter(b -> b.group().kind() == GroupKind.FOLDER)
                .forEach(b -> inFolders.addAll(b.fixtures()));
        tree.members.order().stream().filter(f -> !inFolders.contains(f.key())).forEach(f -> top.add(tree.leaf(f)));
        return List.copyOf(top);
    }

    /** All fixtures in a folder or group and in what lies in it, whole or in part; none where there is no such folder or group. */
    public static Set<FixtureKey> inside(Plan plan, int number) {
        return new RigTree(plan)
                .within(Optional.empty()).stream()
                        .flatMap(RigTree::branches)
                        .filter(b -> b.group().number() == number)
                        .findFirst()
                        .map(Branch::touched)
                        .orElse(Set.of());
    }

    private static Stream<Branch> branches(Node node) {
        return node instanceof Branch branch
                ? Stream.concat(Stream.of(branch), branch.children().stream().flatMap(RigTree::branches))
                : Stream.empty();
    }

    private List<Node> within(Optional<Integer> parent) {
        List<Node> nodes = new ArrayList<>();
        for (GroupKind kind : GroupKind.values()) {
            members.within(parent).stream().filter(g -> g.kind() == kind).forEach(g -> nodes.add(branch(g)));
        }
        return nodes;
    }

    private Branch branch(Group group) {
        List<Node> children = within(Optional.of(group.number()));
        members.of(group).forEach(f -> children.add(leaf(f)));
        return new Branch(group, children, members.partsOf(group));
    }

    private Leaf leaf(Fixture fixture) {
        return new Leaf(
                fixture,
                cells.computeIfAbsent(
                        fixture.model(),
                        m -> plan.mode(fixture).map(Mode::parts).orElse(List.of())));
    }
}
