package taxon.app.addresses;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobState;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.app.web.Fields;
import taxon.app.web.Frames;
import taxon.app.web.ProposalDesk;
import taxon.app.web.Reply;
import taxon.app.web.Selection;
import taxon.app.web.Stage;
import taxon.core.addressing.InOrderPlanner;
import taxon.core.addressing.PlacementRequest;
import taxon.core.addressing.PlacementRequest.Scope;
import taxon.core.addressing.Proposal;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.FixtureKey;
import taxon.formats.json.Json;

/** "Place them": asks for a proposal, shows it, and applies or drops it. */
@Controller
class ProposalController {
    private static final String KIND = "placement";

    private final Frames frames;
    private final ProposalDesk desk;

    ProposalController(Frames frames, ProposalDesk desk) {
        this.frames = frames;
        this.desk = desk;
    }

    @PostMapping("/jobs/{job}/proposals")
    Object propose(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "place", "/jobs/" + job + "/addresses");
        JobState state = frames.state(job);
        Optional<PlacementRequest> wanted = read(reply.fields());
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

    private static Optional<PlacementRequest> read(Fields fields) {
        Optional<Scope> scope = fields.build(
                "scope", () -> PlacementJson.scope(fields.has("scope") ? fields.text("scope") : "unplaced"));
        Optional<StartAddress> from = fields.address("from");
        Optional<Integer> gap = fields.number("gap", "gap", 0, PlacementRequest.MOST_GAP);
        Set<FixtureKey> chosen = new TreeSet<>(fields.keys("sel"));
        if (scope.equals(Optional.of(Scope.CHOSEN)) && chosen.isEmpty()) {
            fields.refuse("scope", "No fixture is chosen; choose some on the tapes or the rig first.");
        }
        return fields.isFaulty()
                ? Optional.empty()
                : Optional.of(new PlacementRequest(scope.orElseThrow(), chosen, from.orElseThrow(), gap.orElseThrow()));
    }

    @GetMapping("/jobs/{job}/proposals/{id}")
    Object look(@PathVariable int job, @PathVariable int id, HttpServletRequest request, Model model) {
        StoredProposal stored = desk.find(job, id, KIND);
        JobState state = frames.state(job);
        PlacementRequest wanted = PlacementJson.read(ProposalDesk.request(stored));
        Proposal proposal = InOrderPlanner.propose(state.plan(), wanted);
        boolean current = stored.baseVersion() == state.version();
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, ProposalJson.write(stored, state.version(), wanted, proposal));
        }
        frames.open(job, Optional.of(Stage.ADDRESSES), request, model);
        AddressesController.fill(state, model);
        model.addAttribute("wanted", PlacementJson.write(wanted));
        model.addAttribute("proposal", ProposalView.of(stored, proposal, current));
        return "addresses/page";
    }

    @PostMapping("/jobs/{job}/proposals/{id}/apply")
    Object apply(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        return desk.apply(
                job,
                desk.find(job, id, KIND),
                request,
                "/jobs/" + job + "/proposals/" + id,
                addresses(job, request),
                (plan, wanted) ->
                        InOrderPlanner.propose(plan, PlacementJson.read(wanted)).edit());
    }

    @PostMapping("/jobs/{job}/proposals/{id}/drop")
    Object drop(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        return desk.drop(
                job, desk.find(job, id, KIND), request, "/jobs/" + job + "/proposals/" + id, addresses(job, request));
    }

    private static String addresses(int job, HttpServletRequest request) {
        return "/jobs/" + job + "/addresses"
                + Selection.read(Objects.requireNonNullElse(request.getParameter("sel"), ""))
                        .query();
    }
}
