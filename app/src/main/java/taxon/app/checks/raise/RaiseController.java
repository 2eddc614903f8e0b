package taxon.app.checks.raise;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import taxon.app.access.People;
import taxon.app.checks.boxes.BoxSearches;
import taxon.app.checks.raise.Asked.NotArmedException;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.live.LiveFeed;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.raising.Ended;
import taxon.core.raising.Reach;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** Armings: prepared, begun, looked at, let go. */
@Controller
class RaiseController {
    private static final int USUAL_MINUTES = 15;

    private final Frames frames;
    private final Armings armings;
    private final LiveFeed live;
    private final BoxSearches searches;

    RaiseController(Frames frames, Armings armings, LiveFeed live, BoxSearches searches) {
        this.searches = searches;
        this.frames = frames;
        this.armings = armings;
        this.live = live;
    }

    @GetMapping("/jobs/{job}/checks/raise")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        if (Reply.wantsJson(request)) {
            ObjectNode body = Json.object().put("job", job);
            var list = body.putArray("armings");
            armings.of(job).forEach(a -> list.add(json(state.plan(), a)));
            return Reply.json(HttpStatus.OK, body);
        }
        frames.open(job, Optional.of(Stage.CHECKS), request, model);
        model.addAttribute(
                "armings",
                armings.of(job).stream()
                        .map(a -> ArmingLine.of(a, state.plan()))
                        .toList());
        model.addAttribute("minutes", USUAL_MINUTES);
        return "checks/raise";
    }

    /** {@code sel} or {@code universes}, {@code minutes}, {@code arm} "network". */
    @PostMapping("/jobs/{job}/checks/raise")
    Object prepare(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "raise", at(job));
        JobState state = frames.state(job);
        Optional<Reach> reach = reach(reply.fields(), state.plan());
        Optional<Integer> minutes = reply.fields().number("minutes", "time in minutes", 1, Asked.MOST_MINUTES);
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        boolean network = reply.fields().text("arm").equals("network");
        try {
            Arming made = armings.prepare(
                    new Asked(job, reach.orElseThrow(), who(reply), minutes.orElseThrow(), network), state.plan());
            return reply.going(at(job) + "/" + made.id())
                    .done(
                            "It is listened who sends there already.",
                            Json.object().put("id", made.id()));
        } catch (NotArmedException e) {
            return reply.conflicting(String.valueOf(e.getMessage()));
        }
    }

    /** Told on every page and to every receiver, so that it reads as a name. */
    static String who(Reply reply) {
        return reply.who().equals(People.NOBODY_SAID) ? "Somebody " + People.NOBODY_SAID : reply.who();
    }

    private static Optional<Reach> reach(Fields fields, Plan plan) {
        if (!fields.has("universes")) {
            return Optional.of(Reach.ofUnits(new TreeSet<>(fields.keys("sel"))));
        }
        Optional<UniverseSet> set = UniverseSet.read(fields.text("universes"));
        List<UniverseNumber> known = plan.universes().stream()
                .map(Universe::number)
                .filter(u -> set.filter(s -> s.holds(u)).isPresent())
                .toList();
        if (known.isEmpty()) {
            fields.refuse(
                    "universes",
                    "Of the universes “" + fields.text("universes")
                            + "” none is in the plan; it takes numbers such as 2 or 1-3, 7.");
            return Optional.empty();
        }
        return Optional.of(Reach.ofUniverses(known));
    }

    @GetMapping("/jobs/{job}/checks/raise/{id}")
    Object one(@PathVariable int job, @PathVariable int id, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        Arming arming = find(job, id);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, json(state.plan(), arming));
        }
        frames.open(job, Optional.of(Stage.CHECKS), request, model);
        model.addAttribute("line", ArmingLine.of(arming, state.plan()));
        model.addAttribute("view", ArmingView.of(state.plan(), arming));
        return "checks/driving";
    }

    private ObjectNode json(Plan plan, Arming arming) {
        return ArmingJson.of(plan, arming, searches.of(arming.job()).heard());
    }

    private Arming find(int job, int id) {
        return armings.find(job, id).orElseThrow(() -> new NotThereException("arming " + id));
    }

    @GetMapping(path = "/jobs/{job}/checks/raise/{id}/follow", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter follow(@PathVariable int job, @PathVariable int id) {
        frames.state(job);
        Arming arming = find(job, id);
        return live.follow(
                job + " raise " + id,
                () -> json(frames.state(job).plan(), arming).toString());
    }

    @PostMapping("/jobs/{job}/checks/raise/{id}/arm")
    Object arm(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "arm", at(job) + "/" + id);
        JobState state = frames.state(job);
        Arming arming = find(job, id);
        try {
            armings.arm(arming, state.plan());
            return reply.done("Armed. Nothing is raised yet.", Json.object().put("id", id));
        } catch (NotArmedException e) {
            return reply.conflicting(String.valueOf(e.getMessage()));
        }
    }

    /** A page that shows it says that it is there. */
    @PostMapping("/jobs/{job}/checks/raise/{id}/alive")
    Object alive(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Arming arming = find(job, id);
        arming.grip().ifPresent(g -> g.pageIsThere(System.nanoTime()));
        return Reply.to(request, "alive", at(job)).done("", Json.object());
    }

    @PostMapping("/jobs/{job}/checks/raise/{id}/let-go")
    Object letGo(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "let-go", at(job));
        find(job, id).end(new Ended.LetGo(who(reply)));
        return reply.done("Let go.", Json.object());
    }

    /** Everything that is driven by this Taxon, of all jobs. */
    @PostMapping("/let-go")
    Object letGoOfAll(HttpServletRequest request) {
        Reply reply = Reply.to(request, "let-go", "/");
        armings.letGo(Optional.empty(), who(reply));
        return reply.done("Everything is let go.", Json.object());
    }

    /** Shows the channels of {@code fixture}, and raises nothing. */
    @PostMapping("/jobs/{job}/checks/raise/{id}/look")
    Object look(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "look", at(job) + "/" + id);
        Arming arming = find(job, id);
        Optional<FixtureKey> unit = reply.fields()
                .number("fixture", "fixture", 1, Integer.MAX_VALUE)
                .map(FixtureKey::of)
                .filter(k -> frames.state(job).plan().fixture(k).isPresent());
        if (unit.isEmpty()) {
            return reply.refused();
        }
        arming.look(unit.get());
        return reply.done("", Json.object());
    }

    /** Goes to {@code to}: next, previous or the key of a unit; {@code seconds} steps by itself, 0 not any more. */
    @PostMapping("/jobs/{job}/checks/raise/{id}/step")
    Object step(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "step", at(job) + "/" + id);
        JobState state = frames.state(job);
        Arming arming = find(job, id);
        Optional<Integer> seconds = reply.fields().numberOrNone("seconds", "time in seconds", 0, 60);
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        if (arming.grip().filter(g -> g.ended().isEmpty()).isEmpty()) {
            return reply.conflicting(DriveController.NOT_IN_FORCE);
        }
        seconds.ifPresent(
                s -> arming.stepBy(s == 0 ? Optional.empty() : Optional.of(Duration.ofSeconds(s)), System.nanoTime()));
        String to = reply.fields().text("to");
        var left = switch (to) {
            case "next" -> arming.step(state.plan(), arming.walk().next(), who(reply));
            case "previous" -> arming.step(state.plan(), arming.walk().previous(), who(reply));
            case "" -> List.<taxon.core.raising.Grip.Left>of();
            default ->
                reply.fields()
                        .number("to", "unit", 1, Integer.MAX_VALUE)
                        .map(k -> arming.step(state.plan(), arming.walk().to(FixtureKey.of(k)), who(reply)))
                        .orElse(List.of());
        };
        return reply.fields().isFaulty() ? reply.refused() : DriveController.done(reply, left);
    }

    static String at(int job) {
        return "/jobs/" + job + "/checks/raise";
    }
}
