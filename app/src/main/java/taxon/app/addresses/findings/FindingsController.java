package taxon.app.addresses.findings;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.access.People;
import taxon.app.addresses.placing.PlacementKind;
import taxon.app.addresses.wish.PlacementJson;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.form.Selection;
import taxon.app.frame.FindingView;
import taxon.app.frame.Frames;
import taxon.app.proposals.ProposalDesk;
import taxon.core.finding.Finding;
import taxon.core.finding.Remedy;
import taxon.core.finding.RuleTitle;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** What the rules have found in the job, and pressing a remedy. */
@Controller
public class FindingsController {
    private final Frames frames;
    private final JobEditor editor;
    private final ProposalDesk desk;

    public FindingsController(Frames frames, JobEditor editor, ProposalDesk desk) {
        this.frames = frames;
        this.editor = editor;
        this.desk = desk;
    }

    /** @param findings empty where the rule was checked and found nothing */
    public record RuleLine(String rule, String title, String severity, List<FindingView> findings) {}

    @GetMapping("/jobs/{job}/findings")
    public Object findings(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        List<RuleLine> lines = state.check().byRule().entrySet().stream()
                .map(e -> new RuleLine(
                        e.getKey().slug(),
                        RuleTitle.of(e.getKey()),
                        Json.slug(e.getKey().severity()),
                        e.getValue().stream().map(FindingView::of).toList()))
                .toList();
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, json(state, lines));
        }
        frames.open(job, Optional.empty(), request, model);
        model.addAttribute("rules", lines);
        return "addresses/findings";
    }

    private static ObjectNode json(JobState state, List<RuleLine> lines) {
        ObjectNode body = Json.object().put("job", state.job()).put("version", state.version());
        var rules = body.putArray("rules");
        lines.forEach(l -> {
            ObjectNode rule = rules.addObject()
                    .put("rule", l.rule())
                    .put("title", l.title())
                    .put("severity", l.severity());
            var findings = rule.putArray("findings");
            l.findings().forEach(f -> findings.add(json(f)));
        });
        return body;
    }

    private static ObjectNode json(FindingView finding) {
        ObjectNode node = Json.object().put("id", finding.id()).put("sentence", finding.sentence());
        var fixtures = node.putArray("fixtures");
        finding.fixtures().forEach(fixtures::add);
        finding.apply().ifPresent(a -> node.put("remedy", a));
        return node;
    }

    @PostMapping("/jobs/{job}/remedies")
    public Object remedy(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "remedy", "/jobs/" + job + "/findings");
        long version = reply.version();
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        Optional<Remedy> remedy =
                frames.state(job).check().find(reply.fields().text("finding")).flatMap(Finding::remedy);
        if (remedy.orElse(null) instanceof Remedy.Propose propose) {
            int id = desk.open(job, version, PlacementKind.NAME, PlacementJson.write(propose.request()));
            String query = Selection.of(
                            propose.request().chosen().stream().sorted().toList())
                    .query();
            return reply.done(
                    "Proposed; nothing has moved yet.",
                    "/jobs/" + job + "/proposals/" + id + query,
                    Json.object().put("proposal", id));
        }
        return remedy.filter(Remedy.Apply.class::isInstance)
                .map(Remedy.Apply.class::cast)
                .map(r -> reply.after(editor.apply(job, version, Guard.UNCHANGED_JOB, People.of(request), r.edit())))
                .orElseGet(() -> reply.conflicting("This finding is no longer there, or has no remedy to press."));
    }
}
