package taxon.app.checks.list;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.SortedMap;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.checks.raise.Lifts;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.core.checklist.CheckItems;
import taxon.core.checklist.CheckObservations;
import taxon.core.checklist.CheckRaise;
import taxon.core.dmx.StartAddress;
import taxon.core.raising.Grip;
import taxon.core.raising.RaisingText;
import taxon.core.rig.CheckItem;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.UnitCheck;
import taxon.core.rig.UnitCheck.Seen;
import taxon.core.rig.edit.CheckEdits;
import taxon.core.text.Texts;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The check list: how far it is, one unit after the other, and what was seen. */
@Controller
class ListController {
    private static final int LONGEST_NOTE = 200;

    private final Frames frames;
    private final JobEditor editor;
    private final Lifts lifts;
    private final Clock clock;

    ListController(Frames frames, JobEditor editor, Lifts lifts, Clock clock) {
        this.frames = frames;
        this.editor = editor;
        this.lifts = lifts;
        this.clock = clock;
    }

    private static String at(int job) {
        return "/jobs/" + job + "/checks/list";
    }

    @GetMapping("/jobs/{job}/checks/list")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        ListView view = ListView.of(state.plan());
        List<String> observations = CheckObservations.of(state.plan());
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, json(state, view, observations));
        }
        frames.open(job, Optional.of(Stage.CHECKS), request, model);
        model.addAttribute("view", view);
        model.addAttribute(
                "explain",
                observations.isEmpty()
                        ? ""
                        : "/jobs/" + job + "/checks/explain?saw="
                                + URLEncoder.encode(String.join("\n", observations), StandardCharsets.UTF_8));
        return "checks/list";
    }

    private static ObjectNode json(JobState state, ListView view, List<String> observations) {
        ObjectNode body = Json.object()
                .put("job", state.job())
                .put("version", state.version())
                .put("units", view.units())
                .put("done", view.done());
        ArrayNode positions = body.putArray("positions");
        view.positions()
                .forEach(p -> positions
                        .addObject()
                        .put("name", p.name())
                        .put("units", p.units())
                        .put("done", p.done())
                        .put("wrong", p.wrong()));
        ArrayNode wrong = body.putArray("wrong");
        view.wrong().forEach(w -> wrong.addObject().put("fixture", w.key()).put("words", w.words()));
        ArrayNode seen = body.putArray("seen");
        observations.forEach(seen::add);
        return body;
    }

    private static Fixture fixture(Plan plan, int key) {
        return Optional.of(key)
                .filter(k -> k >= 1)
                .flatMap(k -> plan.fixture(FixtureKey.of(k)))
                .orElseThrow(() -> new NotThereException("fixture with the key " + key));
    }

    /** One unit, at its check {@code item}, or at the first that is not done. */
    @GetMapping("/jobs/{job}/checks/list/{key}")
    Object unit(@PathVariable int job, @PathVariable int key, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        Fixture fixture = fixture(state.plan(), key);
        String named = Objects.requireNonNullElse(request.getParameter("item"), "");
        UnitView view = UnitView.of(state.plan(), fixture, CheckItems.find(state.plan(), fixture, named));
        Optional<Lifts.InForce> armed = lifts.covering(job, state.plan(), fixture.key());
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, json(view, armed));
        }
        frames.open(job, Optional.of(Stage.CHECKS), request, model);
        model.addAttribute("unit", view);
        model.addAttribute("armed", armed);
        return "checks/list-unit";
    }

    private static ObjectNode json(UnitView view, Optional<Lifts.InForce> armed) {
        ObjectNode body = Json.object()
                .put("fixture", view.key())
                .put("label", view.label())
                .put("address", view.address())
                .put("place", view.place())
                .put("of", view.of())
                .put("here", view.here().item())
                .put("question", view.here().question())
                .put("arming", armed.map(Lifts.InForce::id).orElse(0));
        view.before().ifPresent(b -> body.put("before", b));
        view.next().ifPresent(n -> body.put("next", n));
        ArrayNode items = body.putArray("items");
        view.items()
                .forEach(i -> items.addObject()
                        .put("item", i.item())
                        .put("name", i.name())
                        .put("state", i.mark())
                        .put("said", i.said()));
        return body;
    }

    private static Optional<CheckItem> item(Fields fields, Plan plan, Fixture fixture) {
        Optional<CheckItem> item = CheckItems.find(plan, fixture, fields.text("item"));
        if (item.isEmpty()) {
            fields.refuse(
                    "item",
                    fixture.label() + " has no check “" + Texts.clip(fields.text("item"), 60) + "”; it has "
                            + String.join(
                                    ", ",
                                    CheckItems.of(plan, fixture).stream()
                                            .map(CheckItem::name)
                                            .toList())
                            + ".");
        }
        return item;
    }

    /** {@code item}, {@code seen} (right, wrong-one, nothing, other-way), {@code note}. */
    @PostMapping("/jobs/{job}/checks/list/{key}")
    Object note(@PathVariable int job, @PathVariable int key, HttpServletRequest request) {
        JobState state = frames.state(job);
        Fixture fixture = fixture(state.plan(), key);
        Reply reply = Reply.to(request, "check", at(job) + "/" + key);
        Fields fields = reply.fields();
        Optional<CheckItem> item = item(fields, state.plan(), fixture);
        // What is not said was not seen: nothing stands for "right".
        if (!fields.has("seen")) {
            fields.refuse("seen", "Say what was seen: right, nothing, wrong one or other way round.");
        }
        Optional<Seen> seen = fields.choice("seen", Seen.class, Seen.RIGHT);
        String note = fields.text("note").strip();
        if (note.chars().anyMatch(Character::isISOControl)) {
            fields.refuse("note", "The note takes one line.");
        }
        if (note.length() > LONGEST_NOTE) {
            fields.refuse("note", "The note has " + note.length() + " characters; it takes " + LONGEST_NOTE + ".");
        }
        if (!fields.isFaulty()
                && seen.orElseThrow() == Seen.OTHER_WAY
                && !UnitView.of(state.plan(), fixture, item).here().turns()) {
            fields.refuse("seen", "Only pan and tilt go the other way round.");
        }
        if (fields.isFaulty()) {
            return reply.refused();
        }
        CheckItem what = item.orElseThrow();
        var edit = CheckEdits.note(
                fixture.key(),
                what,
                seen.orElseThrow(),
                (plan, now) -> new UnitCheck(
                        now.key(),
                        what,
                        seen.orElseThrow(),
                        note,
                        CheckItems.against(plan, now, what),
                        clock.instant(),
                        reply.who()));
        var outcome = editor.tick(job, reply.who(), edit);
        return reply.going(next(job, key)).after(outcome);
    }

    /** At the next check of the unit that is open; at the next unit where it is done. */
    private String next(int job, int key) {
        Plan plan = frames.state(job).plan();
        UnitView now = UnitView.of(plan, fixture(plan, key), Optional.empty());
        boolean open = now.items().stream()
                .anyMatch(i -> i.mark().equals("none") || i.mark().equals("warn"));
        return at(job) + "/" + (open ? key : now.next().orElse(key));
    }

    /** Takes back what was noted of {@code item}. */
    @PostMapping("/jobs/{job}/checks/list/{key}/forget")
    Object forget(@PathVariable int job, @PathVariable int key, HttpServletRequest request) {
        JobState state = frames.state(job);
        Fixture fixture = fixture(state.plan(), key);
        Reply reply = Reply.to(request, "check", at(job) + "/" + key);
        Optional<CheckItem> item = item(reply.fields(), state.plan(), fixture);
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        return reply.after(editor.tick(job, reply.who(), CheckEdits.forget(fixture.key(), item.orElseThrow())));
    }

    /** Raises what {@code item} calls for, by an arming that is in force. */
    @PostMapping("/jobs/{job}/checks/list/{key}/raise")
    Object raise(@PathVariable int job, @PathVariable int key, HttpServletRequest request) {
        JobState state = frames.state(job);
        Fixture fixture = fixture(state.plan(), key);
        Reply reply = Reply.to(request, "check", at(job) + "/" + key);
        Optional<CheckItem> item = item(reply.fields(), state.plan(), fixture);
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        SortedMap<StartAddress, Integer> levels = CheckRaise.levels(state.plan(), fixture, item.orElseThrow());
        Optional<List<Grip.Left>> left = lifts.light(job, state.plan(), fixture.key(), levels, Lifts.who(reply));
        return left.isEmpty()
                ? reply.conflicting("Nothing is armed for this unit (any more); nothing was raised.")
                : reply.done(RaisingText.of(left.get()), Json.object().put("slots", levels.size()));
    }
}
