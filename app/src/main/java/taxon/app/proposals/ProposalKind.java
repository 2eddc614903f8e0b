package taxon.app.proposals;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.ui.Model;
import taxon.app.edit.JobState;
import taxon.app.frame.Stage;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.packing.Effort;
import taxon.core.proposal.Proposal;
import taxon.core.rig.edit.Proposed;
import tools.jackson.databind.node.ObjectNode;

/**
 * A kind of proposal: what it computes and how it is drawn. Keeping, looking, applying once, dropping and stopping are the same
 * for all kinds, and so are the frame of the page and the answer to a script.
 *
 * @param <T> what it computes
 */
public interface ProposalKind<T extends Proposed> {
    /** Its name in the store, "numbering". */
    String name();

    /** Its part of the address of a page, "cells" in {@code /jobs/1/cells/7}. */
    String path();

    Stage stage();

    /** The template of its page. */
    String template();

    /** Computes what is proposed; empty when the job has changed so that it cannot be computed any more. */
    Optional<T> compute(StoredProposal stored, JobState state, Effort effort);

    /** True when computing it is a search that heeds its effort, so that it can be stopped and shows how far it is. */
    default boolean isSearch() {
        return false;
    }

    /** All that decides the answer beside the job as it is. */
    default String question(StoredProposal stored) {
        return name() + " " + stored.id() + " " + stored.request();
    }

    /** The heading of the proposal: "12 numbers change, 3 stay". */
    String headline(Looked<T> looked);

    /** True when the headline says already who must be set again. */
    default boolean headlineSaysPrice() {
        return false;
    }

    /** What a script gets beside what all kinds answer. */
    ObjectNode json(Looked<T> looked);

    /** Puts into the page what stands around the proposal, also where it is not computed yet or cannot be any more. */
    default void surround(StoredProposal stored, JobState state, HttpServletRequest request, Model model) {}

    /** Puts into the page what is proposed. */
    void show(Looked<T> looked, Model model);

    /** Where a browser goes on after it was applied or dropped. */
    String then(int job, StoredProposal stored, HttpServletRequest request);

    /** True for one that is computed for the job as it is when it is looked at, and not for the job that it was made on. */
    default boolean followsJob() {
        return false;
    }

    /** Why it cannot be applied, beside what the core refuses; empty when it can. */
    default Optional<String> hindrance(Proposal<T> proposal) {
        return Optional.empty();
    }

    /** Does what must be done before it is applied; a sentence when it cannot be applied any more. */
    default Optional<String> prepare(StoredProposal stored, T content) {
        return Optional.empty();
    }

    /** One that was computed for a state of its job. */
    record Looked<T extends Proposed>(StoredProposal stored, JobState state, Proposal<T> proposal) {
        public T content() {
            return proposal.content();
        }
    }
}
