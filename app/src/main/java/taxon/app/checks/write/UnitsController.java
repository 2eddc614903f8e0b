package taxon.app.checks.write;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.checks.Readings;
import taxon.app.checks.RigReading.Way;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.core.dmx.StartAddress;
import taxon.core.proof.FoundUnit;
import taxon.core.proof.RigComparison.Line;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.JobEdits;
import taxon.core.text.Likeness;
import taxon.core.writing.Result;
import taxon.core.writing.UnitOrders;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** One unit that answered: all that it says, making itself known, and saying which one it is. */
@Controller
class UnitsController {
    private final Frames frames;
    private final JobEditor editor;
    private final Readings readings;
    private final WriteRuns runs;
    private final Preparing preparing;

    UnitsController(Frames frames, JobEditor editor, Readings readings, WriteRuns runs, Preparing preparing) {
        this.frames = frames;
        this.editor = editor;
        this.readings = readings;
        this.runs = runs;
        this.preparing = preparing;
    }

    /** In addresses of pages a UID is written 7FF0-00000001. */
    private static String uid(String path) {
        return path.replace('-', ':');
    }

    private static String at(int job, String path) {
        return "/jobs/" + job + "/checks/units/" + path;
    }

    private FoundUnit unit(int job, String path) {
        return readings.state(job).last().stream()
                .flatMap(r -> r.units().stream())
                .filter(u -> u.uid().equals(uid(path)))
                .findFirst()
                .orElseThrow(() -> new NotThereException("unit " + uid(path)));
    }

    private Optional<Line> line(int job, Plan plan, FoundUnit unit) {
        return preparing
                .comparison(job, plan)
                .flatMap(c -> c.lines().stream()
                        .filter(l -> l.found().map(FoundUnit::uid).equals(Optional.of(unit.uid())))
                        .findFirst());
    }

    /** What it says, a name and a value each. */
    public record Said(String name, String value) {
        static List<Said> of(FoundUnit unit) {
            List<Said> said = new ArrayList<>();
            said.add(new Said("Type", (unit.maker() + " " + unit.model()).strip()));
            said.add(new Said("Label", unit.label()));
            said.add(new Said(
                    "Mode",
                    unit.personality() + ", " + unit.modeName()
                            + (unit.says().modes() > 0 ? " (of " + unit.says().modes() + ")" : "")));
            for (int i = 0; i < unit.blocks().size(); i++) {
                said.add(new Said(
                        i == 0 ? "Address" : "Address of block " + (i + 1),
                        new StartAddress(unit.universe(), unit.blocks().get(i).start()) + ", "
                                + unit.blocks().get(i).footprint() + " slots"));
            }
            said.add(new Said("Software", unit.says().software()));
            said.add(new Said("Hours", unit.says().hours().map(Object::toString).orElse("")));
            said.add(new Said(
                    "Hours of its lamp",
                    unit.says().lampHours().map(Object::toString).orElse("")));
            said.add(new Said("Sensors", String.join(", ", unit.says().sensors())));
            said.add(new Said("Reports", String.join(", ", unit.says().status())));
            said.add(new Said("Turned by its menu", unit.says().axes().words()));
            return said.stream().filter(s -> !s.value().isBlank()).toList();
        }
    }

    /** A fixture that it may be. */
    public record Choice(int key, String words) {}

    @GetMapping("/jobs/{job}/checks/units/{path}")
    Object page(@PathVariable int job, @PathVariable String path, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        FoundUnit unit = unit(job, path);
        Optional<Line> line = line(job, state.plan(), unit);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, json(unit, line));
        }
        frames.open(job, Optional.of(Stage.CHECKS), request, model);
        model.addAttribute("unit", unit);
        model.addAttribute("path", path);
        model.addAttribute("said", Said.of(unit));
        model.addAttribute(
                "taken", line.flatMap(Line::fixture).map(Fixture::label).orElse(""));
        model.addAttribute(
                "key", line.flatMap(Line::key).map(FixtureKey::number).orElse(0));
        model.addAttribute("certain", line.filter(Line::isCertain).isPresent());
        model.addAttribute("choices", choices(job, state.plan(), unit));
        model.addAttribute("outside", outside(job, unit));
        return "checks/unit";
    }

    private List<String> outside(int job, FoundUnit unit) {
        return readings.state(job).last().flatMap(r -> r.way(unit.uid())).map(Way::node).stream()
                .filter(ip -> !ip.isLoopback())
                .map(Object::toString)
                .toList();
    }

    private static ObjectNode json(FoundUnit unit, Optional<Line> line) {
        ObjectNode body = Json.object()
                .put("unit", unit.uid())
                .put("universe", unit.universe().number())
                .put("identifying", unit.says().identifying())
                .put("takenFor", line.flatMap(Line::fixture).map(Fixture::label).orElse(""))
                .put("certain", line.filter(Line::isCertain).isPresent());
        ObjectNode said = body.putObject("says");
        Said.of(unit).forEach(s -> said.put(s.name(), s.value()));
        return body;
    }

    /** Fixtures of its universe that no other unit is certainly taken for, those of its type first. */
    private List<Choice> choices(int job, Plan plan, FoundUnit unit) {
        String type = Likeness.key(unit.maker() + " " + unit.model());
        List<Line> open = preparing.comparison(job, plan).stream()
                .flatMap(c -> c.lines().stream())
                .filter(l -> l.universe().equals(unit.universe()))
                .filter(l -> l.fixture().isPresent() && !(l.found().isPresent() && l.isCertain()))
                .toList();
        return Stream.of(true, false)
                .flatMap(same -> open.stream().filter(l -> same == isOf(plan, l, type)))
                .map(l -> l.fixture().orElseThrow())
                .map(f -> new Choice(
                        f.key().number(),
                        f.label() + " " + plan.type(f).name() + ", "
                                + plan.position(f).name() + " unit " + f.unit()))
                .toList();
    }

    private static boolean isOf(Plan plan, Line line, String type) {
        return Likeness.key(plan.type(line.fixture().orElseThrow()).fullName()).equals(type);
    }

    /** {@code on} "on" or "off", {@code arm=network} where its node is outside this machine. */
    @PostMapping("/jobs/{job}/checks/units/{path}/identify")
    Object identify(@PathVariable int job, @PathVariable String path, HttpServletRequest request)
            throws InterruptedException {
        JobState state = frames.state(job);
        Reply reply = Reply.to(request, "unit", at(job, path));
        FoundUnit unit = unit(job, path);
        boolean network = reply.fields().text("arm").equals("network");
        if (!outside(job, unit).isEmpty() && !network) {
            reply.fields().refuse("arm", "Its node is outside this machine; arm output to it first.");
            return reply.refused();
        }
        boolean on = reply.fields().text("on").equals("on");
        Optional<Fixture> fixture = line(job, state.plan(), unit).flatMap(Line::fixture);
        Result result = runs.once(job, UnitOrders.identify(unit, fixture, on), network);
        return result.isSurprise()
                ? reply.conflicting("It does not make itself known: " + result.says() + ".")
                : reply.done(
                        on ? "It makes itself known now, until it is told otherwise." : "It is as before.",
                        Json.object().put("identifying", on));
    }

    /** {@code fixture}, by its key: somebody has seen which one it is. */
    @PostMapping("/jobs/{job}/checks/units/{path}/is")
    Object is(@PathVariable int job, @PathVariable String path, HttpServletRequest request) {
        JobState state = frames.state(job);
        Reply reply = Reply.to(request, "unit", at(job, path));
        FoundUnit unit = unit(job, path);
        Optional<Integer> key = reply.fields().number("fixture", "fixture", 1, Integer.MAX_VALUE);
        Optional<Fixture> fixture = key.flatMap(k -> state.plan().fixture(FixtureKey.of(k)));
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        if (fixture.isEmpty()) {
            reply.fields().refuse("fixture", "There is no such fixture in the plan.");
            return reply.refused();
        }
        editor.record(
                job,
                reply.who(),
                JobEdits.record(
                        "Unit " + unit.uid() + " is " + fixture.get().label(),
                        known(state.plan(), fixture.get(), unit.uid())));
        return reply.done(
                "It is " + fixture.get().label() + ", as somebody has seen.",
                Json.object().put("fixture", key.orElseThrow()));
    }

    /** The unit is that fixture and no other. */
    private static List<BlockEvidence> known(Plan plan, Fixture fixture, String uid) {
        List<BlockEvidence> known = new ArrayList<>();
        plan.fixtures().stream()
                .flatMap(f -> plan.blocksOf(f).stream())
                .map(b -> plan.evidence(b.ref()))
                .filter(e -> e.uid().equals(uid) && !e.ref().fixture().equals(fixture.key()))
                .forEach(e -> known.add(e.withUid("")));
        plan.blocksOf(fixture).forEach(b -> known.add(plan.evidence(b.ref()).withUid(uid)));
        return known;
    }
}
