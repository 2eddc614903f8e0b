package taxon.formats.mvr;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import taxon.core.grouping.Grouping;
import taxon.core.grouping.Grouping.Origin;
import taxon.core.grouping.Groupings;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Group.GroupKind;
import taxon.core.rig.Plan;

/**
 * The fixtures of a job as a scene holds them, each in one place: outermost folders are layers, folders in them and groups are groups of
 * the scene. A fixture in several folders lies in the innermost, one in several groups in the first by number.
 */
final class SceneTree {
    private final Plan plan;
    private final Map<FixtureKey, List<Group>> folders = new HashMap<>();
    private final Map<FixtureKey, Grouping> groups = new HashMap<>();

    /**
     * A layer or a group of the scene.
     *
     * @param key by which it keeps its UUID
     */
    record Node(String key, String name, Map<String, Node> inner, List<Fixture> fixtures) {
        static Node of(String key, String name) {
            return new Node(key, name, new LinkedHashMap<>(), new ArrayList<>());
        }

        Node inner(String innerKey, String innerName) {
            return inner.computeIfAbsent(innerKey, k -> of(k, innerName));
        }
    }

    private SceneTree(Plan plan) {
        this.plan = plan;
        Comparator<List<Group>> depth = Comparator.comparingInt(List::size);
        plan.groups().stream().filter(g -> g.kind() == GroupKind.FOLDER).forEach(folder -> {
            List<Group> path = path(folder);
            folder.members().forEach(f -> folders.merge(f, path, (a, b) -> depth.compare(a, b) >= 0 ? a : b));
        });
        Groupings.all(plan).stream()
                .filter(g -> g.origin() == Origin.MADE)
                .forEach(g -> g.members().forEach(f -> groups.putIfAbsent(f.key(), g)));
    }

    /** The layers, each with what lies in it; fixtures in the order of their positions. */
    static List<Node> layers(Plan plan) {
        SceneTree tree = new SceneTree(plan);
        Node root = Node.of("", "");
        plan.positions()
                .forEach(p -> plan.fixturesOn(p)
                        .forEach(f -> tree.node(root, f).fixtures().add(f)));
        return root.inner().isEmpty()
                ? List.of(Node.of("layer", plan.sheet().name()))
                : List.copyOf(root.inner().values());
    }

    private Node node(Node root, Fixture fixture) {
        List<Group> path = folders.getOrDefault(fixture.key(), List.of());
        Node node = path.isEmpty() ? root.inner("layer", plan.sheet().name()) : root;
        for (Group folder : path) {
            node = node.inner("folder/" + folder.number(), folder.name());
        }
        Optional<Grouping> group = Optional.ofNullable(groups.get(fixture.key()));
        return group.isEmpty()
                ? node
                : node.inner(
                        "group/" + group.get().number().orElseThrow(),
                        group.get().name());
    }

    private List<Group> path(Group folder) {
        ArrayDeque<Group> path = new ArrayDeque<>(List.of(folder));
        for (Optional<Group> above = folder.parent().flatMap(plan::group);
                above.isPresent();
                above = above.get().parent().flatMap(plan::group)) {
            path.addFirst(above.get());
        }
        return List.copyOf(path);
    }
}
