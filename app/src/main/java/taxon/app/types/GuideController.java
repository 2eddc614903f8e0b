package taxon.app.types;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.access.People;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.FormFault;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.library.TypeLibrary;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.RigType;
import taxon.core.rig.edit.MenuEdits;
import taxon.core.setting.MenuText;
import taxon.formats.json.Json;

/** How the units of a type are set by hand: written down once for the shop, with what this job wants in their menus. */
@Controller
class GuideController {
    private final Frames frames;
    private final TypeLibrary library;
    private final JobEditor editor;

    GuideController(Frames frames, TypeLibrary library, JobEditor editor) {
        this.frames = frames;
        this.library = library;
        this.editor = editor;
    }

    /** A unit that is set otherwise. */
    record Own(int key, String label, String menu) {}

    @GetMapping("/jobs/{job}/types/{id}/setting")
    String page(@PathVariable int job, @PathVariable String id, HttpServletRequest request, Model model) {
        JobState state = frames.open(job, Optional.of(Stage.TYPES), request, model);
        FixtureType type = TypePaths.type(state, library, id);
        FormFault fault = (FormFault) Objects.requireNonNull(model.getAttribute(FormFault.NAME));
        model.addAttribute("type", type);
        model.addAttribute("isHere", isIn(state.plan(), type));
        model.addAttribute("form", GuideForm.view(type, RigType.menu(state.plan(), type.id()), fault));
        model.addAttribute("own", own(state.plan(), type));
        return "types/setting";
    }

    private static boolean isIn(Plan plan, FixtureType type) {
        return plan.types().find(type.id()).isPresent();
    }

    private static List<Own> own(Plan plan, FixtureType type) {
        return plan.fixturesOf(type.id()).stream()
                .filter(f -> !f.traits().menu().values().isEmpty())
                .map(GuideController::own)
                .toList();
    }

    private static Own own(Fixture fixture) {
        return new Own(
                fixture.key().number(),
                fixture.label(),
                MenuText.of(fixture.traits().menu()));
    }

    @PostMapping("/jobs/{job}/types/{id}/setting")
    Object keep(@PathVariable int job, @PathVariable String id, HttpServletRequest request) {
        Reply reply = Reply.to(request, GuideForm.NAME, "/jobs/" + job + "/types/" + id + "/setting");
        JobState state = frames.state(job);
        FixtureType type = TypePaths.type(state, library, id);
        Optional<GuideForm.Sent> sent = GuideForm.read(reply.fields(), type);
        if (sent.isEmpty()) {
            return reply.refused();
        }
        if (!isIn(state.plan(), type)) {
            library.describe(type.id(), sent.get().guide());
            return reply.done(
                    "Written down for every job that will use it.",
                    Json.object().put("type", id));
        }
        long version = reply.version();
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        Object answer = reply.after(editor.apply(
                job,
                version,
                Guard.UNTOUCHED_ELEMENTS,
                People.of(request),
                MenuEdits.describe(type.id(), sent.get().guide(), sent.get().values())));
        // What another edit has overtaken is not written down for the shop either.
        if (isIn(frames.state(job).plan(), type)
                && frames.state(job)
                        .plan()
                        .types()
                        .find(type.id())
                        .filter(t -> t.facts().guide().equals(sent.get().guide()))
                        .isPresent()) {
            library.describe(type.id(), sent.get().guide());
        }
        return answer;
    }
}
