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
import taxon.core.text.Texts;
import taxon.formats.json.Json;

/** Revisions: freezing one, and downloading what is handed over. */
@Controller
class HandoverController {
    private final Frames frames;
    private final RevisionStore revisions;
    private final Freezer freezer;

    HandoverController(Frames frames, RevisionStore revisions, Freezer freezer) {
        this.frames = frames;
        this.revisions = revisions;
        this.freezer = freezer;
    }

    @GetMapping("/jobs/{job}/handover")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        List<Revision> all = revisions.all(job);
        if (Reply.wantsJson(request)) {
            var body = Json.object()
                    .put("job", job)
                    .put("version", state.version())
                    .put("state", revisions.state(job).words());
            var list = body.putArray("revisions");
            all.forEach(r -> list.addObject()
                    .put("revision", r.letters())
                    .put("frozenAt", r.frozenAt().toString())
                    .put("note", r.note())
                    .put("bundle", "/jobs/" + job + "/revisions/" + r.letters() + ".zip"));
            return Reply.json(HttpStatus.OK, body);
        }
        frames.open(job, Optional.of(Stage.HANDOVER), request, model);
        model.addAttribute("revisions", all);
        model.addAttribute("state", revisions.state(job));
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
        return freezer.freeze(job, version, note.get(), People.of(request))
                .map(r -> reply.done(
                        "Revision " + r.letters() + " is frozen.",
                        Json.object()
                                .put("revision", r.letters())
                                .put("bundle", "/jobs/" + job + "/revisions/" + r.letters() + ".zip")))
                .orElseGet(() -> reply.conflicting(
                        "The job changed since this page was made; look at it again, then freeze it."));
    }

    @GetMapping("/jobs/{job}/revisions/{letters}.zip")
    ResponseEntity<byte[]> bundle(@PathVariable int job, @PathVariable String letters) {
        frames.state(job);
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
