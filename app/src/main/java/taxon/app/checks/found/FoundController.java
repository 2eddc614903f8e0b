package taxon.app.checks.found;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.proposals.ProposalDesk;
import taxon.core.network.Ipv4;
import taxon.formats.json.Json;

/** Asks for what was found to be taken into the plan. */
@Controller
class FoundController {
    private static final int MOST = 1_000;

    private final Frames frames;
    private final ProposalDesk desk;

    FoundController(Frames frames, ProposalDesk desk) {
        this.frames = frames;
        this.desk = desk;
    }

    /** {@code boxes} by the addresses that they answer from, {@code units} by their UIDs, with commas. */
    @PostMapping("/jobs/{job}/checks/found")
    Object take(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "found", "/jobs/" + job + "/checks");
        JobState state = frames.state(job);
        List<Ipv4> boxes = words(reply.fields().text("boxes")).stream()
                .flatMap(w -> Ipv4.parse(w).stream())
                .toList();
        List<String> units = words(reply.fields().text("units"));
        if (boxes.isEmpty() && units.isEmpty() || boxes.size() + units.size() > MOST) {
            return reply.conflicting("Choose 1 to " + MOST + " boxes and units that were found.");
        }
        int id = desk.open(job, state.version(), FoundKind.NAME, FoundKind.request(boxes, units));
        return reply.done(
                "Proposed; nothing is in the plan yet.",
                "/jobs/" + job + "/" + FoundKind.NAME + "/" + id,
                Json.object().put("proposal", id));
    }

    private static List<String> words(String text) {
        return Arrays.stream(text.split(","))
                .map(String::strip)
                .filter(w -> !w.isEmpty())
                .distinct()
                .toList();
    }
}
