package taxon.app.proposals;

import jakarta.servlet.http.HttpServletRequest;
import java.util.function.BiFunction;
import org.springframework.stereotype.Component;
import taxon.app.access.People;
import taxon.app.edit.EditOutcome;
import taxon.app.edit.JobEditor;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.store.Progress;
import taxon.app.store.ProposalStore;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Where proposals of every kind wait: kept as requests, computed again when they are looked at, applied once or dropped. */
@Component
public class ProposalDesk {
    private static final String KIND = "kind";

    private final JobEditor editor;
    private final ProposalStore proposals;

    public ProposalDesk(JobEditor editor, ProposalStore proposals) {
        this.editor = editor;
        this.proposals = proposals;
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
     * Applies one, if it is open and the job is as it was.
     *
     * @param page where a browser stays when it cannot be applied
     * @param then where it goes on when it was
     * @param edit computes the edit from the plan, which is the one that it was proposed for, and the request
     */
    public Object apply(
            int job,
            StoredProposal proposal,
            HttpServletRequest request,
            String page,
            String then,
            BiFunction<Plan, JsonNode, Edit> edit) {
        Reply reply = Reply.to(request, "proposal", page);
        return editor.alone(() -> {
            // Looked at again under the lock: the form may have been posted twice.
            StoredProposal now = proposals.find(job, proposal.id()).orElse(proposal);
            if (now.state() != Progress.OPEN) {
                return reply.conflicting("This proposal was ended already; nothing was done a second time.");
            }
            EditOutcome outcome =
                    editor.apply(job, now.baseVersion(), People.of(request), plan -> edit.apply(plan, request(now)));
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
