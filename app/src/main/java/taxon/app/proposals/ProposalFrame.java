package taxon.app.proposals;

import java.util.List;
import taxon.app.edit.JobState;
import taxon.app.frame.FindingView;
import taxon.app.proposals.ProposalKind.Looked;
import taxon.app.store.Progress;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.proof.Price;
import taxon.core.rig.Refusal;
import taxon.core.rig.edit.Proposed;

/**
 * What stands around a proposal of any kind on its page.
 *
 * @param path of the page, without the job: "cells/7"
 * @param state "running", "outdated" or "there"
 * @param search true when it can be stopped
 * @param percent how much of the search is spent while it is running
 * @param nothing true when there is nothing to apply
 * @param hindrances why it cannot be applied
 * @param brought what it would bring: the first findings, worst first
 * @param more how many further ones there are
 * @param price "5 units are to be set again"; empty when none
 */
public record ProposalFrame(
        int id,
        String path,
        String state,
        boolean open,
        boolean applied,
        boolean current,
        boolean search,
        int percent,
        String headline,
        boolean nothing,
        List<String> hindrances,
        List<FindingView> brought,
        int more,
        String price) {
    private static final int TOLD = 6;

    static ProposalFrame without(ProposalKind<?> kind, String state, StoredProposal stored, int percent) {
        return new ProposalFrame(
                stored.id(),
                kind.path() + "/" + stored.id(),
                state,
                isOpen(stored),
                isApplied(stored),
                true,
                kind.isSearch(),
                percent,
                "",
                true,
                List.of(),
                List.of(),
                0,
                "");
    }

    static <T extends Proposed> ProposalFrame of(ProposalKind<T> kind, Looked<T> looked) {
        StoredProposal stored = looked.stored();
        List<String> hindrances = new java.util.ArrayList<>(looked.proposal().refusals().stream()
                .map(Refusal::sentence)
                .distinct()
                .limit(TOLD)
                .toList());
        kind.hindrance(looked.proposal()).ifPresent(hindrances::add);
        return new ProposalFrame(
                stored.id(),
                kind.path() + "/" + stored.id(),
                "there",
                isOpen(stored),
                isApplied(stored),
                isCurrent(kind, stored, looked.state()),
                kind.isSearch(),
                100,
                kind.headline(looked),
                looked.proposal().changesNothing() || !hindrances.isEmpty(),
                hindrances,
                looked.proposal().brought().stream()
                        .limit(TOLD)
                        .map(FindingView::of)
                        .toList(),
                Math.max(0, looked.proposal().brought().size() - TOLD),
                kind.headlineSaysPrice() ? "" : words(looked.proposal().price()));
    }

    private static boolean isOpen(StoredProposal stored) {
        return stored.state() == Progress.OPEN;
    }

    private static boolean isApplied(StoredProposal stored) {
        return stored.state() == Progress.APPLIED;
    }

    static boolean isCurrent(ProposalKind<?> kind, StoredProposal stored, JobState state) {
        return kind.followsJob() || stored.baseVersion() == state.version();
    }

    private static String words(Price price) {
        return switch (price.touched()) {
            case 0 -> "";
            case 1 -> "1 unit is to be set again.";
            default -> price.touched() + " units are to be set again.";
        };
    }
}
