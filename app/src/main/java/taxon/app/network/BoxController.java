package taxon.app.network;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.NetworkEdits;
import taxon.formats.json.ElementJson;

/** The boxes of the network: each has a page with all of its settings. */
@Controller
class BoxController {
    private final Frames frames;
    private final JobEditor editor;

    BoxController(Frames frames, JobEditor editor) {
        this.frames = frames;
        this.editor = editor;
    }

    @GetMapping("/jobs/{job}/boxes/{number}")
    Object page(@PathVariable int job, @PathVariable int number, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        Box box = box(state.plan(), number);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, ElementJson.write(box));
        }
        frames.open(job, Optional.of(Stage.NETWORK), request, model);
        model.addAttribute("box", BoxView.of(state.plan(), box));
        model.addAttribute("positions", state.plan().positions());
        model.addAttribute("choices", Choices.ALL);
        return "network/box";
    }

    @PostMapping("/jobs/{job}/boxes")
    Object add(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "box", network(job));
        Plan plan = frames.state(job).plan();
        reply.fields().counting(plan.sheet().view().unit());
        long version = reply.version();
        Optional<Box> box = BoxForm.read(reply.fields(), plan, Optional.empty());
        return box.isEmpty()
                ? reply.refused()
                : reply.after(
                        editor.apply(job, version, Guard.UNCHANGED_JOB, reply.who(), NetworkEdits.addBox(box.get())));
    }

    @PostMapping("/jobs/{job}/boxes/{number}")
    Object change(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = Reply.to(request, "box-" + number, "/jobs/" + job + "/boxes/" + number);
        Plan plan = frames.state(job).plan();
        reply.fields().counting(plan.sheet().view().unit());
        Box before = box(plan, number);
        long version = reply.version();
        Optional<Box> box = BoxForm.read(reply.fields(), plan, Optional.of(before));
        return box.isEmpty() ? reply.refused() : after(reply, job, version, NetworkEdits.putBox(box.get()));
    }

    @PostMapping("/jobs/{job}/boxes/{number}/remove")
    Object remove(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = Reply.to(request, "box-" + number, network(job));
        long version = reply.version();
        return reply.fields().isFaulty() ? reply.refused() : after(reply, job, version, NetworkEdits.removeBox(number));
    }

    private Object after(Reply reply, int job, long version, Edit edit) {
        return reply.after(editor.apply(job, version, Guard.UNTOUCHED_ELEMENTS, reply.who(), edit));
    }

    private static Box box(Plan plan, int number) {
        return plan.box(number).orElseThrow(() -> new NotThereException("box " + number));
    }

    private static String network(int job) {
        return "/jobs/" + job + "/network";
    }
}
