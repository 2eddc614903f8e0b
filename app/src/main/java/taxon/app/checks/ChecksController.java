package taxon.app.checks;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.TaxonSettings;
import taxon.app.checks.boxes.Allowed;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Marks;
import taxon.app.frame.Stage;
import taxon.core.network.Ipv4;
import taxon.core.proof.RigComparison;
import taxon.core.proof.Standing;
import taxon.core.rig.PlannedBlock;
import taxon.formats.json.Json;

/** Checks: reading the rig, planned against found. */
@Controller
class ChecksController {
    private final Frames frames;
    private final Readings readings;
    private final TaxonSettings settings;

    ChecksController(Frames frames, Readings readings, TaxonSettings settings) {
        this.frames = frames;
        this.readings = readings;
        this.settings = settings;
    }

    /** A block with where it stands. */
    record StandingLine(int key, String label, String type, String position, String address, Marks standing) {}

    @GetMapping("/jobs/{job}/checks")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        ReadingState reading = readings.state(job);
        Optional<RigComparison> comparison = reading.last().map(r -> r.against(state.plan()));
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, ChecksJson.write(state, reading, comparison));
        }
        frames.open(job, Optional.of(Stage.CHECKS), request, model);
        model.addAttribute("reading", reading);
        model.addAttribute("simulated", settings.demo());
        model.addAttribute("outside", Allowed.outside(state.plan()));
        model.addAttribute(
                "counts",
                comparison
                        .map(c -> c.counts().entrySet().stream()
                                .map(e -> new Count(
                                        e.getKey()
                                                .name()
                                                .toLowerCase(Locale.ROOT)
                                                .replace('_', ' '),
                                        e.getValue()))
                                .toList())
                        .orElse(List.of()));
        model.addAttribute(
                "lines",
                comparison
                        .map(c -> c.lines().stream()
                                .map(l -> ComparisonLine.of(state.plan(), l))
                                .toList())
                        .orElse(List.of()));
        model.addAttribute(
                "identifying",
                reading.last().stream()
                        .flatMap(r -> r.units().stream())
                        .anyMatch(u -> u.says().identifying()));
        List<BoxLine> boxes =
                reading.last().map(r -> BoxLine.of(state.plan(), r)).orElse(List.of());
        model.addAttribute("boxes", boxes);
        model.addAttribute("boxSum", BoxLine.sum(boxes));
        model.addAttribute(
                "notAsked",
                reading.last().map(r -> NotAskedLine.of(state.plan(), r)).orElse(List.of()));
        String wanted = Objects.requireNonNullElse(request.getParameter("standing"), "");
        model.addAttribute("standing", wanted);
        model.addAttribute("standings", standings(state, wanted));
        return "checks/page";
    }

    /** How many lines of one verdict. */
    record Count(String verdict, long count) {}

    private static List<StandingLine> standings(JobState state, String wanted) {
        List<StandingLine> lines = new ArrayList<>();
        for (PlannedBlock block : state.plan().blocks()) {
            Marks marks = Marks.of(Standing.of(block, state.plan()));
            boolean isAsked = marks.word().equals(wanted)
                    || (wanted.equals("set") && marks.word().equals("proved"));
            if (isAsked) {
                lines.add(new StandingLine(
                        block.fixture().key().number(),
                        block.label(),
                        block.type().fullName(),
                        state.plan().position(block.fixture()).name() + ", unit "
                                + block.fixture().unit(),
                        block.start().map(Object::toString).orElse("none"),
                        marks));
            }
        }
        return lines;
    }

    @PostMapping("/jobs/{job}/checks/read")
    Object read(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "read", "/jobs/" + job + "/checks");
        List<Ipv4> outside = Allowed.outside(frames.state(job).plan());
        boolean armed = reply.fields().text("arm").equals("network");
        if (!outside.isEmpty() && !armed) {
            reply.fields()
                    .refuse(
                            "arm",
                            "Nodes outside this machine would be asked: "
                                    + outside.stream().map(Ipv4::toString).collect(Collectors.joining(", "))
                                    + ". Arm output to them first.");
            return reply.refused();
        }
        readings.begin(job, armed, reply.fields().has("anew"));
        return reply.done("The rig is being read.", Json.object());
    }

    @PostMapping("/jobs/{job}/checks/stop")
    Object stop(@PathVariable int job, HttpServletRequest request) {
        frames.state(job);
        readings.stop(job);
        return Reply.to(request, "stop", "/jobs/" + job + "/checks").done("Stopping.", Json.object());
    }
}
