package taxon.app.rig.numbering;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.edit.JobState;
import taxon.app.frame.Stage;
import taxon.app.proposals.ProposalDesk;
import taxon.app.proposals.ProposalKind;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.numbering.Numbering;
import taxon.core.numbering.NumberingProposal;
import taxon.core.numbering.NumberingRequest;
import taxon.core.numbering.NumbersRunOutException;
import taxon.core.packing.Effort;
import tools.jackson.databind.node.ObjectNode;

/** Numbers along the rig. */
@Component
public class NumberingKind implements ProposalKind<NumberingProposal> {
    public static final String NAME = "numbering";

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public String path() {
        return "numbering";
    }

    @Override
    public Stage stage() {
        return Stage.RIG;
    }

    @Override
    public String template() {
        return "rig/numbering";
    }

    @Override
    public Optional<NumberingProposal> compute(StoredProposal stored, JobState state, Effort effort) {
        try {
            return Optional.of(Numbering.propose(state.plan(), wanted(stored)));
        } catch (NumbersRunOutException outdated) {
            return Optional.empty();
        }
    }

    private static NumberingRequest wanted(StoredProposal stored) {
        return NumberingJson.read(ProposalDesk.request(stored));
    }

    @Override
    public String headline(Looked<NumberingProposal> looked) {
        return NumberingView.headline(looked.content());
    }

    @Override
    public ObjectNode json(Looked<NumberingProposal> looked) {
        return NumberingJson.write(looked.content());
    }

    @Override
    public void surround(StoredProposal stored, JobState state, HttpServletRequest request, Model model) {
        NumberingRequest wanted = wanted(stored);
        model.addAttribute("wanted", wanted);
        model.addAttribute(
                "scope", wanted.fixtures().size() == state.plan().fixtures().size() ? "all" : "chosen");
    }

    @Override
    public void show(Looked<NumberingProposal> looked, Model model) {
        model.addAttribute("proposal", NumberingView.of(looked.state().plan(), looked.content()));
    }

    @Override
    public String then(int job, StoredProposal stored, HttpServletRequest request) {
        return "/jobs/" + job + "/rig";
    }
}
