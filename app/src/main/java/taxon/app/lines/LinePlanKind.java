package taxon.app.lines;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.edit.JobState;
import taxon.app.frame.Stage;
import taxon.app.proposals.ProposalDesk;
import taxon.app.proposals.ProposalKind;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.cable.Shelf;
import taxon.core.dmx.UniverseNumber;
import taxon.core.lines.LineCable;
import taxon.core.lines.LineProposal;
import taxon.core.lines.LineProposal.Saving;
import taxon.core.lines.LineProposal.Sum;
import taxon.core.lines.LineWish;
import taxon.core.network.CableRules;
import taxon.core.network.NetworkRules;
import taxon.core.packing.Effort;
import taxon.core.rig.Box;
import taxon.core.rig.Line;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.core.text.Counted;
import taxon.formats.json.ElementJson;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Lines through the units of all universes, or of some. */
@Component
class LinePlanKind implements ProposalKind<LineProposal> {
    static final String NAME = "line-plan";

    /**
     * @param lines new and changed ones, as they will be
     * @param sums a sentence for each universe
     * @param left who gets no line, with the reason
     */
    record View(
            List<LineView> lines, List<String> gone, List<String> sums, List<String> splitters, List<String> left) {}

    static ObjectNode request(LineWish wish) {
        ObjectNode request =
                ElementJson.write(NetworkRules.USUAL.with(wish.rules())).put("anew", wish.anew());
        ArrayNode only = request.putArray("only");
        wish.only().stream().map(UniverseNumber::number).sorted().forEach(only::add);
        return request;
    }

    private static LineWish wish(StoredProposal stored) {
        JsonNode request = ProposalDesk.request(stored);
        CableRules rules =
                ElementJson.readRules(NetworkRules.USUAL.counting(), request).cable();
        Set<UniverseNumber> only = new TreeSet<>();
        request.path("only").forEach(n -> only.add(UniverseNumber.of(n.asInt())));
        return new LineWish(rules, request.path("anew").asBoolean(false), only);
    }

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public String path() {
        return NAME;
    }

    @Override
    public Stage stage() {
        return Stage.NETWORK;
    }

    @Override
    public String template() {
        return "lines/proposal";
    }

    @Override
    public Optional<LineProposal> compute(StoredProposal stored, JobState state, Effort effort) {
        return Optional.of(LineProposal.of(state.plan(), wish(stored)));
    }

    @Override
    public String headline(Looked<LineProposal> looked) {
        LineProposal proposal = looked.content();
        long changed = proposal.drawn().stream()
                .filter(l -> looked.state().plan().line(l.number()).isPresent())
                .count();
        long begun = proposal.drawn().size() - changed;
        return (begun == 0 ? "no line" : Counted.of(begun, "line")) + " to be run"
                + (changed == 0 ? "" : ", " + changed + " changed")
                + (proposal.gone().isEmpty() ? "" : ", " + proposal.gone().size() + " gone") + ", "
                + Counted.of(proposal.staying(), "unit") + (proposal.staying() == 1 ? " stays" : " stay");
    }

    private static View view(Looked<LineProposal> looked) {
        LineProposal proposal = looked.content();
        Plan before = looked.state().plan();
        Edit.Outcome outcome = proposal.edit().applyTo(before);
        Plan after = outcome instanceof Edit.Changed changed ? changed.plan() : before;
        Shelf shelf = new Shelf(after.sheet().network().cable().stock());
        List<LineView> lines = new ArrayList<>();
        proposal.drawn().stream()
                .sorted(Comparator.comparingInt(Line::number))
                .flatMap(l -> after.line(l.number()).stream())
                .forEach(l -> lines.add(LineView.of(after, LineCable.of(after, l), shelf)));
        return new View(
                lines,
                proposal.gone().stream().map(l -> "line " + l.name()).toList(),
                proposal.sums().stream().map(s -> sentence(s, after)).toList(),
                proposal.splitters().stream().map(b -> place(after, b)).toList(),
                proposal.omissions().stream()
                        .map(o -> o.who() + (o.who().startsWith("universe") ? "" : " on universe " + o.universe())
                                + ": " + o.why().words())
                        .toList());
    }

    private static String place(Plan plan, Box box) {
        return box.name() + " with " + Counted.of(box.ports().size(), "output")
                + box.place()
                        .position()
                        .flatMap(plan::position)
                        .map(p -> " at " + p.name())
                        .orElse("");
    }

    /** Says only what is certain. */
    private static String sentence(Sum sum, Plan plan) {
        CableRules rules = plan.sheet().network().cable();
        String cable = LineView.metres(sum.cable(), plan) + " of cable"
                + (sum.unreckoned() == 0
                        ? ""
                        : " as far as it can be reckoned (" + Counted.of(sum.unreckoned(), "way") + " cannot)");
        return "Universe " + sum.universe() + ": " + Counted.of(sum.units(), "unit") + " on "
                + Counted.of(sum.lines(), "line") + ", " + cable + "; " + certain(sum, rules, plan)
                + sum.saving().map(s -> ". " + words(s, plan)).orElse("") + ".";
    }

    private static String certain(Sum sum, CableRules rules, Plan plan) {
        boolean inOrder = rules.order() == CableRules.Order.OF_UNITS;
        String how = inOrder ? " in the order of units" : "";
        if (sum.isProved()) {
            return rules.first() == CableRules.First.LEAST_CABLE
                    ? "proved: no lines out of these ports" + how + " take less cable"
                    : "proved: not fewer lines" + how + ", and with as many not less cable";
        }
        String lines = rules.first() == CableRules.First.LEAST_CABLE
                ? ""
                : sum.lines() == sum.fewest()
                        ? "not fewer lines are possible, "
                        : "at least " + sum.fewest() + " needed, ";
        return lines
                + sum.least()
                        .map(l -> "and any lines take " + LineView.metres(l, plan) + " or more")
                        .orElse("how little cable would do is not known");
    }

    private static String words(Saving saving, Plan plan) {
        return saving instanceof Saving.MoreUnits m
                ? "With " + m.units() + " units a line it takes a line less"
                : "With lines of up to "
                        + LineView.metres(((Saving.LongerLine) saving).length().inMetres(), plan)
                        + " it takes a line less";
    }

    @Override
    public ObjectNode json(Looked<LineProposal> looked) {
        View view = view(looked);
        ObjectNode body = request(wish(looked.stored()));
        body.set("lines", LineJson.write(view.lines()));
        ArrayNode sums = body.putArray("certain");
        view.sums().forEach(sums::add);
        ArrayNode splitters = body.putArray("splitters");
        view.splitters().forEach(splitters::add);
        ArrayNode left = body.putArray("left");
        view.left().forEach(left::add);
        return body;
    }

    @Override
    public void show(Looked<LineProposal> looked, Model model) {
        model.addAttribute("proposal", view(looked));
    }

    @Override
    public String then(int job, StoredProposal stored, HttpServletRequest request) {
        return "/jobs/" + job + "/lines";
    }
}
