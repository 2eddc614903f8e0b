package taxon.app.addresses.placing;

import java.util.Optional;
import taxon.app.addresses.tapes.TapesDrawing;
import taxon.app.addresses.tapes.TapesSvg;
import taxon.app.addresses.tapes.TintBy;
import taxon.app.edit.JobState;
import taxon.app.form.Selection;
import taxon.app.frame.PageView;
import taxon.app.proposals.ProposalKind.Looked;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.finding.PlanCheck;
import taxon.core.rig.edit.Edit;

/** The tapes as they would be if a proposal were applied, with what moves marked. Nothing is dragged there. */
public final class ProposedTapes {
    private ProposedTapes() {}

    /** Empty when nothing moves, or the proposal would be refused. */
    public static Optional<String> of(Looked<AddressProposal> looked, PageView view) {
        JobState state = looked.state();
        if (looked.proposal().changesNothing()
                || !(looked.proposal().edit().applyTo(state.plan()) instanceof Edit.Changed changed)) {
            return Optional.empty();
        }
        Selection moved = Selection.of(looked.content().moves().stream()
                .map(m -> m.block().fixture().key())
                .distinct()
                .toList());
        PlanCheck check = PlanCheck.of(changed.plan(), state.shop());
        JobState after = new JobState(state.job(), state.version(), changed.plan(), check, state.shop());
        TintBy tints = TintBy.of(changed.plan(), view.value("tint"));
        return Optional.of(TapesSvg.fixed(TapesDrawing.proposed(after, moved, tints), state.job()));
    }
}
