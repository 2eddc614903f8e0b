package taxon.app.labels;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobState;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.frame.Tints;
import taxon.app.paperwork.PaperAsked;
import taxon.app.paperwork.PrintedPapers;
import taxon.app.printing.PrintTask;
import taxon.app.printing.PrintTasks;
import taxon.core.label.Label;
import taxon.core.label.LabelStock;
import taxon.core.paper.Labels;
import taxon.core.paper.PaperKind;
import taxon.core.paper.Piece;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** Labels: on which stock, from which label of a used sheet on, what does not fit, and printing them. */
@Controller
class LabelController {
    private static final int MOST_LABELS = 100_000;
    private static final int TOLD = 60;

    private final Frames frames;
    private final PrintedPapers papers;
    private final PrintTasks tasks;

    LabelController(Frames frames, PrintedPapers papers, PrintTasks tasks) {
        this.frames = frames;
        this.papers = papers;
        this.tasks = tasks;
    }

    /** A label that is not as it should be. */
    record Trouble(String head, String words) {}

    /** All that a page, a file and an answer tell of. */
    private record Wanted(
            JobState state, PaperKind kind, PaperAsked limits, LabelAsked asked, List<FittedLabel> labels) {
        List<Trouble> troubles() {
            return labels.stream()
                    .map(l -> new Trouble(l.label().head(), l.trouble()))
                    .filter(t -> !t.words().isEmpty())
                    .toList();
        }

        int sheets() {
            int count = asked.start() - 1 + labels.size() * asked.copies();
            return (count + asked.stock().perSheet() - 1) / asked.stock().perSheet();
        }

        LabelFiles.TintOf tints() {
            Tints tints = Tints.of(state.plan());
            return l -> l.label().tinted().map(tints::of).orElse(0);
        }
    }

    private static PaperKind kind(String name) {
        return PaperKind.of(name)
                .filter(PaperKind::isLabels)
                .orElseThrow(() -> new NotThereException("labels " + name));
    }

    private Wanted wanted(int job, String name, HttpServletRequest request) {
        PaperKind kind = kind(name);
        JobState state = frames.state(job);
        PaperAsked limits = PaperAsked.read(request);
        LabelAsked asked = LabelAsked.read(request::getParameter);
        List<Label> labels = Labels.of(state.plan(), kind, limits.choice()).stream()
                .filter(l -> asked.takes(l.key()))
                .toList();
        List<Piece> pieces = Piece.of(kind, labels);
        Plan plan = state.plan();
        List<FittedLabel> fitted = Stream.iterate(0, i -> i < labels.size(), i -> i + 1)
                .map(i -> FittedLabel.of(
                        labels.get(i), papers.codeOf(state.job(), plan, kind, pieces.get(i)), asked.stock()))
                .toList();
        return new Wanted(state, kind, limits, asked, fitted);
    }

    @GetMapping("/jobs/{job}/labels/{name}")
    Object page(@PathVariable int job, @PathVariable String name, HttpServletRequest request, Model model) {
        Wanted wanted = wanted(job, name, request);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, json(wanted));
        }
        frames.open(job, Optional.of(Stage.PAPERWORK), request, model);
        Plan plan = wanted.state().plan();
        model.addAttribute("kind", wanted.kind());
        model.addAttribute(
                "kinds",
                Stream.of(PaperKind.values()).filter(PaperKind::isLabels).toList());
        model.addAttribute("stocks", LabelStock.common());
        model.addAttribute("asked", wanted.asked());
        model.addAttribute("limits", wanted.limits());
        model.addAttribute("positions", plan.positions());
        model.addAttribute("universes", plan.universes());
        model.addAttribute("count", wanted.labels().size());
        model.addAttribute("sheets", wanted.sheets());
        List<Trouble> troubles = wanted.troubles();
        model.addAttribute("troubles", troubles.stream().limit(TOLD).toList());
        model.addAttribute("troubled", troubles.size());
        model.addAttribute("preview", LabelSvg.of(wanted.asked(), wanted.labels(), wanted.tints()));
        return "labels/page";
    }

    private static ObjectNode json(Wanted wanted) {
        ObjectNode body = Json.object()
                .put("stock", wanted.asked().stock().words())
                .put("labels", wanted.labels().size())
                .put("sheets", wanted.sheets());
        var faults = body.putArray("faults");
        wanted.asked().faults().forEach(faults::add);
        var troubles = body.putArray("doNotFit");
        wanted.troubles()
                .forEach(t -> troubles.addObject().put("label", t.head()).put("why", t.words()));
        return body;
    }

    /** The outlines of the stock, to be held against one of its sheets. */
    @GetMapping("/jobs/{job}/labels/{name}/calibration.pdf")
    ResponseEntity<byte[]> calibration(@PathVariable int job, @PathVariable String name, HttpServletRequest request) {
        kind(name);
        frames.state(job);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("calibration.pdf")
                                .build()
                                .toString())
                .body(LabelFiles.calibration(LabelAsked.read(request::getParameter)));
    }

    /** Prints them in the background; what was printed is noted when it is drawn. */
    @PostMapping("/jobs/{job}/labels/{name}/prints")
    Object print(@PathVariable int job, @PathVariable String name, HttpServletRequest request) {
        Reply reply = Reply.to(request, "labels", "/jobs/" + job + "/labels/" + name);
        Wanted wanted = wanted(job, name, request);
        LabelAsked asked = wanted.asked();
        asked.faults().forEach(f -> reply.fields().refuse("", f));
        int count = wanted.labels().size();
        if (count == 0) {
            reply.fields().refuse("", "There is no label to print.");
        }
        if ((long) count * asked.copies() > MOST_LABELS) {
            reply.fields()
                    .refuse(
                            "",
                            count + " labels, " + asked.copies() + " times, are more than " + MOST_LABELS
                                    + "; print fewer at once.");
        }
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        PrintTask task = tasks.start(
                job,
                wanted.kind().title() + ", " + count,
                wanted.kind().slug() + ".pdf",
                t -> drawn(wanted, reply.who(), t));
        return reply.done(
                "", "/jobs/" + job + "/prints/" + task.id(), Json.object().put("print", task.id()));
    }

    private byte[] drawn(Wanted wanted, String who, PrintTask task) {
        List<Label> labels = wanted.labels().stream().map(FittedLabel::label).toList();
        List<PrintedPapers.Coded> coded = papers.coded(wanted.state(), wanted.kind(), Piece.of(wanted.kind(), labels));
        List<FittedLabel> fitted = Stream.iterate(0, i -> i < labels.size(), i -> i + 1)
                .map(i -> FittedLabel.of(
                        labels.get(i), coded.get(i).code(), wanted.asked().stock()))
                .toList();
        byte[] pdf = LabelFiles.pdf(wanted.asked(), fitted, wanted.tints(), task);
        papers.givenOut(wanted.state().job(), coded, who);
        return pdf;
    }
}
