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
import taxon.app.form.Fields;
import taxon.app.form.FormFault;
import taxon.app.form.Reply;
import taxon.app.store.JobPlace;
import taxon.app.store.RevisionStore;
import taxon.app.store.SummaryStore;
import taxon.app.store.SummaryStore.Summary;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.formats.json.JobJson;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** The list of jobs, and the two ways to begin one: from nothing, and from a job file. */
@Controller
class HomeController {
    private final SummaryStore summaries;
    private final JobEditor editor;
    private final RevisionStore revisions;

    HomeController(SummaryStore summaries, JobEditor editor, RevisionStore revisions) {
        this.summaries = summaries;
        this.editor = editor;
        this.revisions = revisions;
    }

    /** A line of the list; a job that could not be read when it was opened last is told to be damaged. */
    record Line(Summary summary, String revision, boolean damaged) {}

    @GetMapping({"/", "/jobs"})
    Object home(HttpServletRequest request, Model model) {
        List<Summary> all = summaries.all();
        JobOrder order = JobOrder.of(request);
        List<Line> lines = order.of(all).stream().map(this::line).toList();
        if (Reply.wantsJson(request)) {
            var body = Json.object();
            var list = body.putArray("jobs");
            lines.forEach(l -> write(l, list.addObject()));
            return Reply.json(HttpStatus.OK, body);
        }
        model.addAttribute("jobs", lines);
        model.addAttribute("all", all.size());
        model.addAttribute("order", order);
        model.addAttribute("putAway", place(all, JobPlace.PUT_AWAY));
        model.addAttribute("thrownAway", place(all, JobPlace.THROWN_AWAY));
        Object fault = request.getAttribute(FormFault.NAME);
        model.addAttribute(FormFault.NAME, fault == null ? FormFault.NONE : fault);
        return "job/home";
    }

    private static long place(List<Summary> all, JobPlace place) {
        return all.stream().filter(s -> s.place() == place).count();
    }

    private Line line(Summary summary) {
        return new Line(summary, revisions.state(summary.job()).words(), editor.isDamaged(summary.job()));
    }

    private static void write(Line line, ObjectNode into) {
        into.put("job", line.summary().job())
                .put("name", line.summary().name())
                .put("place", Json.slug(line.summary().place()))
                .put("revision", line.revision())
                .put("damaged", line.damaged());
        line.summary()
                .counts()
                .ifPresent(c -> into.put("fixtures", c.fixtures()).put("stops", c.stops()));
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
