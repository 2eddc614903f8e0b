package taxon.app.handover;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import taxon.app.edit.JobState;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.paperwork.SheetFiles;
import taxon.app.store.Revision;
import taxon.app.store.RevisionStore;
import taxon.core.handover.AudienceNotice;
import taxon.core.handover.AudienceNotice.Audience;
import taxon.core.handover.AudienceNotice.Notice;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;

/** What a change means for crew, for the network and for the programmer: between two revisions, or since one. */
@Controller
class NoticeController {
    private final Frames frames;
    private final RevisionStore revisions;
    private final SheetFiles files;
    private final Clock clock;

    NoticeController(Frames frames, RevisionStore revisions, SheetFiles files, Clock clock) {
        this.frames = frames;
        this.revisions = revisions;
        this.files = files;
        this.clock = clock;
    }

    /**
     * A notice with what it is of.
     *
     * @param compared "Revision A to now"
     * @param since and {@code until} as an address gives them; the second is empty for now
     */
    public record Told(
            String job, String compared, String date, String since, String until, String audience, Notice notice) {}

    private Told told(int job, HttpServletRequest request) {
        JobState state = frames.state(job);
        List<Revision> all = revisions.all(job);
        String since = given(request, "since", all.isEmpty() ? "" : newest(all).letters());
        String until = given(request, "until", "");
        Plan before = since.isEmpty() ? Plan.empty(state.plan().sheet()) : plan(job, since);
        Plan after = until.isEmpty() ? state.plan() : plan(job, until);
        Audience audience = audience(given(request, "for", "crew"));
        return new Told(
                state.plan().sheet().name(),
                (since.isEmpty() ? "Nothing frozen" : "Revision " + since) + " to "
                        + (until.isEmpty() ? "now" : "revision " + until),
                LocalDate.now(clock).toString(),
                since,
                until,
                Json.slug(audience),
                AudienceNotice.of(before, after, audience));
    }

    private static Revision newest(List<Revision> all) {
        return all.stream().max(Comparator.comparingInt(Revision::number)).orElseThrow();
    }

    private static String given(HttpServletRequest request, String name, String otherwise) {
        String text = Objects.requireNonNullElse(request.getParameter(name), otherwise);
        return text.equals("now") ? "" : text;
    }

    private static Audience audience(String slug) {
        return Arrays.stream(Audience.values())
                .filter(a -> Json.slug(a).equals(slug))
                .findFirst()
                .orElseThrow(() -> new NotThereException("notice for " + slug));
    }

    private Plan plan(int job, String letters) {
        Revision revision =
                revisions.find(job, letters).orElseThrow(() -> new NotThereException("revision " + letters));
        return revisions.plan(job, revision);
    }

    /** {@code for} crew, network or programmer; {@code since} a revision, the newest where it is not said; {@code until} one, or now. */
    @GetMapping("/jobs/{job}/notice")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        Told told = told(job, request);
        if (Reply.wantsJson(request)) {
            var body = Json.object()
                    .put("for", told.audience())
                    .put("compared", told.compared())
                    .put("heading", told.notice().heading());
            var patterns = body.putArray("patterns");
            told.notice().patterns().forEach(patterns::add);
            var lines = body.putArray("lines");
            told.notice()
                    .lines()
                    .forEach(l -> lines.addObject()
                            .put("where", l.where())
                            .put("who", l.who())
                            .put("what", l.what())
                            .put("was", l.was())
                            .put("is", l.is()));
            return Reply.json(HttpStatus.OK, body);
        }
        frames.open(job, Optional.of(Stage.HANDOVER), request, model);
        model.addAttribute("means", told);
        model.addAttribute("revisions", revisions.all(job));
        return "handover/notice";
    }

    /** The same on paper. */
    @GetMapping("/jobs/{job}/notice.pdf")
    ResponseEntity<byte[]> pdf(@PathVariable int job, HttpServletRequest request) {
        Told told = told(job, request);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("taxon-job-" + job + "-notice-" + told.audience() + ".pdf")
                                .build()
                                .toString())
                .body(files.page("handover/notice-print", Map.of("means", told), told.date()));
    }
}
