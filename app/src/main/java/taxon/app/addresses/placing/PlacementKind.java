package taxon.app.addresses.placing;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.addresses.AddressesController;
import taxon.app.edit.JobState;
import taxon.app.form.Selection;
import taxon.app.frame.Frame;
import taxon.app.frame.PageView;
import taxon.app.frame.Stage;
import taxon.app.proposals.ProposalDesk;
import taxon.app.proposals.ProposalKind;
import taxon.app.store.Progress;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.text.ProposalText;
import taxon.core.packing.Effort;
import tools.jackson.databind.node.ObjectNode;

/** Addresses that the planner found, or that were moved by hand. */
@Component
public class PlacementKind implements ProposalKind<AddressProposal> {
    public static final String NAME = "placement";

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public String path() {
        return "proposals";
    }

    @Override
    public Stage stage() {
        return Stage.ADDRESSES;
    }

    @Override
    public String template() {
        return "addresses/page";
    }

    @Override
    public boolean isSearch() {
        return true;
    }

    /** What decides the answer on a plan; the same for a proposal and for the price of its style. */
    @Override
    public String question(StoredProposal stored) {
        return Answers.question(ProposalDesk.request(stored));
    }

    @Override
    public Optional<AddressProposal> compute(StoredProposal stored, JobState state, Effort effort) {
        return Optional.of(Answers.of(state.plan(), ProposalDesk.request(stored), effort));
    }

    @Override
    public String headline(Looked<AddressProposal> looked) {
        return ProposalText.headline(looked.content());
    }

    @Override
    public boolean headlineSaysPrice() {
        return true;
    }

    @Override
    public ObjectNode json(Looked<AddressProposal> looked) {
        return PlacementAnswerJson.write(
                Answers.request(
                        ProposalDesk.request(looked.stored()), looked.state().plan()),
                looked.content());
    }

    @Override
    public void surround(StoredProposal stored, JobState state, HttpServletRequest request, Model model) {
        AddressesController.fill(state, Answers.request(ProposalDesk.request(stored), state.plan()), model);
    }

    @Override
    public void show(Looked<AddressProposal> looked, Model model) {
        model.addAttribute("proposal", ProposalView.of(looked.content()));
        boolean current = looked.stored().baseVersion() == looked.state().version();
        if (current && looked.stored().state() == Progress.OPEN) {
            showProposed(looked, model);
        }
    }

    /** What would be, in the place of what is, unless the page asks for that. */
    private static void showProposed(Looked<AddressProposal> looked, Model model) {
        PageView view = ((Frame) Objects.requireNonNull(model.getAttribute("frame"))).view();
        Optional<String> proposed =
                view.value("show").equals("now") ? Optional.empty() : ProposedTapes.of(looked, view);
        model.addAttribute("proposed", proposed.isPresent());
        proposed.ifPresent(svg -> {
            model.addAttribute("tapes", svg);
            model.addAttribute("drawnLater", false);
        });
    }

    @Override
    public String then(int job, StoredProposal stored, HttpServletRequest request) {
        return "/jobs/" + job + "/addresses"
                + Selection.read(Objects.requireNonNullElse(request.getParameter("sel"), ""))
                        .query();
    }
}
