package taxon.app.rig.table;

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
import taxon.core.packing.Effort;
import taxon.core.rigtable.TableProposal;
import tools.jackson.databind.node.ObjectNode;

/** Cells that were filled, counted on or pasted. */
@Component
public class TableEditKind implements ProposalKind<TableProposal> {
    public static final String NAME = "cells";

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public String path() {
        return "cells";
    }

    @Override
    public Stage stage() {
        return Stage.RIG;
    }

    @Override
    public String template() {
        return "rig/cells";
    }

    @Override
    public Optional<TableProposal> compute(StoredProposal stored, JobState state, Effort effort) {
        TableEditJson.Wanted wanted = wanted(stored);
        return Optional.of(TableProposal.of(state.plan(), wanted.title(), wanted.changes()));
    }

    private static TableEditJson.Wanted wanted(StoredProposal stored) {
        return TableEditJson.read(ProposalDesk.request(stored));
    }

    @Override
    public String headline(Looked<TableProposal> looked) {
        return wanted(looked.stored()).title() + ": "
                + TableEditView.changes(looked.content().work());
    }

    @Override
    public ObjectNode json(Looked<TableProposal> looked) {
        return TableEditJson.write(wanted(looked.stored()), looked.content().work());
    }

    @Override
    public void show(Looked<TableProposal> looked, Model model) {
        model.addAttribute(
                "proposal",
                TableEditView.of(wanted(looked.stored()), looked.content().work()));
    }

    @Override
    public String then(int job, StoredProposal stored, HttpServletRequest request) {
        return RigPages.rig(job, request);
    }
}
