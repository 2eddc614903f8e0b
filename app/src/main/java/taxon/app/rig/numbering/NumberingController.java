package taxon.app.rig.numbering;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Collections;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
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
import taxon.app.store.JobStore;
import taxon.app.store.RevisionStore;
import taxon.core.numbering.Numbering;
import taxon.core.numbering.NumberingOrder;
import taxon.core.numbering.NumberingOrder.By;
import taxon.core.numbering.NumberingRequest;
import taxon.core.numbering.NumberingRequest.Families;
import taxon.core.numbering.NumberingRequest.Room;
import taxon.core.numbering.NumbersRunOutException;
import taxon.core.proof.Standing;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.formats.json.Json;

/** Numbers along the rig, asked for, looked at as a proposal, given as one edit. */
@Controller
public class NumberingController {
    private static final String START = "start-";

    private final Frames frames;
    private final ProposalDesk desk;
    private final RevisionStore revisions;
    private final JobStore jobs;

    public NumberingController(Frames frames, ProposalDesk desk, RevisionStore revisions, JobStore jobs) {
        this.jobs = jobs;
        this.frames = frames;
        this.desk = desk;
        this.revisions = revisions;
    }

    @GetMapping("/jobs/{job}/numbering")
    public String ask(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.open(job, Optional.of(Stage.RIG), request, model);
        int first = state.plan().fixtures().stream()
                .flatMap(f -> f.id().stream())
                .mapToInt(FixtureId::number)
                .min()
                .orElse(101);
        model.addAttribute(
                "wanted",
                new NumberingRequest(
                        Set.of(),
                        new NumberingOrder(By.POSITION, false, false),
                        Families.BY_TYPE,
                        first,
                        Room.HUNDRED,
                        Collections.emptySortedMap(),
                        isOutThere(state),
                        true));
        model.addAttribute("scope", "all");
        return "rig/numbering";
    }

    /** As long as nothing is set on a unit and nothing was printed or handed over, no number is known to anybody. */
    private boolean isOutThere(JobState state) {
        boolean set = state.plan().blocks().stream()
                .anyMatch(b -> Standing.of(b, state.plan()).isSet());
        return set || jobs.isPrinted(state.job()) || !revisions.all(state.job()).isEmpty();
    }

    @PostMapping("/jobs/{job}/numbering")
    public Object propose(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "numbering", "/jobs/" + job + "/numbering");
        JobState state = frames.state(job);
        Optional<NumberingRequest> wanted = read(state, reply.fields(), request);
        wanted.ifPresent(w -> tryOut(state, w, reply.fields()));
        if (wanted.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        int id = desk.open(job, state.version(), NumberingKind.NAME, NumberingJson.write(wanted.get()));
        return reply.done(
                "Proposed; no number has changed yet.",
                "/jobs/" + job + "/numbering/" + id,
                Json.object().put("proposal", id));
    }

    private static void tryOut(JobState state, NumberingRequest wanted, Fields fields) {
        try {
            Numbering.propose(state.plan(), wanted);
        } catch (NumbersRunOutException e) {
            fields.refuse(
                    START + e.family().key(),
                    e.family().name() + " needs " + e.family().members().size() + " numbers; " + e.free()
                            + " are free from " + e.start() + " to " + e.limit()
                            + ". Begin it lower, or the next family higher.");
        }
    }

    private static Optional<NumberingRequest> read(JobState state, Fields fields, HttpServletRequest request) {
        Set<FixtureKey> fixtures = scope(state, fields);
        Optional<By> by = fields.choice("by", By.class, By.POSITION);
        Optional<Families> families = fields.choice("families", Families.class, Families.BY_TYPE);
        Optional<Room> room = fields.choice("room", Room.class, Room.HUNDRED);
        Optional<Integer> first = fields.number("first", "first number", 1, FixtureId.LAST);
        SortedMap<String, Integer> starts = starts(fields, request);
        if (fields.isFaulty()) {
            return Optional.empty();
        }
        NumberingOrder reading =
                new NumberingOrder(by.orElseThrow(), fields.text("side").equals("right"), fields.has("serpentine"));
        return Optional.of(new NumberingRequest(
                fixtures,
                reading,
                families.orElseThrow(),
                first.orElseThrow(),
                room.orElseThrow(),
                starts,
                fields.has("keep"),
                fields.has("units")));
    }

    private static Set<FixtureKey> scope(JobState state, Fields fields) {
        boolean all = !fields.text("scope").equals("chosen");
        Set<FixtureKey> fixtures = all
                ? state.plan().fixtures().stream().map(Fixture::key).collect(Collectors.toCollection(TreeSet::new))
                : fields.keys("sel").stream()
                        .filter(k -> state.plan().fixture(k).isPresent())
                        .collect(Collectors.toCollection(TreeSet::new));
        if (fixtures.isEmpty()) {
            fields.refuse(
                    "scope",
                    all
                            ? "The job has no fixture yet."
                            : "No fixture is chosen; choose some on the rig or the tapes first.");
        }
        return fixtures;
    }

    private static SortedMap<String, Integer> starts(Fields fields, HttpServletRequest request) {
        SortedMap<String, Integer> starts = new TreeMap<>();
        request.getParameterMap().keySet().stream()
                .filter(name -> name.startsWith(START) && fields.has(name))
                .limit(1000)
                .forEach(name -> fields.number(name, "first number", 1, FixtureId.LAST)
                        .ifPresent(n -> starts.put(name.substring(START.length()), n)));
        return starts;
    }
}
