package taxon.app.rig.positions;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.proposals.ProposalDesk;
import taxon.core.arranging.Arranging;
import taxon.core.arranging.Spread;
import taxon.core.length.Length;
import taxon.core.rig.FixtureKey;
import taxon.formats.json.Json;

/** Spreading the chosen units along their positions. */
@Controller
public class ArrangingController {

    private final Frames frames;
    private final ProposalDesk desk;

    public ArrangingController(Frames frames, ProposalDesk desk) {
        this.frames = frames;
        this.desk = desk;
    }

    @GetMapping("/jobs/{job}/arranging")
    public String ask(@PathVariable int job, HttpServletRequest request, Model model) {
        frames.open(job, Optional.of(Stage.RIG), request, model);
        return "rig/arranging";
    }

    /** The fields are {@code sel}, {@code way} and what it takes: {@code from} and {@code to}, or {@code from} and {@code pitch}. */
    @PostMapping("/jobs/{job}/arranging")
    public Object propose(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "arrange", "/jobs/" + job + "/arranging");
        JobState state = frames.state(job);
        Fields fields = reply.fields().counting(state.plan().sheet().view().unit());
        Set<FixtureKey> fixtures = new TreeSet<>(fields.keys("sel"));
        fixtures.removeIf(k -> state.plan().fixture(k).isEmpty());
        if (fixtures.isEmpty()) {
            fields.refuse("way", "No fixture is chosen; choose some on the rig first.");
        }
        Optional<Spread> spread = spread(fields);
        if (spread.isEmpty() || fields.isFaulty()) {
            return reply.refused();
        }
        if (fields.build("way", () -> Arranging.propose(state.plan(), fixtures, spread.get()))
                .isEmpty()) {
            return reply.refused();
        }
        int id = desk.open(job, state.version(), ArrangingKind.NAME, ArrangingJson.write(fixtures, spread.get()));
        return reply.done(
                "Proposed; nothing has moved yet.",
                "/jobs/" + job + "/arranging/" + id + "?sel=" + fields.text("sel"),
                Json.object().put("proposal", id));
    }

    private static Optional<Spread> spread(Fields fields) {
        return switch (fields.text("way")) {
            case "from-to" ->
                both(fields, "from", "to", "far end").map(ends -> new Spread.FromTo(ends.get(0), ends.get(1)));
            case "pitch" ->
                both(fields, "from", "pitch", "pitch").map(ends -> new Spread.Pitch(ends.get(0), ends.get(1)));
            case "centred" ->
                fields.length("pitch", "pitch")
                        .flatMap(pitch -> fields.build("pitch", () -> new Spread.Centred(pitch)));
            case "shifted" -> fields.length("by", "way").map(Spread.Shifted::new);
            case "mirrored" -> Optional.of(new Spread.Mirrored());
            default -> {
                fields.refuse("way", "The way is one of from-to, pitch, centred, shifted and mirrored.");
                yield Optional.empty();
            }
        };
    }

    private static Optional<List<Length>> both(Fields fields, String first, String second, String words) {
        Optional<Length> from = fields.length(first, "first place");
        Optional<Length> other = fields.length(second, words);
        return from.isPresent() && other.isPresent() ? Optional.of(List.of(from.get(), other.get())) : Optional.empty();
    }
}
