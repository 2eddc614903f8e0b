package taxon.app.variants;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.frame.Stage;
import taxon.app.proposals.ProposalDesk;
import taxon.app.proposals.ProposalKind;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.app.store.RevisionStore;
import taxon.app.store.VariantStore;
import taxon.core.packing.Effort;
import taxon.core.rig.ElementKey;
import taxon.core.rig.Plan;
import taxon.core.text.Counted;
import taxon.core.variant.TakeOver;
import taxon.core.variant.WithoutEvidence;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What a variant, or a revision, has otherwise, taken over into the job in whole or in parts. */
@Component
class TakeOverKind implements ProposalKind<TakeOver.Proposal> {
    static final String NAME = "take-over";
    static final String ALL = "all";

    private final JobEditor editor;
    private final VariantStore variants;
    private final RevisionStore revisions;

    TakeOverKind(JobEditor editor, VariantStore variants, RevisionStore revisions) {
        this.editor = editor;
        this.variants = variants;
        this.revisions = revisions;
    }

    /** Where it comes from. */
    enum From {
        VARIANT,
        REVISION
    }

    /**
     * What is asked for.
     *
     * @param job into which it is taken
     * @param which the job that is the variant, or the letters of the revision
     */
    record Asked(int job, From from, String which, boolean all, Set<String> parts) {
        static Asked read(JsonNode stored) {
            return new Asked(
                    stored.path("job").asInt(),
                    From.valueOf(stored.path("from").asString(From.VARIANT.name())),
                    stored.path("which").asString(""),
                    stored.path(ALL).asBoolean(true),
                    stored.path("parts").valueStream().map(JsonNode::asString).collect(Collectors.toSet()));
        }

        ObjectNode json() {
            ObjectNode node = Json.object()
                    .put("job", job)
                    .put("from", from.name())
                    .put("which", which)
                    .put(ALL, all);
            parts.stream().sorted().forEach(node.putArray("parts")::add);
            return node;
        }

        boolean takes(ElementKey key) {
            return all || parts.contains(key.toString());
        }
    }

    static Asked asked(StoredProposal stored) {
        return Asked.read(ProposalDesk.request(stored));
    }

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public String path() {
        return "take-overs";
    }

    @Override
    public Stage stage() {
        return Stage.HANDOVER;
    }

    @Override
    public String template() {
        return "variants/take-over";
    }

    @Override
    public boolean followsJob() {
        return true;
    }

    /** A variant may be edited on. */
    @Override
    public String question(StoredProposal stored) {
        Asked asked = asked(stored);
        String at = asked.from() == From.VARIANT
                ? editor.find(Integer.parseInt(asked.which()))
                        .map(s -> " at " + s.version())
                        .orElse(" gone")
                : "";
        return ProposalKind.super.question(stored) + at;
    }

    @Override
    public Optional<TakeOver.Proposal> compute(StoredProposal stored, JobState state, Effort effort) {
        Asked asked = asked(stored);
        Plan now = state.plan();
        return switch (asked.from()) {
            case REVISION ->
                revisions
                        .find(asked.job(), asked.which())
                        .map(r -> revisions.plan(asked.job(), r))
                        .map(p -> TakeOver.propose(
                                now,
                                WithoutEvidence.of(now),
                                WithoutEvidence.of(p),
                                "Revision " + asked.which() + " restored",
                                asked::takes));
            case VARIANT -> {
                int job = Integer.parseInt(asked.which());
                yield editor.find(job)
                        .flatMap(s -> variants.find(job)
                                .map(v -> TakeOver.propose(
                                        now,
                                        WithoutEvidence.of(v.base()),
                                        WithoutEvidence.of(s.plan()),
                                        "Taken over from " + s.plan().sheet().name(),
                                        asked::takes)));
            }
        };
    }

    @Override
    public String headline(Looked<TakeOver.Proposal> looked) {
        TakeOver.Proposal proposal = looked.content();
        long taken = proposal.parts().stream().filter(TakeOver.Part::taken).count();
        return Counted.of(taken, "part") + " taken over, " + proposal.staying() + " left";
    }

    @Override
    public ObjectNode json(Looked<TakeOver.Proposal> looked) {
        ObjectNode body = Json.object().put("takeOver", looked.stored().id());
        var parts = body.putArray("parts");
        looked.content().parts().forEach(p -> {
            ObjectNode part = parts.addObject()
                    .put("part", p.key().toString())
                    .put("taken", p.taken())
                    .put("changedHereToo", p.both());
            var lines = part.putArray("lines");
            p.lines()
                    .forEach(l -> lines.addObject()
                            .put("who", l.who())
                            .put("what", l.what())
                            .put("before", l.before())
                            .put("after", l.after()));
        });
        return body;
    }

    @Override
    public void show(Looked<TakeOver.Proposal> looked, Model model) {
        Asked asked = asked(looked.stored());
        model.addAttribute("parts", looked.content().parts());
        model.addAttribute(
                "from",
                asked.from() == From.REVISION
                        ? "revision " + asked.which()
                        : editor.find(Integer.parseInt(asked.which()))
                                .map(s -> s.plan().sheet().name())
                                .orElse("a variant"));
    }

    @Override
    public String then(int job, StoredProposal stored, HttpServletRequest request) {
        return "/jobs/" + job + (asked(stored).from() == From.VARIANT ? "/variants" : "/handover");
    }
}
