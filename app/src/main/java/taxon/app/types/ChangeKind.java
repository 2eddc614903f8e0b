package taxon.app.types;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.edit.JobState;
import taxon.app.form.Selection;
import taxon.app.frame.Stage;
import taxon.app.proposals.ProposalDesk;
import taxon.app.proposals.ProposalKind;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.modes.ChangeProposal;
import taxon.core.modes.ChangeRequest;
import taxon.core.modes.ModeChange;
import taxon.core.packing.Effort;
import taxon.core.rig.FixtureKey;
import tools.jackson.databind.node.ObjectNode;

/** Other types and modes for fixtures. */
@Component
public class ChangeKind implements ProposalKind<ChangeProposal> {
    public static final String NAME = "change";

    private final ChangeForm form;

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public String path() {
        return "changes";
    }

    @Override
    public Stage stage() {
        return Stage.TYPES;
    }

    @Override
    public String template() {
        return "types/change";
    }

    ChangeKind(ChangeForm form) {
        this.form = form;
    }

    @Override
    public Optional<ChangeProposal> compute(StoredProposal stored, JobState state, Effort effort) {
        try {
            return Optional.of(ModeChange.propose(state.plan(), wanted(stored)));
        } catch (IllegalArgumentException outdated) {
            // The job has changed so that what was asked for cannot be done any more.
            return Optional.empty();
        }
    }

    private static ChangeRequest wanted(StoredProposal stored) {
        return ChangeJson.read(ProposalDesk.request(stored));
    }

    @Override
    public String headline(Looked<ChangeProposal> looked) {
        return ChangeText.headline(looked.content());
    }

    @Override
    public boolean headlineSaysPrice() {
        return true;
    }

    @Override
    public ObjectNode json(Looked<ChangeProposal> looked) {
        return ChangeJson.write(looked.content());
    }

    @Override
    public void surround(StoredProposal stored, JobState state, HttpServletRequest request, Model model) {
        form.fill(state, request, model);
    }

    @Override
    public void show(Looked<ChangeProposal> looked, Model model) {
        model.addAttribute("proposal", ChangeView.of(looked.content()));
    }

    /** The tapes, with the changed fixtures chosen. */
    @Override
    public String then(int job, StoredProposal stored, HttpServletRequest request) {
        List<FixtureKey> keys = wanted(stored).switches().stream()
                .flatMap(s -> s.fixtures().stream())
                .toList();
        return "/jobs/" + job + "/addresses"
                + (keys.size() > 100 ? "" : Selection.of(keys).query());
    }
}
