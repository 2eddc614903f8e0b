package taxon.app.addresses.placing;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.addresses.AddressesController;
import taxon.app.addresses.wish.PlacementJson;
import taxon.app.addresses.wish.WishFields;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.form.Selection;
import taxon.app.frame.Frame;
import taxon.app.frame.Frames;
import taxon.app.frame.PageView;
import taxon.app.frame.Stage;
import taxon.app.proposals.ComputedProposals.Running;
import taxon.app.proposals.ProposalDesk;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.rig.wish.Wish;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;

/** "Place them": asks for a proposal, shows it, and applies or drops it. */
@Controller
public class ProposalController {
    public static final String KIND = "placement";

    /** How long a page waits before it shows that something is being computed. */
    private static final Duration SOON = Duration.ofMillis(300);

    private final Frames frames;
    private final ProposalDesk desk;

    public ProposalController(Frames frames, ProposalDesk desk) {
        this.frames = frames;
        this.desk = desk;
    }

    @PostMapping("/jobs/{job}/proposals")
    public Object propose(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "place", "/jobs/" + job + "/addresses");
        JobState state = frames.state(job);
        Optional<PlacementRequest> wanted =
                WishFields.request(reply.fields(), state.plan().wish().orElse(Wish.USUAL));
        if (wanted.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        int id = desk.open(job, state.version(), KIND, PlacementJson.write(wanted.get()));
        String query = Selection.of(reply.fields().keys("sel")).query();
        return reply.done(
                "Proposed; nothing has moved yet.",
                "/jobs/" + job + "/proposals/" + id + query,
                Json.object().put("proposal", id));
    }

    /** Shows it, or, while it is being computed, how far that has come. A script waits. */
    @GetMapping("/jobs/{job}/proposals/{id}")
    public Object look(@PathVariable int job, @PathVariable int id, HttpServletRequest request, Model model) {
        StoredProposal stored = desk.find(job, id, KIND);
        JobState state = frames.state(job);
        PlacementRequest wanted = Answers.request(ProposalDesk.request(stored), state.plan());
        Running<AddressProposal> running = running(stored, state);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, ProposalJson.write(stored, state.version(), wanted, running.get()));
        }
        frames.open(job, Optional.of(Stage.ADDRESSES), request, model);
        AddressesController.fill(state, wanted, model);
        Optional<AddressProposal> proposal = running.within(SOON);
        proposal.ifPresentOrElse(
                p -> show(p, stored, state, model),
                () -> model.addAttribute("running", new RunningView(id, running.percentSpent())));
        return "addresses/page";
    }

    /** A proposal that is not there yet. */
    public record RunningView(int id, int percent) {}

    private Running<AddressProposal> running(StoredProposal stored, JobState state) {
        JsonNode asked = ProposalDesk.request(stored);
        return desk.computed(state, Answers.question(asked), (plan, effort) -> Answers.of(plan, asked, effort));
    }

    private static void show(AddressProposal proposal, StoredProposal stored, JobState state, Model model) {
        boolean current = stored.baseVersion() == state.version();
        ProposalView view = ProposalView.of(stored, proposal, current);
        model.addAttribute("proposal", view);
        if (view.open() && current) {
            showProposed(state, proposal, model);
        }
    }

    /** Ends the search: what was found so far is the proposal. */
    @PostMapping("/jobs/{job}/proposals/{id}/stop")
    public Object stop(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        StoredProposal stored = desk.find(job, id, KIND);
        running(stored, frames.state(job)).stop();
        return Reply.to(request, "proposal", "/jobs/" + job + "/proposals/" + id)
                .done("Stopped; this is the best that was found.", Json.object().put("proposal", id));
    }

    /** What would be, in the place of what is, unless the page asks for that. */
    private static void showProposed(JobState state, AddressProposal proposal, Model model) {
        PageView view = ((Frame) Objects.requireNonNull(model.getAttribute("frame"))).view();
        Optional<String> proposed =
                view.value("show").equals("now") ? Optional.empty() : ProposedTapes.of(state, proposal, view);
        model.addAttribute("proposed", proposed.isPresent());
        proposed.ifPresent(svg -> {
            model.addAttribute("tapes", svg);
            model.addAttribute("drawnLater", false);
        });
    }

    @PostMapping("/jobs/{job}/proposals/{id}/apply")
    public Object apply(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        StoredProposal stored = desk.find(job, id, KIND);
        return desk.apply(
                job,
                stored,
                request,
                "/jobs/" + job + "/proposals/" + id,
                addresses(job, request),
                state -> running(stored, state),
                AddressProposal::edit);
    }

    @PostMapping("/jobs/{job}/proposals/{id}/drop")
    public Object drop(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        return desk.drop(
                job, desk.find(job, id, KIND), request, "/jobs/" + job + "/proposals/" + id, addresses(job, request));
    }

    private static String addresses(int job, HttpServletRequest request) {
        return "/jobs/" + job + "/addresses"
                + Selection.read(Objects.requireNonNullElse(request.getParameter("sel"), ""))
                        .query();
    }
}
