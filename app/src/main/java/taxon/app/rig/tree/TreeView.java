package taxon.app.rig.tree;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import taxon.app.form.Selection;
import taxon.core.fixture.Part;
import taxon.core.grouping.Grouping;
import taxon.core.grouping.Grouping.Origin;
import taxon.core.grouping.Groupings;
import taxon.core.grouping.IdRuns;
import taxon.core.grouping.RigTree;
import taxon.core.grouping.RigTree.Branch;
import taxon.core.grouping.RigTree.Leaf;
import taxon.core.grouping.RigTree.Node;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.Group;
import taxon.core.rig.Group.GroupKind;
import taxon.core.rig.Plan;

/** The tree as its page shows it: every folder and group as a line, indented by its depth, with its fixtures. */
public record TreeView(List<Line> lines, List<Unit> loose) {

    /**
     * A folder or group.
     *
     * @param depth counted from 0
     * @param runs the IDs of the fixtures directly in it
     * @param parts the cells and layers in it, "101 cells 1–4"; empty where it has none
     * @param keys those fixtures as a selection
     */
    public record Line(
            int number,
            int depth,
            boolean folder,
            String name,
            String id,
            String parent,
            int count,
            String runs,
            String parts,
            int partCount,
            String keys,
            List<Unit> units,
            List<RuleLine> rules) {}

    /** @param cells "8 cells: 1 to 8"; empty for a fixture that is one whole */
    public record Unit(int key, String label, String words, String cells) {}

    /** @param value as its form sends it */
    public record RuleLine(String value, String words) {}

    /** A folder or group that another can lie in. */
    public record Place(int number, String words) {}

    /**
     * A folder or group beside the table.
     *
     * @param parts how many cells and layers are directly in it, beside the fixtures that count
     */
    public record BranchLine(int number, int depth, boolean folder, String name, int count, int parts) {}

    /** Folders and groups in the order of the tree, without what lies in them. */
    public static List<BranchLine> branches(Plan plan) {
        List<BranchLine> branches = new ArrayList<>();
        RigTree.of(plan).stream().filter(Branch.class::isInstance).forEach(n -> branches((Branch) n, 0, branches));
        return branches;
    }

    private static void branches(Branch branch, int depth, List<BranchLine> into) {
        Group group = branch.group();
        into.add(new BranchLine(
                group.number(),
                depth,
                group.kind() == GroupKind.FOLDER,
                group.name(),
                branch.fixtures().size(),
                branch.parts().size()));
        branch.children().stream().filter(Branch.class::isInstance).forEach(b -> branches((Branch) b, depth + 1, into));
    }

    /** A group that comes by itself. */
    public record Automatic(String name, String origin, int count, String runs, String keys) {}

    public static TreeView of(Plan plan) {
        List<Line> lines = new ArrayList<>();
        List<Unit> loose = new ArrayList<>();
        for (Node node : RigTree.of(plan)) {
            if (node instanceof Branch branch) {
                add(plan, branch, 0, lines);
            } else {
                loose.add(unit(plan, (Leaf) node));
            }
        }
        return new TreeView(lines, loose);
    }

    private static void add(Plan plan, Branch branch, int depth, List<Line> lines) {
        List<Leaf> leaves = branch.children().stream()
                .filter(Leaf.class::isInstance)
                .map(Leaf.class::cast)
                .toList();
        lines.add(line(plan, branch, depth, leaves));
        branch.children().stream()
                .filter(Branch.class::isInstance)
                .forEach(b -> add(plan, (Branch) b, depth + 1, lines));
    }

    private static Line line(Plan plan, Branch branch, int depth, List<Leaf> leaves) {
        Group group = branch.group();
        List<Fixture> fixtures = leaves.stream().map(Leaf::fixture).toList();
        return new Line(
                group.number(),
                depth,
                group.kind() == GroupKind.FOLDER,
                group.name(),
                group.id().map(FixtureId::toString).orElse(""),
                group.parent().map(String::valueOf).orElse(""),
                branch.fixtures().size(),
                IdRuns.words(fixtures),
                IdRuns.parts(branch.parts()),
                branch.parts().size(),
                keys(fixtures),
                leaves.stream().map(l -> unit(plan, l)).toList(),
                group.rules().stream().map(r -> rule(plan, r)).toList());
    }

    private static String keys(List<Fixture> fixtures) {
        return Selection.of(fixtures.stream().map(Fixture::key).toList()).text();
    }

    private static Unit unit(Plan plan, Leaf leaf) {
        Fixture f = leaf.fixture();
        return new Unit(
                f.key().number(),
                f.label(),
                plan.type(f).fullName() + ", " + plan.position(f).name() + " " + f.unit(),
                leaf.cells().isEmpty()
                        ? ""
                        : leaf.cells().stream().map(p -> named(f, p)).collect(Collectors.joining(", ")));
    }

    private static String named(Fixture fixture, Part part) {
        String name = fixture.traits().nameOf(part);
        return name.isEmpty() ? part.toString() : part + " (" + name + ")";
    }

    private static RuleLine rule(Plan plan, Group.Rule rule) {
        String type =
                rule.type().flatMap(plan.types()::find).map(t -> t.fullName()).orElse("");
        String position =
                rule.position().flatMap(plan::position).map(p -> p.name()).orElse("");
        String words =
                type.isEmpty() ? "all on " + position : "all " + type + (position.isEmpty() ? "" : " on " + position);
        String value = rule.type().map(Object::toString).orElse("") + "@"
                + rule.position().map(String::valueOf).orElse("");
        return new RuleLine(value, words);
    }

    public static List<Place> places(Plan plan) {
        return of(plan).lines().stream()
                .map(l -> new Place(l.number(), "– ".repeat(l.depth()) + l.name()))
                .toList();
    }

    public static List<Automatic> automatic(Plan plan) {
        return Groupings.all(plan).stream()
                .filter(g -> g.origin() != Origin.MADE)
                .map(TreeView::automatic)
                .toList();
    }

    private static Automatic automatic(Grouping group) {
        return new Automatic(
                group.name(),
                group.origin().words(),
                group.members().size(),
                IdRuns.words(group.members()),
                keys(group.members()));
    }
}
