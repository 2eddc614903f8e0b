package taxon.app.rig.positions;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.edit.JobState;
import taxon.app.frame.Stage;
import taxon.app.proposals.ProposalDesk;
import taxon.app.proposals.ProposalKind;
import taxon.app.rig.RigPages;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.arranging.Arranging;
import taxon.core.arranging.ArrangingProposal;
import taxon.core.packing.Effort;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Units spread along their positions. */
@Component
public class ArrangingKind implements ProposalKind<ArrangingProposal> {
    public static final String NAME = "arranging";

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public String path() {
        return "arranging";
    }

    @Override
    public Stage stage() {
        return Stage.RIG;
    }

    @Override
    public String template() {
        return "rig/arranging";
    }

    @Override
    public Optional<ArrangingProposal> compute(StoredProposal stored, JobState state, Effort effort) {
        JsonNode wanted = ProposalDesk.request(stored);
        try {
            return Optional.of(
                    Arranging.propose(state.plan(), ArrangingJson.fixtures(wanted), ArrangingJson.spread(wanted)));
        } catch (IllegalArgumentException outdated) {
            // The units were moved meanwhile, so that some would hang too far away now.
            return Optional.empty();
        }
    }

    @Override
    public String headline(Looked<ArrangingProposal> looked) {
        return looked.content().title();
    }

    @Override
    public ObjectNode json(Looked<ArrangingProposal> looked) {
        return ArrangingJson.write(looked.content());
    }

    @Override
    public void show(Looked<ArrangingProposal> looked, Model model) {
        model.addAttribute("proposal", ArrangingView.of(looked.state().plan(), looked.content()));
    }

    @Override
    public String then(int job, StoredProposal stored, HttpServletRequest request) {
        return RigPages.rig(job, request);
    }
}
