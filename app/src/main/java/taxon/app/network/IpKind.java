package taxon.app.network;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.edit.JobState;
import taxon.app.proposals.ProposalDesk;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.ipplan.IpProposal;
import taxon.core.network.IpRules;
import taxon.core.network.NetworkRules;
import taxon.core.packing.Effort;
import taxon.formats.json.ElementJson;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** An address in the job's range for every box. */
@Component
class IpKind implements NetworkKind<IpProposal> {
    static final String NAME = "ip-plan";
    private static final String ANEW = "anew";

    /** A box before and after, in words. */
    record Line(int box, String name, String kind, String before, String after, String why) {
        static Line of(IpProposal.Move move) {
            return new Line(
                    move.box().number(),
                    move.box().name(),
                    move.box().kind().words(),
                    move.before().map(Object::toString).orElse("none"),
                    move.after().toString(),
                    move.why().words());
        }
    }

    /** @param left boxes for which the range has no room */
    record View(String range, List<Line> moves, List<String> left) {}

    /** What is asked for, as it is kept. */
    static ObjectNode request(IpRules rules, boolean anew) {
        return ElementJson.write(NetworkRules.USUAL.with(rules)).put(ANEW, anew);
    }

    private static IpRules rules(StoredProposal stored) {
        JsonNode request = ProposalDesk.request(stored);
        return ElementJson.readRules(NetworkRules.USUAL.counting(), request)
                .ip()
                .orElseThrow();
    }

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public Optional<IpProposal> compute(StoredProposal stored, JobState state, Effort effort) {
        boolean anew = ProposalDesk.request(stored).path(ANEW).asBoolean(false);
        return Optional.of(IpProposal.of(state.plan(), rules(stored), anew));
    }

    @Override
    public String headline(Looked<IpProposal> looked) {
        int moves = looked.content().moves().size();
        String changes = moves == 0
                ? "no address changes"
                : moves == 1 ? "1 box is to be set anew" : moves + " boxes are to be set anew";
        return changes + ", " + looked.content().staying() + (looked.content().staying() == 1 ? " stays" : " stay");
    }

    private static View view(Looked<IpProposal> looked) {
        return new View(
                rules(looked.stored()).range().toString(),
                looked.content().moves().stream().map(Line::of).toList(),
                looked.content().omissions().stream()
                        .map(IpProposal.NoRoom::who)
                        .toList());
    }

    @Override
    public ObjectNode json(Looked<IpProposal> looked) {
        View view = view(looked);
        ObjectNode body = Json.object().put("range", view.range());
        ArrayNode moves = body.putArray("moves");
        view.moves()
                .forEach(m -> moves.addObject()
                        .put("box", m.box())
                        .put("name", m.name())
                        .put("before", m.before())
                        .put("after", m.after())
                        .put("why", m.why()));
        ArrayNode left = body.putArray("noRoom");
        view.left().forEach(left::add);
        return body;
    }

    @Override
    public void show(Looked<IpProposal> looked, Model model) {
        model.addAttribute("proposal", view(looked));
    }
}
