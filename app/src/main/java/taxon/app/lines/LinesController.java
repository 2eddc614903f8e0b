package taxon.app.lines;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.Outlets;
import taxon.app.form.Reply;
import taxon.app.frame.FindingView;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.proposals.ProposalDesk;
import taxon.core.cable.Shelf;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.Grounds;
import taxon.core.lines.LineCable;
import taxon.core.lines.LineWish;
import taxon.core.network.CableRules;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** All lines, what to take along for them, and the proposal that draws them. */
@Controller
class LinesController {
    private final Frames frames;
    private final ProposalDesk desk;

    LinesController(Frames frames, ProposalDesk desk) {
        this.frames = frames;
        this.desk = desk;
    }

    @GetMapping("/jobs/{job}/lines")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        Plan plan = state.plan();
        List<LineCable> cables = LineCable.all(plan);
        Shelf shelf = new Shelf(plan.sheet().network().cable().stock());
        TakeAlong all = TakeAlong.all(plan, cables, shelf);
        List<TakeAlong> byBox = TakeAlong.byBox(plan, cables, shelf);
        if (Reply.wantsJson(request)) {
            List<LineView> whole =
                    cables.stream().map(c -> LineView.of(plan, c, shelf)).toList();
            return Reply.json(HttpStatus.OK, json(state, whole, all, byBox));
        }
        frames.open(job, Optional.of(Stage.NETWORK), request, model);
        model.addAttribute(
                "lines", cables.stream().map(c -> LineView.brief(plan, c)).toList());
        model.addAttribute("all", all);
        model.addAttribute("byBox", byBox);
        model.addAttribute("rules", CableForm.of(plan));
        model.addAttribute("outlets", Outlets.free(plan));
        model.addAttribute(
                "findings",
                state.check().findings().stream()
                        .filter(f -> f.grounds() instanceof Grounds.OfLine)
                        .map(FindingView::of)
                        .toList());
        return "lines/page";
    }

    private static ObjectNode json(JobState state, List<LineView> lines, TakeAlong all, List<TakeAlong> byBox) {
        ObjectNode body = Json.object().put("version", state.version());
        body.set("lines", LineJson.write(lines));
        body.set("takeAlong", LineJson.write(all));
        ArrayNode cases = body.putArray("byBox");
        byBox.forEach(c -> cases.add(LineJson.write(c)));
        return body;
    }

    /**
     * Proposes lines: {@code mostUnits}, {@code longest}, {@code slack}, {@code order}, {@code first}, {@code stock},
     * {@code trusses}, {@code splitterOutputs}; {@code universes} for some only; {@code anew} = yes to draw all again.
     */
    @PostMapping("/jobs/{job}/line-plan")
    Object propose(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, LinePlanKind.NAME, "/jobs/" + job + "/lines");
        JobState state = frames.state(job);
        reply.fields().counting(state.plan().sheet().view().unit());
        Optional<CableRules> rules = CableForm.read(reply.fields(), state.plan());
        Set<UniverseNumber> only = universes(reply.fields());
        if (rules.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        LineWish wish = new LineWish(rules.get(), reply.fields().text("anew").equals("yes"), only);
        int id = desk.open(job, state.version(), LinePlanKind.NAME, LinePlanKind.request(wish));
        return reply.done(
                "Proposed; no line has changed yet.",
                "/jobs/" + job + "/" + LinePlanKind.NAME + "/" + id,
                Json.object().put("proposal", id));
    }

    /** "1, 3-5"; none for all. */
    private static Set<UniverseNumber> universes(Fields fields) {
        Set<UniverseNumber> only = new TreeSet<>();
        TypedNumbers.read(fields, "universes", "number of a universe", UniverseNumber.LAST)
                .forEach(n -> only.add(UniverseNumber.of(n)));
        return only;
    }
}
