package taxon.app.job;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.FormFault;
import taxon.app.form.Reply;
import taxon.app.store.JobStore;
import taxon.app.store.RevisionStore;
import taxon.core.finding.Severity;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.formats.json.JobJson;
import taxon.formats.json.Json;

/** The list of jobs, and the two ways to begin one: from nothing, and from a job file. */
@Controller
class HomeController {
    private final JobStore jobs;
    private final JobEditor editor;
    private final RevisionStore revisions;

    HomeController(JobStore jobs, JobEditor editor, RevisionStore revisions) {
        this.jobs = jobs;
        this.editor = editor;
        this.revisions = revisions;
    }

    /** A line of the list. */
    record Line(int job, JobSheet sheet, String revision, int fixtures, long stops) {}

    @GetMapping({"/", "/jobs"})
    Object home(HttpServletRequest request, Model model) {
        List<Line> lines = jobs.ids().stream()
                .flatMap(id -> editor.find(id).stream())
                .map(this::line)
                .toList();
        if (Reply.wantsJson(request)) {
            var body = Json.object();
            var list = body.putArray("jobs");
            lines.forEach(l -> list.addObject()
                    .put("job", l.job())
                    .put("name", l.sheet().name())
                    .put("revision", l.revision())
                    .put("fixtures", l.fixtures())
                    .put("stops", l.stops()));
            return Reply.json(HttpStatus.OK, body);
        }
        model.addAttribute("jobs", lines);
        Object fault = request.getAttribute(FormFault.NAME);
        model.addAttribute(FormFault.NAME, fault == null ? FormFault.NONE : fault);
        return "job/home";
    }

    private Line line(JobState state) {
        return new Line(
                state.job(),
                state.plan().sheet(),
                revisions.state(state.job()).words(),
                state.plan().fixtures().size(),
                state.check().count(Severity.STOP));
    }

    @PostMapping("/jobs")
    Object make(HttpServletRequest request) {
        Reply reply = Reply.to(request, "make-job", "/");
        Optional<JobSheet> sheet = readSheet(reply.fields());
        return sheet.isEmpty() || reply.fields().isFaulty() ? reply.refused() : made(reply, Plan.empty(sheet.get()));
    }

    @PostMapping("/jobs/import")
    Object importJob(HttpServletRequest request, @RequestParam("file") MultipartFile file) throws IOException {
        Reply reply = Reply.to(request, "import-job", "/");
        JobJson.Parsed reading = JobJson.read(file.getBytes());
        if (reading instanceof JobJson.Refused refused) {
            refused.reasons().forEach(r -> reply.fields().refuse("file", r));
            return reply.refused();
        }
        return made(reply, ((JobJson.Read) reading).plan());
    }

    private Object made(Reply reply, Plan plan) {
        int job = editor.make(plan);
        return reply.done(
                plan.sheet().name() + " is job " + job + ".",
                "/jobs/" + job + "/rig",
                Json.object().put("job", job));
    }

    /** The job sheet out of its form; empty when a field is at fault. */
    static Optional<JobSheet> readSheet(Fields fields) {
        Optional<LocalDate> from = fields.dateOrNone("from", "first day");
        Optional<LocalDate> to = fields.dateOrNone("to", "last day");
        return fields.build(
                "name", () -> new JobSheet(fields.text("name"), fields.text("venue"), from, to, fields.text("note")));
    }
}
