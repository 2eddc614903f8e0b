package taxon.app.proposals;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import java.util.function.BiFunction;
import org.springframework.stereotype.Component;
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
import taxon.app.store.ProposalStore.GivenFile;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.packing.Effort;
import taxon.core.proposal.Proposal;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Proposed;
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
        return proposals.add(job, version, named(kind, request));
    }

    /**
     * Keeps a file that was given, with nothing chosen yet, and gives its number.
     *
     * @param read what the file was read as, so that it is not read again
     */
    public <R> int open(int job, long version, FileProposalKind<?, R> kind, GivenFile file, R read) {
        int id = proposals.add(job, version, named(kind.name(), Json.object()), file);
        kind.files().put(id, read, file.content().toFile().length());
        return id;
    }

    /** Keeps the file and the choices of one anew, as one that nothing was done with yet, and gives its number. */
    public int again(int job, long version, FileProposalKind<?, ?> kind, StoredProposal stored) {
        String request = named(kind.name(), (ObjectNode) request(stored));
        return proposals
                .file(
                        stored.id(),
                        content -> proposals.add(job, version, request, new GivenFile(stored.fileName(), content)))
                .orElseThrow(() -> new NotThereException("file of proposal " + stored.id()));
    }

    /** The newest of a kind that a file came with, in whatever state. */
    public Optional<StoredProposal> newestFile(int job, String kind) {
        return proposals.newestFile(job, kind);
    }

    /** Asks for it with other choices. */
    public void choose(int job, StoredProposal proposal, String kind, ObjectNode request) {
        proposals.choose(job, proposal.id(), named(kind, request));
    }

    private static String named(String kind, ObjectNode request) {
        return request.deepCopy().put(KIND, kind).toString();
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

    static String page(ProposalKind<?> kind, int job, int id) {
        return "/jobs/" + job + "/" + kind.path() + "/" + id;
    }

    /** What a proposal is, computed once for the job as it is: looking at it again, and applying it, give the same. */
    public <T extends Proposed> Running<Optional<Proposal<T>>> computed(
            ProposalKind<T> kind, StoredProposal stored, JobState state) {
        String question = kind.question(stored);
        Running<Optional<T>> content = computed.of(asked(state, question), e -> kind.compute(stored, state, e));
        return computed.derived(
                asked(state, "proposal of " + question),
                content,
                there -> there.map(c -> Proposal.of(state.plan(), state.check(), c)));
    }

    /** An answer that several questions share: a kind whose question is the same gets this very one. */
    public <T> Running<Optional<T>> computed(JobState state, String question, BiFunction<Plan, Effort, T> compute) {
        return computed.of(asked(state, question), e -> Optional.of(compute.apply(state.plan(), e)));
    }

    private static Question asked(JobState state, String words) {
        return new Question(state.job(), state.version(), words);
    }

    /** Applies one, if it is open and the job is as it was. What is not computed yet is computed before anybody has to wait. */
    <T extends Proposed> Object apply(ProposalKind<T> kind, int job, int id, HttpServletRequest request) {
        StoredProposal stored = find(job, id, kind.name());
        Reply reply = Reply.to(request, "proposal", page(kind, job, id));
        long seen = kind.followsJob() ? reply.version() : stored.baseVersion();
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        JobState state = editor.find(job).orElseThrow(() -> new NotThereException("job " + job));
        boolean current = state.version() == seen && stored.state() == Progress.OPEN;
        Optional<Proposal<T>> ready = current ? computed(kind, stored, state).get() : Optional.empty();
        Optional<String> hindrance = ready.flatMap(kind::hindrance);
        if (hindrance.isPresent()) {
            reply.fields().refuse("", hindrance.get());
            return reply.refused();
        }
        return editor.alone(job, () -> apply(new Applying<>(kind, stored, ready, seen), job, request, reply));
    }

    /** @param seen the version of the job that was looked at */
    private record Applying<T extends Proposed>(
            ProposalKind<T> kind, StoredProposal stored, Optional<Proposal<T>> ready, long seen) {
        Edit edit() {
            // Without a computed proposal the version does not fit, so that this is never applied.
            return ready.map(Proposal::edit).orElseGet(() -> new Edit("Nothing", Edit.Changed::new));
        }
    }

    private <T extends Proposed> Object apply(Applying<T> applying, int job, HttpServletRequest request, Reply reply) {
        // Looked at again under the lock: the form may have been posted twice, or the choices changed.
        StoredProposal now = find(job, applying.stored().id(), applying.kind().name());
        if (now.state() != Progress.OPEN) {
            return reply.conflicting(
                    "This was " + Json.slug(now.state()) + " already; nothing was done a second time.");
        }
        if (!now.request().equals(applying.stored().request())) {
            return reply.conflicting("Something else was chosen meanwhile; look at it again.");
        }
        Optional<String> late = applying.ready().flatMap(p -> applying.kind().prepare(now, p.content()));
        if (late.isPresent()) {
            return reply.conflicting(late.get());
        }
        EditOutcome outcome = editor.apply(job, applying.seen(), Guard.UNCHANGED_JOB, reply.who(), applying.edit());
        if (!(outcome instanceof EditOutcome.Done || outcome instanceof EditOutcome.NoChange)) {
            return reply.after(outcome);
        }
        proposals.end(job, now.id(), Progress.APPLIED);
        return reply.going(applying.kind().then(job, now, request)).after(outcome);
    }

    /** Drops one, if it is open. */
    Object drop(ProposalKind<?> kind, int job, int id, HttpServletRequest request) {
        StoredProposal stored = find(job, id, kind.name());
        Reply reply = Reply.to(request, "proposal", page(kind, job, id));
        return proposals.end(job, id, Progress.DROPPED)
                ? reply.done(
                        "Dropped; nothing has changed.",
                        kind.then(job, stored, request),
                        Json.object().put("proposal", id))
                : reply.conflicting("This was ended already; nothing has changed.");
    }
}
