package taxon.app.compare;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import taxon.app.compare.CompareRequest.Side;
import taxon.app.compare.CompareRequest.With;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.form.Uploaded;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.proposals.ProposalDesk;
import taxon.app.store.ProposalStore.GivenFile;
import taxon.app.store.RevisionStore;
import taxon.app.store.SummaryStore;
import taxon.core.text.Texts;
import taxon.formats.json.Json;
import taxon.formats.table.TableFile;

/** What the plan is to be held against: a file, pasted rows, a revision, another job, or the rig as it was read. */
@Controller
class OtherSideController {
    private final Frames frames;
    private final ProposalDesk desk;
    private final ComparisonKind kind;
    private final RevisionStore revisions;
    private final SummaryStore jobs;
    private final RigSide rig;

    OtherSideController(
            Frames frames,
            ProposalDesk desk,
            ComparisonKind kind,
            RevisionStore revisions,
            SummaryStore jobs,
            RigSide rig) {
        this.frames = frames;
        this.desk = desk;
        this.kind = kind;
        this.revisions = revisions;
        this.jobs = jobs;
        this.rig = rig;
    }

    /** A job that the plan may be held against. */
    public record OtherJob(int job, String name) {}

    @GetMapping("/jobs/{job}/compare")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        List<OtherJob> others = jobs.all().stream()
                .filter(s -> s.job() != job)
                .map(s -> new OtherJob(s.job(), s.name()))
                .toList();
        if (Reply.wantsJson(request)) {
            var body = Json.object().put("job", job).put("version", state.version());
            var letters = body.putArray("revisions");
            revisions.all(job).forEach(r -> letters.add(r.letters()));
            var more = body.putArray("jobs");
            others.forEach(o -> more.addObject().put("job", o.job()).put("name", o.name()));
            return Reply.json(
                    HttpStatus.OK, body.put("rigRead", rig.lastRead(job).isPresent()));
        }
        frames.open(job, Optional.of(Stage.HANDOVER), request, model);
        model.addAttribute("revisions", revisions.all(job));
        model.addAttribute("others", others);
        model.addAttribute("rigRead", rig.lastRead(job).isPresent());
        return "compare/start";
    }

    /** A list or a scene: {@code file}. Nothing of it is added. */
    @PostMapping("/jobs/{job}/compare/file")
    Object file(@PathVariable int job, @RequestParam("file") MultipartFile file, HttpServletRequest request)
            throws IOException {
        Reply reply = Reply.to(request, "compare", at(job));
        String name = Texts.clip(Objects.requireNonNullElse(file.getOriginalFilename(), "list.csv"), 120);
        return Uploaded.asFile(file, content -> read(job, new GivenFile(name, content), reply));
    }

    /** Rows as they were copied from a table: {@code rows}. */
    @PostMapping("/jobs/{job}/compare/rows")
    Object rows(@PathVariable int job, HttpServletRequest request) throws IOException {
        Reply reply = Reply.to(request, "compare", at(job));
        String rows = reply.fields().raw("rows");
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        Path file = Files.createTempFile("taxon", ".rows");
        try {
            Files.write(file, rows.getBytes(StandardCharsets.UTF_8));
            return read(job, new GivenFile("pasted rows", file), reply);
        } finally {
            Files.deleteIfExists(file);
        }
    }

    private Object read(int job, GivenFile file, Reply reply) {
        long version = frames.state(job).version();
        GivenPatch given = GivenPatch.of(file.content());
        Optional<String> trouble = trouble(given);
        if (trouble.isPresent()) {
            reply.fields().refuse("file", trouble.get());
            return reply.refused();
        }
        int id = desk.open(job, version, kind, file, given);
        desk.choose(
                job,
                desk.find(job, id, ComparisonKind.NAME),
                ComparisonKind.NAME,
                CompareRequest.against(new Side(job, With.FILE, "")).json());
        return opened(job, id, reply);
    }

    private static Optional<String> trouble(GivenPatch given) {
        if (given instanceof GivenPatch.Refused refused) {
            return Optional.of(refused.sentence());
        }
        // A large one is read in the background, and refused on the page of the comparison.
        return given instanceof GivenPatch.Table table
                        && table.file().isReadInAMoment()
                        && table.file().sheet("") instanceof TableFile.Unreadable u
                ? Optional.of(u.sentence())
                : Optional.empty();
    }

    private static Object opened(int job, int id, Reply reply) {
        return reply.done(
                "Held against the plan; nothing of it was added.",
                "/jobs/" + job + "/comparisons/" + id,
                Json.object().put("comparison", id));
    }

    /** Something that Taxon has itself: {@code with}, a revision, a job or the rig, and {@code which}. */
    @PostMapping("/jobs/{job}/compare/with")
    Object with(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "compare", at(job));
        long version = frames.state(job).version();
        Optional<With> with = reply.fields().choice("with", With.class, With.RIG);
        String which = reply.fields().text("which");
        if (with.isPresent() && !isThere(job, with.get(), which)) {
            reply.fields().refuse("which", "“" + Texts.clip(which, 40) + "” is not there to be held against.");
        }
        if (with.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        int id = desk.open(
                job,
                version,
                ComparisonKind.NAME,
                CompareRequest.against(new Side(job, with.get(), which)).json());
        return opened(job, id, reply);
    }

    private boolean isThere(int job, With with, String which) {
        return switch (with) {
            case FILE -> false;
            case REVISION -> revisions.find(job, which).isPresent();
            case JOB ->
                which.matches("\\d{1,9}") && jobs.all().stream().anyMatch(s -> s.job() == Integer.parseInt(which));
            case RIG -> rig.lastRead(job).isPresent();
        };
    }

    private static String at(int job) {
        return "/jobs/" + job + "/compare";
    }
}
