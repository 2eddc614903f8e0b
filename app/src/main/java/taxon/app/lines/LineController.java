package taxon.app.lines;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.NotThereException;
import taxon.app.form.Outlets;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.core.cable.Shelf;
import taxon.core.lines.LineCable;
import taxon.core.lines.LineEdits;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;

/** One line: where it begins, and what it reaches in which order. */
@Controller
class LineController {
    private final Frames frames;
    private final JobEditor editor;

    LineController(Frames frames, JobEditor editor) {
        this.frames = frames;
        this.editor = editor;
    }

    @GetMapping("/jobs/{job}/lines/{number}")
    Object page(@PathVariable int job, @PathVariable int number, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        Plan plan = state.plan();
        Line line = line(plan, number);
        Shelf shelf = new Shelf(plan.sheet().network().cable().stock());
        LineView view = LineView.of(plan, LineCable.of(plan, line), shelf);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, LineJson.write(view));
        }
        frames.open(job, Optional.of(Stage.NETWORK), request, model);
        model.addAttribute("line", view);
        model.addAttribute("outlets", Outlets.free(plan));
        model.addAttribute("others", plan.lines());
        model.addAttribute(
                "boxes",
                plan.boxes().stream().filter(b -> b.kind().hangsOnLine()).toList());
        return "lines/line";
    }

    /** Begins a line: {@code name}, {@code outlet} = box/port. */
    @PostMapping("/jobs/{job}/lines")
    Object begin(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "line", "/jobs/" + job + "/lines");
        long version = reply.version();
        Optional<PortRef> port = Outlets.read(reply.fields(), "outlet");
        String name = reply.fields().text("name");
        Optional<Line> shape = port.flatMap(p -> reply.fields().build("name", () -> new Line(1, name, p, List.of())));
        return shape.isEmpty() || reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(editor.apply(
                        job,
                        version,
                        Guard.UNCHANGED_JOB,
                        reply.who(),
                        LineEdits.begin(name, shape.get().from())));
    }

    /** Its {@code name} and its {@code outlet}; what is not sent stays. */
    @PostMapping("/jobs/{job}/lines/{number}")
    Object change(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = reply(job, number, request);
        Line before = line(frames.state(job).plan(), number);
        Fields fields = reply.fields();
        Optional<PortRef> port = fields.has("outlet") ? Outlets.read(fields, "outlet") : Optional.of(before.from());
        String name = fields.isGiven("name") ? fields.text("name") : before.name();
        Optional<Line> changed =
                port.flatMap(p -> fields.build("name", () -> new Line(number, name, p, before.stops())));
        return changed.isEmpty() ? reply.refused() : after(reply, job, LineEdits.change(changed.get()));
    }

    /**
     * Plugs stops in: fixture IDs {@code ids} or {@code fixture} keys, or one {@code box}, before {@code place}; at the end where
     * none is said.
     */
    @PostMapping("/jobs/{job}/lines/{number}/stops")
    Object plug(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = reply(job, number, request);
        Plan plan = frames.state(job).plan();
        Fields fields = reply.fields();
        List<LineStop> stops = stops(plan, fields);
        int end = line(plan, number).stops().size() + 1;
        Optional<Integer> place =
                fields.has("place") ? fields.number("place", "place on the line", 1, end) : Optional.of(end);
        if (stops.isEmpty() && !fields.isFaulty()) {
            fields.refuse("ids", "Nothing to plug in; it takes fixture IDs such as 101, 104-106.");
        }
        return fields.isFaulty()
                ? reply.refused()
                : after(reply, job, LineEdits.plug(number, place.orElseThrow(), stops));
    }

    private static List<LineStop> stops(Plan plan, Fields fields) {
        List<LineStop> stops = new ArrayList<>();
        for (int id : TypedNumbers.read(fields, "ids", "fixture ID", FixtureId.LAST)) {
            List<Fixture> of = plan.fixtures().stream()
                    .filter(f -> f.id().filter(i -> i.number() == id).isPresent())
                    .toList();
            if (of.isEmpty()) {
                fields.refuse("ids", "There is no fixture " + id + ".");
            }
            of.forEach(f -> stops.add(new LineStop.Unit(f.key())));
        }
        fields.keys("fixture").stream()
                .filter(k -> plan.fixture(k).isPresent())
                .forEach(k -> stops.add(new LineStop.Unit(k)));
        if (fields.has("box")) {
            fields.number("box", "number of a box", 1, 999_999).ifPresent(b -> stops.add(new LineStop.Through(b)));
        }
        return stops.stream().distinct().toList();
    }

    /** Takes fixtures {@code fixture} or a {@code box} off it. */
    @PostMapping("/jobs/{job}/lines/{number}/stops/remove")
    Object unplug(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = reply(job, number, request);
        List<LineStop> stops = stops(frames.state(job).plan(), reply.fields());
        return reply.fields().isFaulty()
                ? reply.refused()
                : after(reply, job, LineEdits.unplug(number, Set.copyOf(stops)));
    }

    @PostMapping("/jobs/{job}/lines/{number}/remove")
    Object remove(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = Reply.to(request, "line-" + number, "/jobs/" + job + "/lines");
        return after(reply, job, LineEdits.remove(number));
    }

    private static Reply reply(int job, int number, HttpServletRequest request) {
        return Reply.to(request, "line-" + number, "/jobs/" + job + "/lines/" + number);
    }

    private Object after(Reply reply, int job, Edit edit) {
        long version = reply.version();
        return reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(editor.apply(job, version, Guard.UNTOUCHED_ELEMENTS, reply.who(), edit));
    }

    private static Line line(Plan plan, int number) {
        return plan.line(number).orElseThrow(() -> new NotThereException("line " + number));
    }
}
