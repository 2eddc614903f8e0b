package taxon.app.paperwork;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import taxon.app.edit.JobState;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.paperwork.PrintedPapers.Out;
import taxon.app.store.PrintStore;
import taxon.app.store.PrintStore.Kept;
import taxon.core.paper.PaperChanges;
import taxon.core.paper.PaperCode;
import taxon.formats.json.Json;

/** Is this paper still true: by the code that stands on it, and for all that are out. */
@Controller
class PrintedController {
    private static final int SHOWN = 200;

    private final Frames frames;
    private final PrintStore prints;
    private final PrintedPapers papers;

    PrintedController(Frames frames, PrintStore prints, PrintedPapers papers) {
        this.frames = frames;
        this.prints = prints;
        this.papers = papers;
    }

    /** As a camera or a reader gives it: leads to the job of the paper. */
    @GetMapping("/code/{typed}")
    String code(@PathVariable String typed) {
        PaperCode code = PaperCode.read(typed).orElseThrow(() -> new NotThereException("code " + typed));
        int job = prints.find(code)
                .map(k -> k.which().job())
                .orElseThrow(() -> new NotThereException("paper with the code " + code));
        return "redirect:/jobs/" + job + "/code?typed=" + code.letters();
    }

    @GetMapping("/jobs/{job}/code")
    Object typed(
            @PathVariable int job,
            @RequestParam(defaultValue = "") String typed,
            HttpServletRequest request,
            Model model) {
        Optional<PaperCode> code = PaperCode.read(typed);
        Optional<Kept> kept = code.flatMap(prints::find);
        if (kept.isPresent() && kept.get().which().job() != job) {
            return code(typed);
        }
        JobState state = frames.state(job);
        Optional<PaperChanges> changes = kept.map(k -> papers.changes(state, k));
        if (Reply.wantsJson(request)) {
            return kept.isPresent()
                    ? Reply.json(HttpStatus.OK, PrintedJson.of(kept.get(), changes.orElseThrow()))
                    : Reply.json(HttpStatus.NOT_FOUND, Reply.reasons(HttpStatus.NOT_FOUND, none(typed, code)));
        }
        frames.open(job, Optional.of(Stage.PAPERWORK), request, model);
        model.addAttribute("typed", code.map(PaperCode::toString).orElse(typed));
        model.addAttribute("none", kept.isPresent() || typed.isBlank() ? "" : none(typed, code));
        kept.ifPresent(k -> {
            model.addAttribute("kept", k);
            model.addAttribute("again", PrintedView.again(k.which()));
            model.addAttribute("isForm", !k.which().kind().isLabels());
        });
        changes.ifPresent(c -> model.addAttribute("changes", ChangesView.of(c, SHOWN)));
        return "paperwork/code";
    }

    private static String none(String typed, Optional<PaperCode> code) {
        return code.map(c -> "No paper of this store has the code " + c + ".")
                .orElse("“" + (typed.length() > 40 ? typed.substring(0, 40) + " …" : typed)
                        + "” is no code: a code has nine letters and figures, none of them 0, O, 1 or I, and one that is mistyped"
                        + " is none.");
    }

    @GetMapping("/jobs/{job}/printed")
    Object out(@PathVariable int job, HttpServletRequest request, Model model) {
        List<Out> out = papers.out(frames.state(job), job);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, PrintedJson.of(out));
        }
        frames.open(job, Optional.of(Stage.PAPERWORK), request, model);
        model.addAttribute(
                "out",
                out.stream()
                        .filter(o -> !o.print().which().kind().isByPiece())
                        .map(PrintedView::of)
                        .toList());
        model.addAttribute("pieces", PiecesView.of(out));
        model.addAttribute("count", out.size());
        model.addAttribute("stale", out.stream().filter(o -> !o.isTrue()).count());
        return "paperwork/printed";
    }

    /** How many papers are out that no longer are true, for the foot of a page; nothing where none is. */
    @GetMapping("/jobs/{job}/printed/tally")
    String tally(@PathVariable int job, Model model) {
        model.addAttribute("job", job);
        model.addAttribute("untrue", papers.untrue(frames.state(job), job));
        return "paperwork/parts :: tally";
    }

    /** What is out about one fixture, for its card. */
    @GetMapping("/jobs/{job}/printed/of/{key}")
    String of(@PathVariable int job, @PathVariable int key, Model model) {
        model.addAttribute("job", job);
        model.addAttribute(
                "out",
                papers.outOf(frames.state(job), job, Integer.toString(key)).stream()
                        .map(PrintedView::of)
                        .toList());
        return "paperwork/parts :: card";
    }

    /** Notes that several are gone from the rig, as one act. */
    @PostMapping("/jobs/{job}/printed/back")
    Object backAll(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "printed", "/jobs/" + job + "/printed");
        List<Integer> ids = Arrays.stream(reply.fields().text("keys").split(","))
                .map(String::strip)
                .filter(i -> i.matches("[1-9]\\d{0,8}"))
                .map(Integer::valueOf)
                .toList();
        long taken = prints.together(
                () -> ids.stream().filter(id -> prints.takeBack(job, id)).count());
        return taken == 0
                ? reply.conflicting("None of these is out; somebody has taken them back already.")
                : reply.done(taken + " taken back.", Json.object().put("taken", taken));
    }

    @PostMapping("/jobs/{job}/printed/{print}/back")
    Object back(@PathVariable int job, @PathVariable int print, HttpServletRequest request) {
        String page = "/jobs/" + job + "/printed";
        Reply reply = Reply.to(request, "printed", page);
        return prints.takeBack(job, print)
                ? reply.done("Taken back.", Json.object())
                : reply.conflicting("This paper is not out; somebody has taken it back already.");
    }
}
