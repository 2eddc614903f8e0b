package taxon.app.paperwork;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
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
import taxon.app.paperwork.PrintedPapers.Coded;
import taxon.app.printing.PrintTask;
import taxon.app.printing.PrintTasks;
import taxon.app.store.PrintStore.Which;
import taxon.core.drawing.DrawingScale;
import taxon.core.drawing.SheetSize;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperCode;
import taxon.core.paper.PaperKind;
import taxon.core.paper.Piece;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.setting.UnitSetting;
import taxon.formats.csv.SpreadsheetCsv;
import taxon.formats.json.Json;
import taxon.formats.workbook.WorkbookOut;

/** The papers of the job as it is now. */
@Controller
class PaperworkController {
    private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);
    private static final MediaType WORKBOOK =
            MediaType.parseMediaType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");

    private final Frames frames;
    private final SheetFiles files;
    private final PrintedPapers printed;
    private final PrintTasks tasks;
    private final DrawnPapers drawings;

    PaperworkController(
            Frames frames, SheetFiles files, PrintedPapers printed, PrintTasks tasks, DrawnPapers drawings) {
        this.drawings = drawings;
        this.tasks = tasks;
        this.frames = frames;
        this.files = files;
        this.printed = printed;
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
        DrawnPaper drawing = drawing(plan, sheet.paper().kind(), asked, request);
        model.addAttribute("drawing", drawing);
        model.addAttribute("lacking", lacking(sheet, drawing));
        model.addAttribute("sheetSizes", SheetSize.values());
        model.addAttribute("scales", DrawingScale.usual(plan.sheet().view().unit()));
        model.addAttribute("named", printed.named(job));
        model.addAttribute("revisions", printed.revisions(job));
        return "paperwork/page";
    }

    private DrawnPaper drawing(Plan plan, PaperKind kind, PaperAsked asked, HttpServletRequest request) {
        return drawings.of(plan, kind, asked.choice(), asked.on(), People.of(request));
    }

    private static String lacking(Sheet sheet, DrawnPaper drawing) {
        return Letters.lacking(Stream.concat(sheet.texts(), drawing.texts()));
    }

    /** To look at; it is noted as printed where it is asked for with a form. */
    @GetMapping("/jobs/{job}/paperwork/{name}.pdf")
    ResponseEntity<byte[]> pdf(@PathVariable int job, @PathVariable String name, HttpServletRequest request) {
        PaperAsked asked = PaperAsked.read(request);
        Which which = which(job, name, asked);
        JobState state = frames.state(job);
        Sheet sheet = printed.now(state, which);
        PaperCode code = printed.code(which, sheet);
        DrawnPaper drawing = drawing(state.plan(), which.kind(), asked, request);
        return file(sheet, "pdf", MediaType.APPLICATION_PDF, files.pdf(sheet, code, drawing));
    }

    /** Prints it in the background; that it was printed is noted when it is drawn. */
    @PostMapping("/jobs/{job}/paperwork/{name}/prints")
    Object print(@PathVariable int job, @PathVariable String name, HttpServletRequest request) {
        Reply reply = Reply.to(request, "print", "/jobs/" + job + "/paperwork/" + name);
        Which which = which(job, name, PaperAsked.read(request));
        JobState state = frames.state(job);
        Sheet sheet = printed.now(state, which);
        PrintTask task = tasks.start(
                job,
                sheet.title(),
                fileName(sheet) + ".pdf",
                t -> which.kind() == PaperKind.CARDS
                        ? cards(state, which, sheet, reply.who(), t)
                        : paper(state, which, sheet, reply.who(), t));
        return reply.done(
                "", "/jobs/" + job + "/prints/" + task.id(), Json.object().put("print", task.id()));
    }

    private byte[] paper(JobState state, Which which, Sheet sheet, String who, PrintTask task) {
        PaperCode code = printed.code(which, sheet);
        PaperAsked asked = PaperAsked.read(which.query());
        DrawnPaper drawing = drawings.of(state.plan(), which.kind(), asked.choice(), asked.on(), who);
        byte[] pdf = files.pdf(sheet, code, drawing, task);
        printed.givenOut(which, code, sheet, who);
        return pdf;
    }

    private byte[] cards(JobState state, Which which, Sheet sheet, String who, PrintTask task) {
        PaperChoice choice = PaperAsked.read(which.query()).choice();
        List<Coded> coded = printed.coded(state, PaperKind.CARDS, Piece.of(state.plan(), PaperKind.CARDS, choice));
        List<PrintedCard> cards = coded.stream()
                .flatMap(c -> state
                        .plan()
                        .fixture(FixtureKey.of(Integer.parseInt(c.piece().key())))
                        .map(f -> new PrintedCard(UnitSetting.of(state.plan(), f), c.code()))
                        .stream())
                .toList();
        byte[] pdf = files.cards(cards, sheet.heading(), sheet.revision() + ", " + sheet.date(), task);
        printed.givenOut(state.job(), coded, who);
        return pdf;
    }

    @GetMapping("/jobs/{job}/paperwork/{name}.csv")
    ResponseEntity<byte[]> csv(@PathVariable int job, @PathVariable String name, HttpServletRequest request) {
        Sheet sheet = find(job, name, PaperAsked.read(request));
        return file(sheet, "csv", CSV, SpreadsheetCsv.write(sheet.listing()));
    }

    @GetMapping("/jobs/{job}/paperwork/{name}.xlsx")
    ResponseEntity<byte[]> workbook(@PathVariable int job, @PathVariable String name, HttpServletRequest request) {
        Sheet sheet = find(job, name, PaperAsked.read(request));
        return file(
                sheet, "xlsx", WORKBOOK, WorkbookOut.write(sheet.paper().kind().title(), sheet.listing()));
    }

    private static ResponseEntity<byte[]> file(Sheet sheet, String ending, MediaType type, byte[] content) {
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

    private static Which which(int job, String name, PaperAsked asked) {
        PaperKind kind = PaperKind.of(name).orElseThrow(() -> new NotThereException("paper " + name));
        return new Which(job, kind, asked.query());
    }

    private Sheet find(int job, String name, PaperAsked asked) {
        return printed.now(frames.state(job), which(job, name, asked));
    }
}
