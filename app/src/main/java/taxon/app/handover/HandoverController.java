package taxon.app.handover;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.access.People;
import taxon.app.edit.JobState;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.store.Revision;
import taxon.app.store.RevisionStore;
import taxon.core.checklist.CheckProgress;
import taxon.core.text.Texts;
import taxon.formats.json.Json;

/** Revisions: freezing one, and downloading what is handed over. */
@Controller
class HandoverController {
    private final Frames frames;
    private final RevisionStore revisions;
    private final Freezer freezer;
    private final Handover handover;

    HandoverController(Frames frames, RevisionStore revisions, Freezer freezer, Handover handover) {
        this.handover = handover;
        this.frames = frames;
        this.revisions = revisions;
        this.freezer = freezer;
    }

    @GetMapping("/jobs/{job}/handover")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        List<Revision> all = revisions.all(job);
        CheckProgress progress = CheckProgress.of(state.plan());
        HandoverView view = handover.view(state);
        if (Reply.wantsJson(request)) {
            var body = Json.object()
                    .put("job", job)
                    .put("version", state.version())
                    .put("state", revisions.state(job).words())
                    .put("units", progress.units())
                    .put("checked", progress.done())
                    .put("seenWrong", progress.wrong().size());
            body.put("ready", view.ready());
            var open = body.putArray("open");
            view.open()
                    .forEach(o -> open.addObject()
                            .put("about", o.about())
                            .put("weight", o.weight())
                            .put("sentence", o.sentence()));
            var taken = body.putArray("takenOver");
            view.taken()
                    .forEach(o -> taken.addObject()
                            .put("about", o.about())
                            .put("sentence", o.sentence())
                            .put("reason", o.reason())
                            .put("by", o.who()));
            var signed = body.putArray("signedOff");
            view.signed()
                    .forEach(s -> signed.addObject()
                            .put("side", s.side())
                            .put("by", s.who())
                            .put("since", s.since()));
            var list = body.putArray("revisions");
            all.forEach(r -> list.addObject()
                    .put("revision", r.letters())
                    .put("frozenAt", r.frozenAt().toString())
                    .put("note", r.note())
                    .put("bundle", path(job, r.letters())));
            return Reply.json(HttpStatus.OK, body);
        }
        frames.open(job, Optional.of(Stage.HANDOVER), request, model);
        model.addAttribute("revisions", all);
        model.addAttribute("handover", view);
        model.addAttribute("state", revisions.state(job));
        model.addAttribute(
                "spokenFrom",
                frames.state(job)
                        .plan()
                        .sheet()
                        .network()
                        .card()
                        .map(Object::toString)
                        .orElse(""));
        model.addAttribute("units", progress.units());
        model.addAttribute("checked", progress.done());
        model.addAttribute("wrong", progress.wrong().size());
        model.addAttribute("next", Revision.letters(revisions.nextNumber(job)));
        return "handover/page";
    }

    @PostMapping("/jobs/{job}/revisions")
    Object freeze(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "freeze", "/jobs/" + job + "/handover");
        long version = reply.version();
        Optional<String> note = reply.fields()
                .build("note", () -> Texts.allowNote("note", reply.fields().text("note"), 1000));
        if (note.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        Freezer.Outcome outcome = freezer.freeze(job, version, note.get(), People.of(request));
        if (outcome instanceof Freezer.Frozen frozen) {
            String letters = frozen.revision().letters();
            return reply.done(
                    "Revision " + letters + " is frozen.",
                    Json.object().put("revision", letters).put("bundle", path(job, letters)));
        }
        return reply.conflicting(
                outcome instanceof Freezer.Same same
                        ? "Nothing has changed since revision "
                                + same.revision().letters() + "; hand that one over, or change the job first."
                        : "The job changed since this page was made; look at it again, then freeze it.");
    }

    private static String path(int job, String letters) {
        return "/jobs/" + job + "/revisions/" + letters + ".zip";
    }

    @GetMapping("/jobs/{job}/revisions/{letters}.zip")
    ResponseEntity<byte[]> bundle(@PathVariable int job, @PathVariable String letters) {
        // Not asked for the job itself: what was frozen can be had even when the job cannot be read any more.
        Revision revision =
                revisions.find(job, letters).orElseThrow(() -> new NotThereException("revision " + letters));
        byte[] zip = freezer.bundle(job, revision);
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("application/zip"))
                .header(
                        "Content-Disposition",
                        "attachment; filename=\"taxon-job-" + job + "-revision-" + letters + ".zip\"")
                .body(zip);
    }
}
