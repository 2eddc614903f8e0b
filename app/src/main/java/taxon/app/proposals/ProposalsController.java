package taxon.app.proposals;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobState;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.proposals.ComputedProposals.Running;
import taxon.app.proposals.ProposalKind.Looked;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.proposal.Proposal;
import taxon.core.rig.edit.Proposed;
import taxon.formats.json.Json;

/** Looks at proposals of every kind, applies, drops and stops them. */
@Controller
public class ProposalsController {
    private static final String ONE =
            "/jobs/{job}/{kind:proposals|numbering|arranging|changes|cells|counting|ip-plan|line-plan|routes|imports|scenes|found|comparisons|take-overs}/{id}";

    /** How long a page waits before it shows that something is being computed. */
    private static final Duration SOON = Duration.ofMillis(300);

    private final Frames frames;
    private final ProposalDesk desk;
    private final Map<String, ProposalKind<?>> kinds;

    public ProposalsController(Frames frames, ProposalDesk desk, List<ProposalKind<?>> kinds) {
        this.frames = frames;
        this.desk = desk;
        this.kinds = kinds.stream().collect(Collectors.toMap(ProposalKind::path, Function.identity()));
    }

    private ProposalKind<?> kind(String path) {
        return Optional.<ProposalKind<?>>ofNullable(kinds.get(path))
                .orElseThrow(() -> new NotThereException("kind of proposal " + path));
    }

    /** Shows it, or, while it is being computed, how far that has come. A script waits. */
    @GetMapping(ONE)
    public Object look(
            @PathVariable int job,
            @PathVariable String kind,
            @PathVariable int id,
            HttpServletRequest request,
            Model model) {
        return look(kind(kind), job, id, request, model);
    }

    private <T extends Proposed> Object look(
            ProposalKind<T> kind, int job, int id, HttpServletRequest request, Model model) {
        StoredProposal stored = desk.find(job, id, kind.name());
        JobState state = frames.state(job);
        Running<Optional<Proposal<T>>> running = desk.computed(kind, stored, state);
        if (Reply.wantsJson(request)) {
            Optional<Looked<T>> looked = running.get().map(p -> new Looked<>(stored, state, p));
            return Reply.json(HttpStatus.OK, ProposalJson.write(kind, stored, state.version(), looked));
        }
        Optional<Optional<Proposal<T>>> there = running.within(SOON);
        frames.open(job, Optional.of(kind.stage()), request, model);
        kind.surround(stored, state, request, model);
        if (there.isEmpty()) {
            model.addAttribute("framed", ProposalFrame.without(kind, "running", stored, running.percentSpent()));
        } else if (there.get().isEmpty()) {
            model.addAttribute("framed", ProposalFrame.without(kind, "outdated", stored, 100));
        } else {
            Looked<T> looked = new Looked<>(stored, state, there.get().get());
            model.addAttribute("framed", ProposalFrame.of(kind, looked));
            kind.show(looked, model);
        }
        return kind.template();
    }

    /** Applies it, if it is open and the job is as it was. */
    @PostMapping(ONE + "/apply")
    public Object apply(
            @PathVariable int job, @PathVariable String kind, @PathVariable int id, HttpServletRequest request) {
        return desk.apply(kind(kind), job, id, request);
    }

    /** Drops it, if it is open. */
    @PostMapping(ONE + "/drop")
    public Object drop(
            @PathVariable int job, @PathVariable String kind, @PathVariable int id, HttpServletRequest request) {
        return desk.drop(kind(kind), job, id, request);
    }

    /** Ends the search: what was found so far is the proposal. */
    @PostMapping(ONE + "/stop")
    public Object stop(
            @PathVariable int job, @PathVariable String kind, @PathVariable int id, HttpServletRequest request) {
        ProposalKind<?> of = kind(kind);
        StoredProposal stored = desk.find(job, id, of.name());
        Reply reply = Reply.to(request, "proposal", ProposalDesk.page(of, job, id));
        if (!of.isSearch()) {
            return reply.conflicting("This is no search that could be stopped; it is computed to its end.");
        }
        desk.computed(of, stored, frames.state(job)).stop();
        return reply.done(
                "Stopped; this is the best that was found.", Json.object().put("proposal", id));
    }
}
