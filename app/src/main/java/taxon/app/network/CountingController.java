package taxon.app.network;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.proposals.ProposalDesk;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Counting;
import taxon.core.network.PortAddress;
import taxon.formats.json.ElementJson;
import taxon.formats.json.Json;

/** How universes are counted on the network, and what a number means that a box shows. */
@Controller
class CountingController {
    private final Frames frames;
    private final ProposalDesk desk;

    CountingController(Frames frames, ProposalDesk desk) {
        this.frames = frames;
        this.desk = desk;
    }

    /** Proposes to count all universes by one rule: {@code first}, the Port-Address of universe 1, and {@code sacn}, what is added there. */
    @PostMapping("/jobs/{job}/counting")
    Object propose(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "counting", "/jobs/" + job + "/network");
        Fields fields = reply.fields();
        JobState state = frames.state(job);
        Optional<Integer> first = fields.number("first", "Port-Address of universe 1", 0, PortAddress.LAST);
        Optional<Integer> sacn = fields.has("sacn")
                ? fields.number("sacn", "number that streaming ACN adds", 0, UniverseNumber.LAST - 1)
                : Optional.of(0);
        if (fields.isFaulty()) {
            return reply.refused();
        }
        Counting counting = new Counting(first.orElseThrow(), sacn.orElseThrow());
        int id = desk.open(job, state.version(), CountingKind.NAME, ElementJson.write(counting));
        return reply.done(
                "Proposed; no number has changed yet.",
                "/jobs/" + job + "/counting/" + id,
                Json.object().put("proposal", id));
    }

    /** All that a number may mean that a box shows ({@code box}). */
    @GetMapping("/jobs/{job}/network/means")
    Object means(@PathVariable int job, HttpServletRequest request) {
        String box = Objects.requireNonNullElse(request.getParameter("box"), "");
        if (!Reply.wantsJson(request)) {
            return "forward:/jobs/" + job + "/network";
        }
        var body = Json.object().put("box", BoxMeaning.shown(box));
        var list = body.putArray("meanings");
        BoxMeaning.of(box, frames.state(job).plan()).forEach(m -> {
            var one = list.addObject().put("as", m.as()).put("number", m.number());
            m.universe().ifPresent(u -> one.put("universe", u));
        });
        return Reply.json(HttpStatus.OK, body);
    }
}
