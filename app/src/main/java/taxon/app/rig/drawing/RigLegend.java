package taxon.app.rig.drawing;

import java.util.Arrays;
import java.util.List;
import taxon.app.frame.Marks;
import taxon.app.frame.Tints;
import taxon.app.rig.table.RigRow;
import taxon.core.proof.Standing;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;

/** What the tints and discs of the drawing mean, and how many units have each. */
public record RigLegend(List<Type> types, List<State> states) {
    public record Type(String id, String name, int tint, int count) {}

    public record State(String slug, Marks marks, long count) {}

    public static RigLegend of(Plan plan) {
        Tints tints = Tints.of(plan);
        List<Type> types = plan.types().types().stream()
                .map(t -> new Type(
                        t.id().value(),
                        t.name(),
                        tints.of(t.id()),
                        plan.fixturesOf(t.id()).size()))
                .filter(t -> t.count() > 0)
                .toList();
        List<Standing> standings = plan.fixtures().stream()
                .map(f -> RigRow.standing(plan, plan.blocksOf(f)))
                .toList();
        List<State> states = Arrays.stream(Standing.values())
                .map(s -> new State(
                        Json.slug(s),
                        Marks.of(s),
                        standings.stream().filter(s::equals).count()))
                .filter(s -> s.count() > 0)
                .toList();
        return new RigLegend(types, states);
    }
}
