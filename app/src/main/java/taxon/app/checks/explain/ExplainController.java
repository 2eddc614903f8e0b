package taxon.app.checks.explain;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.checks.raise.Lifts;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.core.dmx.StartAddress;
import taxon.core.explain.ExplainText;
import taxon.core.explain.Trial;
import taxon.core.explain.Verdict;
import taxon.core.raising.Grip;
import taxon.core.raising.RaisingText;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** Which single mistake explains what was seen. What was seen stands in the address of the page, so that a link of it can be sent. */
@Controller
class ExplainController {
    private static final int MOST_TEXT = 4_000;
    private static final int MOST_SHOWN = 5;
    private static final double HUNDRED = 100;
    private static final int FULL = 255;

    private final Frames frames;
    private final Explaining explaining;
    private final Takings takings;
    private final Lifts lifts;

    ExplainController(Frames frames, Explaining explaining, Takings takings, Lifts lifts) {
        this.frames = frames;
        this.explaining = explaining;
        this.takings = takings;
        this.lifts = lifts;
    }

    /** A mistake and what to do about it. */
    public record Part(String cause, String remedy) {}

    /**
     * What explains it, as it is shown.
     *
     * @param unexplained how much of what is known it does not explain
     */
    public record Line(List<Part> parts, int percent, int unexplained) {
        static Line of(ExplainText text, Verdict verdict) {
            return new Line(
                    verdict.causes().stream()
                            .map(c -> new Part(text.cause(c), text.remedy(c)))
                            .toList(),
                    (int) Math.round(verdict.probability() * HUNDRED),
                    verdict.unexplained());
        }
    }

    @GetMapping("/jobs/{job}/checks/explain")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        String saw = Objects.requireNonNullElse(request.getParameter("saw"), "");
        if (request.getParameter("add") != null) {
            return "redirect:" + at(job, with(saw, added(state, request.getParameter("add"))));
        }
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
        model.addAttribute("again", at(job, saw));
        model.addAttribute("read", takings.read(state).size());
        model.addAttribute("raised", takings.raised(state).orElse(""));
        model.addAttribute("explained", explained);
        model.addAttribute("lines", explained.map(e -> lines(state.plan(), e)).orElse(List.of()));
        Optional<Trial> next = explained.flatMap(Explained::next);
        model.addAttribute("next", next.map(Trial::toString).orElse(""));
        model.addAttribute("universe", next.map(t -> t.universe().toString()).orElse(""));
        model.addAttribute(
                "alive",
                next.flatMap(t -> lifts.covering(job, t.universe()))
                        .map(a -> "/jobs/" + job + "/checks/raise/" + a.id() + "/alive")
                        .orElse(""));
        return "checks/explain";
    }

    private static String at(int job, String saw) {
        return "/jobs/" + job + "/checks/explain?saw=" + URLEncoder.encode(saw, StandardCharsets.UTF_8);
    }

    private List<String> added(JobState state, String what) {
        return switch (what) {
            case "read" -> takings.read(state);
            case "raised" -> takings.raised(state).stream().toList();
            default -> List.of();
        };
    }

    /** What is known already, and the lines that are not in it, as many as there is room for. */
    private static String with(String saw, List<String> added) {
        StringBuilder all = new StringBuilder(saw.strip());
        List<String> there = saw.lines().map(String::strip).toList();
        for (String line : added) {
            if (!there.contains(line) && all.length() + line.length() < MOST_TEXT) {
                all.append(all.isEmpty() ? "" : "\n").append(line);
            }
        }
        return all.toString();
    }

    /** Raises {@code slots} ("2.001 to 2.256") by an arming of their universe, and asks what answered; {@code saw} is what is known. */
    @PostMapping("/jobs/{job}/checks/explain/raise")
    Object raise(@PathVariable int job, HttpServletRequest request) {
        frames.state(job);
        Reply reply = Reply.to(request, "raise", at(job, ""));
        String saw = reply.fields().text("saw");
        Optional<Trial> trial = Trial.read(reply.fields().text("slots"));
        if (trial.isEmpty()) {
            reply.fields().refuse("slots", "Say which slots: 2.033, or 2.001 to 2.256.");
            return reply.refused();
        }
        SortedMap<StartAddress, Integer> levels = levels(trial.get());
        Optional<List<Grip.Left>> left = lifts.light(job, trial.get().universe(), levels, Lifts.who(reply));
        return left.isEmpty()
                ? reply.conflicting("Universe " + trial.get().universe()
                        + " is not armed as a whole (any more); nothing was raised.")
                : reply.done(
                        RaisingText.of(left.get()),
                        at(job, with(saw, List.of(Takings.begun(trial.get())))),
                        Json.object().put("slots", levels.size()));
    }

    private static SortedMap<StartAddress, Integer> levels(Trial trial) {
        SortedMap<StartAddress, Integer> levels = new TreeMap<>();
        for (int slot = trial.slots().first(); slot <= trial.slots().last(); slot++) {
            levels.put(StartAddress.of(trial.universe().number(), slot), FULL);
        }
        return levels;
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
            ExplainText text = new ExplainText(state.plan());
            var causes = body.putArray("causes");
            e.verdicts().stream()
                    .limit(MOST_SHOWN)
                    .forEach(v -> causes.addObject()
                            .put("cause", text.causes(v.causes()))
                            .put("remedy", text.remedies(v.causes()))
                            .put("mistakes", v.causes().size())
                            .put("percent", (int) Math.round(v.probability() * HUNDRED))
                            .put("unexplained", v.unexplained()));
            body.put("next", e.next().map(Trial::toString).orElse(""));
        });
        return body;
    }
}
