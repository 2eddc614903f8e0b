package taxon.app.compare;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
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
import taxon.app.proposals.ProposalDesk;
import taxon.core.compare.NoteForThem;
import taxon.core.paper.Cell;
import taxon.core.paper.Paper.Listing;
import taxon.formats.csv.SpreadsheetCsv;
import taxon.formats.json.Json;

/** What the other side has to change, in its own numbering: as a page, as paper and for a spreadsheet. */
@Controller
class NoteController {
    private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);

    private final Frames frames;
    private final ProposalDesk desk;
    private final ComparisonKind kind;
    private final SheetFiles files;
    private final Clock clock;

    NoteController(Frames frames, ProposalDesk desk, ComparisonKind kind, SheetFiles files, Clock clock) {
        this.frames = frames;
        this.desk = desk;
        this.kind = kind;
        this.files = files;
        this.clock = clock;
    }

    /**
     * A note.
     *
     * @param origin of what job, and of which day
     * @param counting how its numbers are counted, where that is not as here
     */
    public record Note(String side, String origin, String counting, List<NoteForThem.Line> lines) {}

    private Note note(int job, int id) {
        JobState state = frames.state(job);
        ComparedSides sides = desk.computed(kind, desk.find(job, id, ComparisonKind.NAME), state)
                .get()
                .orElseThrow(() -> new NotThereException("comparison " + id))
                .content();
        boolean zero = sides.theirs().counting().universesFromZero();
        return new Note(
                sides.side(),
                state.plan().sheet().name() + ", version " + state.version() + ", " + LocalDate.now(clock),
                zero ? "Universes are counted from 0, as in that list." : "",
                lines(sides));
    }

    /** Nobody can add a unit to a rig by a note: of the rig only what answered is told. */
    private static List<NoteForThem.Line> lines(ComparedSides sides) {
        return NoteForThem.of(sides.comparison(), sides.theirs(), sides.taken()).stream()
                .filter(l -> !sides.isPartial() || l.line() > 0)
                .toList();
    }

    @GetMapping("/jobs/{job}/comparisons/{id}/note")
    Object page(@PathVariable int job, @PathVariable int id, HttpServletRequest request, Model model) {
        Note note = note(job, id);
        if (Reply.wantsJson(request)) {
            var body = Json.object().put("side", note.side());
            var lines = body.putArray("lines");
            note.lines()
                    .forEach(l -> lines.addObject()
                            .put("line", l.line())
                            .put("who", l.who())
                            .put("what", l.what())
                            .put("now", l.now())
                            .put("wanted", l.wanted()));
            return Reply.json(HttpStatus.OK, body);
        }
        frames.open(job, Optional.of(Stage.HANDOVER), request, model);
        model.addAttribute("note", note);
        model.addAttribute("id", id);
        return "compare/note";
    }

    @GetMapping("/jobs/{job}/comparisons/{id}/note.csv")
    ResponseEntity<byte[]> csv(@PathVariable int job, @PathVariable int id) {
        List<List<Cell>> rows = note(job, id).lines().stream()
                .map(l -> List.of(
                        l.line() == 0 ? Cell.EMPTY : Cell.of(l.line()),
                        Cell.of(l.who()),
                        Cell.of(l.type()),
                        Cell.of(l.what()),
                        Cell.of(l.now()),
                        Cell.of(l.wanted())))
                .toList();
        List<String> header = List.of("Line", "Fixture", "Type", "What", "Is", "Should be");
        return file(job, "csv", CSV, SpreadsheetCsv.write(new Listing(header, rows)));
    }

    @GetMapping("/jobs/{job}/comparisons/{id}/note.pdf")
    ResponseEntity<byte[]> pdf(@PathVariable int job, @PathVariable int id) {
        return file(
                job,
                "pdf",
                MediaType.APPLICATION_PDF,
                files.page(
                        "compare/note-print",
                        Map.of("note", note(job, id)),
                        LocalDate.now(clock).toString()));
    }

    private static ResponseEntity<byte[]> file(int job, String ending, MediaType type, byte[] content) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("taxon-job-" + job + "-to-change." + ending, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(content);
    }
}
