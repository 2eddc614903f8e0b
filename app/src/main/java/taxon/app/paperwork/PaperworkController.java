package taxon.app.paperwork;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
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
import taxon.app.store.JobStore;
import taxon.app.store.RevisionStore;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperKind;
import taxon.core.rig.Plan;
import taxon.formats.csv.SpreadsheetCsv;
import taxon.formats.workbook.WorkbookOut;

/** The papers of the job as it is now. */
@Controller
class PaperworkController {
    private static final Logger LOG = LoggerFactory.getLogger(PaperworkController.class);
    private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);
    private static final MediaType WORKBOOK =
            MediaType.parseMediaType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");

    private final Frames frames;
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
        return show(job, PaperKind.BY_FIXTURE.slug(), request, model);
    }

    @GetMapping("/jobs/{job}/paperwork/{name}")
    String sheet(@PathVariable int job, @PathVariable String name, HttpServletRequest request, Model model) {
        return show(job, name, request, model);
    }

    private String show(int job, String name, HttpServletRequest request, Model model) {
        PaperAsked asked = PaperAsked.read(request);
        Sheet sheet = find(job, name, asked);
        frames.open(job, Optional.of(Stage.PAPERWORK), request, model);
        Plan plan = frames.state(job).plan();
        model.addAttribute("papers", PaperKind.values());
        model.addAttribute("orders", PaperChoice.Order.values());
        model.addAttribute("positions", plan.positions());
        model.addAttribute("universes", plan.universes());
        model.addAttribute("asked", asked);
        model.addAttribute("sheet", sheet);
        return "paperwork/page";
    }

    @GetMapping("/jobs/{job}/paperwork/{name}.pdf")
    ResponseEntity<byte[]> pdf(@PathVariable int job, @PathVariable String name, HttpServletRequest request) {
        return file(job, name, request, "pdf", MediaType.APPLICATION_PDF, files::pdf);
    }

    @GetMapping("/jobs/{job}/paperwork/{name}.csv")
    ResponseEntity<byte[]> csv(@PathVariable int job, @PathVariable String name, HttpServletRequest request) {
        return file(job, name, request, "csv", CSV, s -> SpreadsheetCsv.write(s.listing()));
    }

    @GetMapping("/jobs/{job}/paperwork/{name}.xlsx")
    ResponseEntity<byte[]> workbook(@PathVariable int job, @PathVariable String name, HttpServletRequest request) {
        return file(
                job,
                name,
                request,
                "xlsx",
                WORKBOOK,
                s -> WorkbookOut.write(s.paper().kind().title(), s.listing()));
    }

    private ResponseEntity<byte[]> file(
            int job,
            String name,
            HttpServletRequest request,
            String ending,
            MediaType type,
            Function<Sheet, byte[]> writer) {
        Sheet sheet = find(job, name, PaperAsked.read(request));
        byte[] content = writer.apply(sheet);
        markPrinted(job);
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(fileName(sheet) + "." + ending, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(content);
    }

    /** "Lantern Pageant, patch by fixture"; a slash or colon of a title would end up in the name of a folder. */
    private static String fileName(Sheet sheet) {
        String title = sheet.title();
        return (sheet.job() + ", " + title.substring(0, 1).toLowerCase(Locale.ROOT) + title.substring(1))
                .replaceAll("[\\\\/:*?\"<>|]+", " ")
                .replaceAll(" +", " ");
    }

    /** A store that cannot be written keeps nobody from the paper. */
    private void markPrinted(int job) {
        try {
            jobs.markPrinted(job);
        } catch (DataAccessException e) {
            LOG.warn("That a paper of job {} was given out could not be kept", job, e);
        }
    }

    private Sheet find(int job, String name, PaperAsked asked) {
        PaperKind kind = PaperKind.of(name).orElseThrow(() -> new NotThereException("paper " + name));
        return Sheet.of(
                frames.state(job).plan(),
                kind,
                asked.choice(),
                revisions.state(job).words(),
                LocalDate.now(clock).toString());
    }
}
