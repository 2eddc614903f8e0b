package taxon.app.network;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.edit.JobState;
import taxon.app.proposals.ProposalDesk;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.counting.CountingProposal;
import taxon.core.network.Counting;
import taxon.core.network.RouteWords;
import taxon.core.packing.Effort;
import taxon.formats.json.ElementJson;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** All universes numbered by one rule. */
@Component
class CountingKind implements NetworkKind<CountingProposal> {
    static final String NAME = "counting";

    /** A universe before and after, in words. */
    record Line(int universe, String label, String before, String after) {
        static Line of(CountingProposal.Move move) {
            return new Line(
                    move.universe().number().number(),
                    move.universe().label(),
                    RouteWords.allNotations(move.before()),
                    RouteWords.allNotations(move.after()));
        }
    }

    /** @param beyond universes for which the rule has no number */
    record View(List<Line> moves, List<String> beyond) {
        static View of(CountingProposal proposal) {
            return new View(
                    proposal.moves().stream().map(Line::of).toList(),
                    proposal.omissions().stream()
                            .map(CountingProposal.Beyond::who)
                            .toList());
        }
    }

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public Optional<CountingProposal> compute(StoredProposal stored, JobState state, Effort effort) {
        return Optional.of(CountingProposal.of(state.plan(), counting(stored)));
    }

    private static Counting counting(StoredProposal stored) {
        return ElementJson.readCounting(ProposalDesk.request(stored));
    }

    @Override
    public String headline(Looked<CountingProposal> looked) {
        int moves = looked.content().moves().size();
        return (moves == 0 ? "no number changes" : moves == 1 ? "1 number changes" : moves + " numbers change") + ", "
                + looked.content().staying() + " stay";
    }

    @Override
    public ObjectNode json(Looked<CountingProposal> looked) {
        ObjectNode body = ElementJson.write(counting(looked.stored()));
        ArrayNode moves = body.putArray("moves");
        View.of(looked.content())
                .moves()
                .forEach(m -> moves.addObject()
                        .put("universe", m.universe())
                        .put("before", m.before())
                        .put("after", m.after()));
        ArrayNode beyond = body.putArray("beyond");
        looked.content()
                .omissions()
                .forEach(b -> beyond.add(b.universe().number().number()));
        return body;
    }

    @Override
    public void show(Looked<CountingProposal> looked, Model model) {
        model.addAttribute("proposal", View.of(looked.content()));
    }
}
