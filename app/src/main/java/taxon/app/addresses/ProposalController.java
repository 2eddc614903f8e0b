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
import taxon.app.edit.EditOutcome;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.store.Progress;
import taxon.app.store.ProposalStore;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.app.web.Fields;
import taxon.app.web.Frames;
import taxon.app.web.NotThereException;
import taxon.app.web.People;
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
    private final Frames frames;
    private final JobEditor editor;
    private final ProposalStore proposals;

    ProposalController(Frames frames, JobEditor editor, ProposalStore proposals) {
        this.frames = frames;
        this.editor = editor;
        this.proposals = proposals;
    }

    @PostMapping("/jobs/{job}/proposals")
    Object propose(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "place", "/jobs/" + job + "/addresses");
        JobState state = frames.state(job);
        Optional<PlacementRequest> wanted = read(reply.fields());
        if (wanted.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        int id = editor.alone(() -> proposals.add(
                job, state.version(), PlacementJson.write(wanted.get()).toString()));
        String query = new Selection(reply.fields().keys("sel")).query();
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
        StoredProposal stored = stored(job, id);
        JobState state = frames.state(job);
        PlacementRequest wanted = PlacementJson.read(Json.parse(stored.request()));
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
        String page = "/jobs/" + job + "/proposals/" + id;
        Reply reply = Reply.to(request, "proposal", page);
        return editor.alone(() -> {
            StoredProposal stored = stored(job, id);
            if (stored.state() != Progress.OPEN) {
                return reply.conflicting("This proposal was ended already; nothing was moved a second time.");
            }
            Proposal proposal =
                    InOrderPlanner.propose(frames.state(job).plan(), PlacementJson.read(Json.parse(stored.request())));
            EditOutcome outcome =
                    editor.apply(job, stored.baseVersion(), Guard.UNCHANGED_JOB, People.HERE, proposal.edit());
            if (!(outcome instanceof EditOutcome.Done || outcome instanceof EditOutcome.NoChange)) {
                return reply.after(outcome);
            }
            proposals.end(job, id, Progress.APPLIED);
            return Reply.to(request, "proposal", addresses(job, request)).after(outcome);
        });
    }

    @PostMapping("/jobs/{job}/proposals/{id}/drop")
    Object drop(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "proposal", "/jobs/" + job + "/proposals/" + id);
        stored(job, id);
        return editor.alone(() -> proposals.end(job, id, Progress.DROPPED))
                ? reply.done(
                        "Dropped; nothing has moved.",
                        addresses(job, request),
                        Json.object().put("proposal", id))
                : reply.conflicting("This proposal was ended already.");
    }

    private static String addresses(int job, HttpServletRequest request) {
        return "/jobs/" + job + "/addresses"
                + Selection.read(Objects.requireNonNullElse(request.getParameter("sel"), ""))
                        .query();
    }

    private StoredProposal stored(int job, int id) {
        return proposals.find(job, id).orElseThrow(() -> new NotThereException("proposal " + id));
    }
}
