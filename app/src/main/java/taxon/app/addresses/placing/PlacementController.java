package taxon.app.addresses.placing;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.addresses.wish.PlacementJson;
import taxon.app.addresses.wish.WishFields;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.form.Selection;
import taxon.app.frame.Frames;
import taxon.app.proposals.ProposalDesk;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.rig.wish.Wish;
import taxon.formats.json.Json;

/** "Place them": asks for a proposal. */
@Controller
public class PlacementController {
    private final Frames frames;
    private final ProposalDesk desk;

    public PlacementController(Frames frames, ProposalDesk desk) {
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
        int id = desk.open(job, state.version(), PlacementKind.NAME, PlacementJson.write(wanted.get()));
        String query = Selection.of(reply.fields().keys("sel")).query();
        return reply.done(
                "Proposed; nothing has moved yet.",
                "/jobs/" + job + "/proposals/" + id + query,
                Json.object().put("proposal", id));
    }
}
