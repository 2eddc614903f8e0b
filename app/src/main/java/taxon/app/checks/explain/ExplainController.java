package taxon.app.checks.explain;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.core.explain.ExplainText;
import taxon.core.explain.Trial;
import taxon.core.explain.Verdict;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** Which single mistake explains what was seen. What was seen stands in the address of the page, so that a link of it can be sent. */
@Controller
class ExplainController {
    private static final int MOST_TEXT = 4_000;
    private static final int MOST_SHOWN = 8;
    private static final double HUNDRED = 100;

    private final Frames frames;
    private final Explaining explaining;

    ExplainController(Frames frames, Explaining explaining) {
        this.frames = frames;
        this.explaining = explaining;
    }

    /**
     * A cause as it is shown.
     *
     * @param unexplained how much of what was seen it does not explain
     */
    public record Line(String cause, String remedy, int percent, int unexplained) {
        static Line of(ExplainText text, Verdict verdict) {
            return new Line(
                    text.cause(verdict.cause()),
                    text.remedy(verdict.cause()),
                    (int) Math.round(verdict.probability() * HUNDRED),
                    verdict.unexplained());
        }
    }

    @GetMapping("/jobs/{job}/checks/explain")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        String saw = Objects.requireNonNullElse(request.getParameter("saw"), "");
        boolean tooLong = saw.length() > MOST_TEXT;
        Optional<Explained> explained =
                tooLong ? Optional.of(Explained.of(state.plan(), "")) : explaining.of(state, saw);
        if (Reply.wantsJson(request)) {
            return tooLong
                    ? Reply.json(
                            HttpStatus.UNPROCESSABLE_CONTENT,
                            Reply.reasons(HttpStatus.UNPROCESSABLE_CONTENT, tooLong(saw)))
                    : Reply.json(HttpStatus.OK, json(state, explained));
        }
        frames.open(job, Optional.of(Stage.CHECKS), request, model);
        model.addAttribute("saw", tooLong ? "" : saw);
        model.addAttribute("tooLong", tooLong ? tooLong(saw) : "");
        model.addAttribute(
                "again", "/jobs/" + job + "/checks/explain?saw=" + URLEncoder.encode(saw, StandardCharsets.UTF_8));
        model.addAttribute("explained", explained);
        model.addAttribute("lines", explained.map(e -> lines(state.plan(), e)).orElse(List.of()));
        model.addAttribute(
                "next", explained.flatMap(Explained::next).map(Trial::toString).orElse(""));
        return "checks/explain";
    }

    private static String tooLong(String saw) {
        return "What was seen has " + saw.length() + " characters; it takes at most " + MOST_TEXT + ".";
    }

    private static List<Line> lines(Plan plan, Explained explained) {
        ExplainText text = new ExplainText(plan);
        return explained.verdicts().stream()
                .limit(MOST_SHOWN)
                .map(v -> Line.of(text, v))
                .toList();
    }

    private static ObjectNode json(JobState state, Optional<Explained> explained) {
        ObjectNode body = Json.object()
                .put("job", state.job())
                .put("version", state.version())
                .put("computed", explained.isPresent());
        explained.ifPresent(e -> {
            var faults = body.putArray("faults");
            e.read().faults().forEach(faults::add);
            var seen = body.putArray("seen");
            e.said()
                    .forEach(s -> seen.addObject()
                            .put("line", s.line())
                            .put("asPlanned", s.asPlanned())
                            .put("expected", s.expected()));
            var causes = body.putArray("causes");
            lines(state.plan(), e)
                    .forEach(l -> causes.addObject()
                            .put("cause", l.cause())
                            .put("remedy", l.remedy())
                            .put("percent", l.percent())
                            .put("unexplained", l.unexplained()));
            body.put("next", e.next().map(Trial::toString).orElse(""));
        });
        return body;
    }
}
