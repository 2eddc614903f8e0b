package taxon.app.network;

import jakarta.servlet.http.HttpServletRequest;
import taxon.app.frame.Stage;
import taxon.app.proposals.ProposalKind;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.rig.edit.Proposed;

/** A proposal about the network: its address and its page are called as it is, and it leads back to the stage. */
interface NetworkKind<T extends Proposed> extends ProposalKind<T> {
    @Override
    default String path() {
        return name();
    }

    @Override
    default Stage stage() {
        return Stage.NETWORK;
    }

    @Override
    default String template() {
        return "network/" + name();
    }

    @Override
    default String then(int job, StoredProposal stored, HttpServletRequest request) {
        return "/jobs/" + job + "/network";
    }
}
