package taxon.app.rig.positions;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
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
import taxon.app.form.Fields;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.proposals.ProposalDesk;
import taxon.app.rig.RigPages;
import taxon.app.store.Progress;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.arranging.Arranging;
import taxon.core.arranging.ArrangingProposal;
import taxon.core.arranging.Spread;
import taxon.core.length.Length;
import taxon.core.length.LengthUnit;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;

/** Spreading the chosen units along their positions. */
@Controller
public class ArrangingController {
    private static final String KIND = "arranging";

    private final Frames frames;
    private final ProposalDesk desk;

    public ArrangingController(Frames frames, ProposalDesk desk) {
        this.frames = frames;
        this.desk = desk;
    }

    /** A proposal as the page shows it. */
    public record View(
            int id,
            String headline,
            List<MoveLine> moves,
            List<String> unknown,
            boolean open,
            boolean applied,
            boolean current) {}

    public record MoveLine(String who, String place, String before, String after, boolean beyond) {
        static MoveLine of(Plan plan, ArrangingProposal.Move move) {
            LengthUnit unit = plan.sheet().view().unit();
            return new MoveLine(
                    move.fixture().label(),
                    plan.position(move.fixture()).name(),
                    move.before().map(unit::words).orElse("none"),
                    unit.words(move.after()),
                    move.beyond());
        }
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
        int id = desk.open(job, state.version(), KIND, ArrangingJson.write(fixtures, spread.get()));
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

    @GetMapping("/jobs/{job}/arranging/{id}")
    public Object look(@PathVariable int job, @PathVariable int id, HttpServletRequest request, Model model) {
        StoredProposal stored = desk.find(job, id, KIND);
        JobState state = frames.state(job);
        ArrangingProposal proposal = desk.computed(
                        stored, state, (plan, effort) -> proposal(plan, ProposalDesk.request(stored)))
                .get();
        boolean current = stored.baseVersion() == state.version();
        if (Reply.wantsJson(request)) {
            return Reply.json(
                    HttpStatus.OK,
                    ArrangingJson.write(proposal)
                            .put("proposal", id)
                            .put("state", Json.slug(stored.state()))
                            .put("version", state.version()));
        }
        frames.open(job, Optional.of(Stage.RIG), request, model);
        model.addAttribute(
                "proposal",
                new View(
                        id,
                        proposal.title(),
                        proposal.moves().stream()
                                .map(m -> MoveLine.of(state.plan(), m))
                                .toList(),
                        proposal.unknown().stream().map(Fixture::label).toList(),
                        stored.state() == Progress.OPEN,
                        stored.state() == Progress.APPLIED,
                        current));
        return "rig/arranging";
    }

    private static ArrangingProposal proposal(Plan plan, JsonNode wanted) {
        return Arranging.propose(plan, ArrangingJson.fixtures(wanted), ArrangingJson.spread(wanted));
    }

    @PostMapping("/jobs/{job}/arranging/{id}/apply")
    public Object apply(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        StoredProposal stored = desk.find(job, id, KIND);
        return desk.apply(
                job,
                stored,
                request,
                page(job, id),
                RigPages.rig(job, request),
                state -> desk.computed(stored, state, (plan, effort) -> proposal(plan, ProposalDesk.request(stored))),
                ArrangingProposal::edit);
    }

    @PostMapping("/jobs/{job}/arranging/{id}/drop")
    public Object drop(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        return desk.drop(job, desk.find(job, id, KIND), request, page(job, id), RigPages.rig(job, request));
    }

    private static String page(int job, int id) {
        return "/jobs/" + job + "/arranging/" + id;
    }
}
