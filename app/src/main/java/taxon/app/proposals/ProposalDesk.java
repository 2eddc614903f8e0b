package taxon.app.proposals;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import taxon.app.access.People;
import taxon.app.edit.EditOutcome;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.proposals.ComputedProposals.Question;
import taxon.app.proposals.ComputedProposals.Running;
import taxon.app.store.Progress;
import taxon.app.store.ProposalStore;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.packing.Effort;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Where proposals of every kind wait: kept as requests, computed once, looked at, applied once or dropped. */
@Component
public class ProposalDesk {
    private static final String KIND = "kind";

    private final JobEditor editor;
    private final ProposalStore proposals;
    private final ComputedProposals computed;

    public ProposalDesk(JobEditor editor, ProposalStore proposals, ComputedProposals computed) {
        this.editor = editor;
        this.proposals = proposals;
        this.computed = computed;
    }

    /** Keeps a request and gives its number. */
    public int open(int job, long version, String kind, ObjectNode request) {
        ObjectNode kept = request.deepCopy().put(KIND, kind);
        return editor.alone(() -> proposals.add(job, version, kept.toString()));
    }

    /** @throws NotThereException when there is none of that number and kind */
    public StoredProposal find(int job, int id, String kind) {
        return proposals
                .find(job, id)
                .filter(p -> Json.parse(p.request()).path(KIND).asString("").equals(kind))
                .orElseThrow(() -> new NotThereException("proposal " + id));
    }

    public static JsonNode request(StoredProposal proposal) {
        return Json.parse(proposal.request());
    }

    /**
     * What a proposal is, computed once for the job as it is: looking at it again, and applying it, give the same.
     *
     * @param compute from the plan and the request, with so much effort
     */
    public <T> Running<T> computed(StoredProposal proposal, JobState state, BiFunction<Plan, Effort, T> compute) {
        return computed(state, "proposal " + proposal.id(), compute);
    }

    /** As {@link #computed(StoredProposal, JobState, BiFunction)}, for a question that several may ask. */
    public <T> Running<T> computed(JobState state, String question, BiFunction<Plan, Effort, T> compute) {
        return computed.of(new Question(state.job(), state.version(), question), e -> compute.apply(state.plan(), e));
    }

    /**
     * Applies one, if it is open and the job is as it was. What is not computed yet is computed before anybody has to wait.
     *
     * @param page where a browser stays when it cannot be applied
     * @param then where it goes on when it was
     * @param compute gives what was computed for the job as it is
     * @param edit the edit of what was computed
     */
    public <T> Object apply(
            int job,
            StoredProposal proposal,
            HttpServletRequest request,
            String page,
            String then,
            Function<JobState, Running<T>> compute,
            Function<T, Edit> edit) {
        Reply reply = Reply.to(request, "proposal", page);
        JobState state = editor.find(job).orElseThrow(() -> new NotThereException("job " + job));
        boolean current = state.version() == proposal.baseVersion() && proposal.state() == Progress.OPEN;
        Optional<Edit> ready =
                current ? Optional.of(edit.apply(compute.apply(state).get())) : Optional.empty();
        return editor.alone(() -> {
            // Looked at again under the lock: the form may have been posted twice.
            StoredProposal now = proposals.find(job, proposal.id()).orElse(proposal);
            if (now.state() != Progress.OPEN) {
                return reply.conflicting("This proposal was ended already; nothing was done a second time.");
            }
            EditOutcome outcome = editor.apply(
                    job,
                    now.baseVersion(),
                    Guard.UNCHANGED_JOB,
                    People.of(request),
                    ready.orElseGet(() -> new Edit("Nothing", Edit.Changed::new)));
            if (!(outcome instanceof EditOutcome.Done || outcome instanceof EditOutcome.NoChange)) {
                return reply.after(outcome);
            }
            proposals.end(job, now.id(), Progress.APPLIED);
            return Reply.to(request, "proposal", then).after(outcome);
        });
    }

    /** Drops one, if it is open. */
    public Object drop(int job, StoredProposal proposal, HttpServletRequest request, String page, String then) {
        Reply reply = Reply.to(request, "proposal", page);
        return editor.alone(() -> proposals.end(job, proposal.id(), Progress.DROPPED))
                ? reply.done(
                        "Dropped; nothing has changed.", then, Json.object().put("proposal", proposal.id()))
                : reply.conflicting("This proposal was ended already.");
    }
}
