package taxon.app.network;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.proposals.ProposalDesk;
import taxon.core.routing.RouteWish;
import taxon.formats.json.Json;

/** Carries all universes: a port for each that has none. */
@Controller
class RoutesController {
    private final Frames frames;
    private final ProposalDesk desk;

    RoutesController(Frames frames, ProposalDesk desk) {
        this.frames = frames;
        this.desk = desk;
    }

    /** Proposes a port for every universe: {@code aim}, {@code protocol}, {@code anew} = yes to route all of one way again. */
    @PostMapping("/jobs/{job}/routes")
    Object propose(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "routes", "/jobs/" + job + "/network");
        JobState state = frames.state(job);
        Optional<RouteWish.Aim> aim = reply.fields().choice("aim", RouteWish.Aim.class, RouteWish.Aim.FEWEST_BOXES);
        Optional<RouteWish.Protocol> protocol =
                reply.fields().choice("protocol", RouteWish.Protocol.class, RouteWish.Protocol.ART_NET);
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        RouteWish wish = new RouteWish(
                aim.orElseThrow(),
                protocol.orElseThrow(),
                reply.fields().text("anew").equals("yes"));
        int id = desk.open(job, state.version(), RoutesKind.NAME, RoutesKind.request(wish));
        return reply.done(
                "Proposed; no route has changed yet.",
                "/jobs/" + job + "/routes/" + id,
                Json.object().put("proposal", id));
    }
}
