package taxon.app.rig;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import taxon.app.form.Reply;
import taxon.app.form.Selection;
import taxon.app.frame.Frames;
import taxon.app.rig.table.RigRow;
import taxon.core.grouping.RigTree;
import taxon.core.proof.Standing;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;

/** Chooses all fixtures of which something is so: on a position, of a type, in a state, in a group. */
@Controller
public class ChooseController {
    private final Frames frames;

    public ChooseController(Frames frames) {
        this.frames = frames;
    }

    /** One of {@code all}, {@code position} and {@code group} (numbers), {@code type} (its id), {@code standing} (its word). */
    @GetMapping("/jobs/{job}/choose")
    public Object choose(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "choose", "/jobs/" + job + "/rig");
        Plan plan = frames.state(job).plan();
        List<Fixture> chosen = plan.fixtures().stream()
                .filter(asked(plan, request).orElse(f -> false))
                .toList();
        if (chosen.isEmpty()) {
            reply.fields().refuse("", "No fixture is like that.");
            return reply.refused();
        }
        Selection selection = Selection.of(chosen.stream().map(Fixture::key).toList());
        String told = chosen.size() == 1 ? "1 fixture chosen." : chosen.size() + " fixtures chosen.";
        return reply.done(
                told,
                reply.page().replaceAll("\\?.*", "") + selection.query(),
                Json.object().put("chosen", chosen.size()));
    }

    private static Optional<Predicate<Fixture>> asked(Plan plan, HttpServletRequest request) {
        Optional<Predicate<Fixture>> position = number(request, "position").map(n -> f -> f.position() == n);
        Optional<Predicate<Fixture>> type =
                value(request, "type").map(t -> f -> f.type().value().equals(t));
        Optional<Predicate<Fixture>> standing = value(request, "standing")
                .flatMap(ChooseController::standing)
                .map(s -> f -> RigRow.standing(plan, plan.blocksOf(f)) == s);
        Optional<Predicate<Fixture>> all = value(request, "all").map(a -> f -> true);
        return all.or(() -> position).or(() -> type).or(() -> standing).or(() -> group(plan, request));
    }

    private static Optional<Predicate<Fixture>> group(Plan plan, HttpServletRequest request) {
        return number(request, "group").map(n -> {
            Set<FixtureKey> inside = RigTree.inside(plan, n);
            return f -> inside.contains(f.key());
        });
    }

    private static Optional<Standing> standing(String word) {
        return Arrays.stream(Standing.values())
                .filter(s -> Json.slug(s).equals(word))
                .findFirst();
    }

    private static Optional<String> value(HttpServletRequest request, String name) {
        return Optional.ofNullable(request.getParameter(name));
    }

    private static Optional<Integer> number(HttpServletRequest request, String name) {
        return value(request, name).filter(n -> n.matches("[1-9]\\d{0,8}")).map(Integer::valueOf);
    }
}
