package taxon.app.paperwork;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import taxon.app.form.NotThereException;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.paperwork.PatchSheets.Paper;
import taxon.app.store.JobStore;
import taxon.app.store.RevisionStore;

/** The papers of the job as it is now. */
@Controller
class PaperworkController {
    private final Frames frames;
    private static final Logger LOG = LoggerFactory.getLogger(PaperworkController.class);

    private final RevisionStore revisions;
    private final JobStore jobs;
    private final SheetFiles files;
    private final Clock clock;

    PaperworkController(Frames frames, RevisionStore revisions, JobStore jobs, SheetFiles files, Clock clock) {
        this.jobs = jobs;
        this.frames = frames;
        this.revisions = revisions;
        this.files = files;
        this.clock = clock;
    }

    @GetMapping("/jobs/{job}/paperwork")
    String page(@PathVariable int job, HttpServletRequest request, Model model) {
        return show(job, Paper.BY_FIXTURE.slug(), request, model);
    }

    @GetMapping("/jobs/{job}/paperwork/{name}")
    String sheet(@PathVariable int job, @PathVariable String name, HttpServletRequest request, Model model) {
        return show(job, name, request, model);
    }

    private String show(int job, String name, HttpServletRequest request, Model model) {
        Sheet sheet = find(job, name);
        frames.open(job, Optional.of(Stage.PAPERWORK), request, model);
        model.addAttribute("papers", Paper.values());
        model.addAttribute("sheet", sheet);
        return "paperwork/page";
    }

    @GetMapping("/jobs/{job}/paperwork/{name}.pdf")
    ResponseEntity<byte[]> pdf(@PathVariable int job, @PathVariable String name) {
        Sheet sheet = find(job, name);
        byte[] content = files.pdf(sheet);
        markPrinted(job);
        return file(sheet, "pdf", MediaType.APPLICATION_PDF, content);
    }

    @GetMapping("/jobs/{job}/paperwork/{name}.csv")
    ResponseEntity<byte[]> csv(@PathVariable int job, @PathVariable String name) {
        MediaType csv = new MediaType("text", "csv", StandardCharsets.UTF_8);
        Sheet sheet = find(job, name);
        markPrinted(job);
        return file(sheet, "csv", csv, SheetCsv.of(sheet));
    }

    /** A store that cannot be written keeps nobody from the paper. */
    private void markPrinted(int job) {
        try {
            jobs.markPrinted(job);
        } catch (DataAccessException e) {
            LOG.warn("That a paper of job {} was given out could not be kept", job, e);
        }
    }

    private static ResponseEntity<byte[]> file(Sheet sheet, String ending, MediaType type, byte[] content) {
        String name = sheet.job() + ", patch " + sheet.name() + "." + ending;
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(content);
    }

    private Sheet find(int job, String name) {
        Paper paper = Paper.of(name).orElseThrow(() -> new NotThereException("sheet " + name));
        String revision = revisions.state(job).words();
        String today = LocalDate.now(clock).toString();
        return new PatchSheets(frames.state(job).plan(), revision, today).of(paper);
    }
}
