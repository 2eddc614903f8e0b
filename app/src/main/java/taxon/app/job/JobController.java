package taxon.app.job;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
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
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.store.JournalEntry;
import taxon.app.store.JournalStore;
import taxon.app.store.RevisionStore;
import taxon.app.store.UpkeepStore;
import taxon.core.history.ChangeLine;
import taxon.core.history.ChangeLines;
import taxon.core.rig.JobSheet;
import taxon.core.rig.edit.JobEdits;
import taxon.formats.json.JobJson;
import taxon.formats.json.Json;
import taxon.formats.mvr.MvrWriter;

/** One job: its sheet, its history, undo and redo, and all of it as JSON. */
@Controller
class JobController {
    private static final int SHOWN_LINES = 1000;
    private static final int SHOWN = 200;

    private final Frames frames;
    private final JobEditor editor;
    private final JournalStore journal;
    private final RevisionStore revisions;
    private final UpkeepStore upkeep;
    private final Clock clock;

    JobController(
            Frames frames,
            JobEditor editor,
            JournalStore journal,
            RevisionStore revisions,
            UpkeepStore upkeep,
            Clock clock) {
        this.frames = frames;
        this.editor = editor;
        this.journal = journal;
        this.revisions = revisions;
        this.upkeep = upkeep;
        this.clock = clock;
    }

    @GetMapping("/jobs/{job}")
    Object job(@PathVariable int job, HttpServletRequest request) {
        JobState state = frames.state(job);
        if (!Reply.wantsJson(request)) {
            return "redirect:/jobs/" + job + "/rig";
        }
        var body = Json.object()
                .put("job", job)
                .put("version", state.version())
                .put("revision", revisions.state(job).words());
        body.set("document", JobJson.write(state.plan()));
        return Reply.json(HttpStatus.OK, body);
    }

    /** What every change has to name; asked again and again, so without the job itself. */
    @GetMapping("/jobs/{job}/version")
    Object version(@PathVariable int job) {
        long version = frames.state(job).version();
        return Reply.json(HttpStatus.OK, Json.object().put("job", job).put("version", version));
    }

    /** The job as it is now, as a file that can be imported elsewhere. */
    @GetMapping("/jobs/{job}/job.json")
    ResponseEntity<String> file(@PathVariable int job) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header("Content-Disposition", "attachment; filename=\"taxon-job-" + job + ".json\"")
                .body(JobJson.print(frames.state(job).plan()));
    }

    /** The rig as it is now, as a scene that other programs read, with the files of its types. */
    @GetMapping("/jobs/{job}/scene.mvr")
    ResponseEntity<byte[]> scene(@PathVariable int job) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header("Content-Disposition", "attachment; filename=\"taxon-job-" + job + ".mvr\"")
                .body(MvrWriter.write(frames.state(job).plan(), clock.instant()));
    }

    @GetMapping("/schema/taxon-job-1.schema.json")
    ResponseEntity<String> schema() {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(JobJson.schema());
    }

    @GetMapping("/jobs/{job}/sheet")
    String sheet(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.open(job, Optional.empty(), request, model);
        model.addAttribute("sheet", state.plan().sheet());
        model.addAttribute(
                "history",
                journal.latest(job, SHOWN).stream().map(HistoryLine::of).toList());
        model.addAttribute("who", People.of(request));
        model.addAttribute(
                "thinned", upkeep.thinned(job).map(UpkeepStore.Thinned::words).orElse(""));
        return "job/sheet";
    }

    /** What one edit changed, line by line. */
    @GetMapping("/jobs/{job}/history/{id}")
    Object entry(@PathVariable int job, @PathVariable int id, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        JournalEntry entry = journal.find(job, id).orElseThrow(() -> new NotThereException("history entry " + id));
        List<ChangeLine> lines = ChangeLines.of(entry.delta(), state.plan());
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, HistoryJson.write(entry, lines));
        }
        frames.open(job, Optional.empty(), request, model);
        model.addAttribute("entry", entry);
        model.addAttribute("lines", lines.stream().limit(SHOWN_LINES).toList());
        model.addAttribute("more", Math.max(0, lines.size() - SHOWN_LINES));
        return "job/history";
    }

    @PostMapping("/jobs/{job}/sheet")
    Object change(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "sheet", "/jobs/" + job + "/sheet");
        long version = reply.version();
        Optional<JobSheet> sheet = HomeController.readSheet(reply.fields());
        if (sheet.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        return reply.after(
                editor.apply(job, version, Guard.UNTOUCHED_ELEMENTS, People.of(request), JobEdits.sheet(sheet.get())));
    }

    @PostMapping("/jobs/{job}/undo")
    Object undo(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "undo", "/jobs/" + job + "/rig");
        long version = reply.version();
        return reply.fields().isFaulty() ? reply.refused() : reply.after(editor.undo(job, version, reply.who()));
    }

    @PostMapping("/jobs/{job}/redo")
    Object redo(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "redo", "/jobs/" + job + "/rig");
        long version = reply.version();
        return reply.fields().isFaulty() ? reply.refused() : reply.after(editor.redo(job, version, reply.who()));
    }
}
