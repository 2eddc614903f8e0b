package taxon.app.demo;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ThreadLocalRandom;
import java.util.stream.Collectors;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.formats.json.Json;
import taxon.simrig.practice.Practice;
import taxon.simrig.practice.PracticeCase;
import taxon.simrig.practice.Score;
import tools.jackson.databind.node.ObjectNode;

/** Cases to practise on, with faults hidden in the simulated rig. */
@Controller
@ConditionalOnProperty("taxon.demo")
class PracticeController {
    private final DemoPractice practice;
    private final Frames frames;

    PracticeController(DemoPractice practice, Frames frames) {
        this.practice = practice;
        this.frames = frames;
    }

    private static String at(int job) {
        return "/jobs/" + job + "/simulated-rig/practice";
    }

    /** A case to choose. */
    public record CaseLine(String value, String title, String told) {
        static CaseLine of(PracticeCase which) {
            return new CaseLine(Json.slug(which), which.title(), which.told());
        }
    }

    /**
     * How the last one was solved, as the page shows it.
     *
     * @param lines a sentence each
     */
    public record ScoreView(int points, List<String> faults, List<String> lines) {
        static ScoreView of(Score score) {
            long minutes = score.took().toMinutes();
            String took = String.format(
                    Locale.ROOT, "%d min %02d s", minutes, score.took().toSecondsPart());
            return new ScoreView(
                    score.points(),
                    score.faults(),
                    List.of(
                            score.solved() + " of " + score.hidden() + " put right or named, in " + took + ".",
                            "Set or programmed " + score.touched() + " times; " + score.needed()
                                    + " would have been enough.",
                            score.wronglyNamed().isEmpty()
                                    ? "Nobody was named who has no fault."
                                    : "Named without a fault: " + String.join(", ", score.wronglyNamed()) + ".",
                            score.spoiled().isEmpty()
                                    ? "Nothing was spoiled that was right."
                                    : "Right before and not now: " + String.join(", ", score.spoiled()) + "."));
        }
    }

    @GetMapping("/jobs/{job}/simulated-rig/practice")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        Optional<Practice> running = practice.running();
        Optional<ScoreView> last = practice.last().map(ScoreView::of);
        if (Reply.wantsJson(request)) {
            frames.state(job);
            return Reply.json(HttpStatus.OK, json(running, last));
        }
        frames.open(job, Optional.of(Stage.CHECKS), request, model);
        model.addAttribute(
                "cases", Arrays.stream(PracticeCase.values()).map(CaseLine::of).toList());
        model.addAttribute("running", running.map(r -> CaseLine.of(r.which())));
        model.addAttribute("since", running.map(r -> r.began().toString()).orElse(""));
        model.addAttribute("touched", running.map(Practice::touched).orElse(0));
        model.addAttribute("last", last);
        return "checks/practice";
    }

    private static ObjectNode json(Optional<Practice> running, Optional<ScoreView> last) {
        ObjectNode body = Json.object()
                .put("running", running.map(r -> Json.slug(r.which())).orElse(""))
                .put("told", running.map(r -> r.which().told()).orElse(""))
                .put("touched", running.map(Practice::touched).orElse(0));
        last.ifPresent(s -> {
            ObjectNode score = body.putObject("last").put("points", s.points());
            var faults = score.putArray("faults");
            s.faults().forEach(faults::add);
            var lines = score.putArray("lines");
            s.lines().forEach(lines::add);
        });
        return body;
    }

    /** {@code case}, and {@code seed} for the same faults again. */
    @PostMapping("/jobs/{job}/simulated-rig/practice/begin")
    Object begin(@PathVariable int job, HttpServletRequest request) {
        JobState state = frames.state(job);
        Reply reply = Reply.to(request, "practice", at(job));
        Optional<PracticeCase> which =
                reply.fields().choice("case", PracticeCase.class, PracticeCase.LAST_SHOWS_ADDRESS);
        Optional<Integer> seed = reply.fields().numberOrNone("seed", "seed", 0, Integer.MAX_VALUE);
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        try {
            int hidden = seed.orElseGet(() -> ThreadLocalRandom.current().nextInt(Integer.MAX_VALUE));
            return practice.begin(state.plan(), which.orElseThrow(), hidden)
                    ? reply.done("Go: find it.", Json.object())
                    : reply.conflicting("There is no simulated rig: no loopback address was free.");
        } catch (IOException e) {
            return reply.conflicting("The rig cannot be made so: " + e.getMessage() + ".");
        }
    }

    /** {@code named}: units and boxes with commas of which something is wrong. */
    @PostMapping("/jobs/{job}/simulated-rig/practice/end")
    Object end(@PathVariable int job, HttpServletRequest request) {
        frames.state(job);
        Reply reply = Reply.to(request, "practice", at(job));
        Set<String> named = Arrays.stream(reply.fields().text("named").split("[,;]"))
                .map(String::strip)
                .filter(n -> !n.isEmpty())
                .limit(100)
                .collect(Collectors.toSet());
        try {
            return practice.end(named)
                    .map(s -> reply.done(s.points() + " points.", Json.object().put("points", s.points())))
                    .orElseGet(() -> reply.conflicting("Nobody practises; begin a case first."));
        } catch (IOException e) {
            return reply.conflicting("The rig cannot be made as it was: " + e.getMessage() + ".");
        }
    }
}
