package taxon.app.checks.seen;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import taxon.app.edit.JobState;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.live.LiveFeed;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Carrier;
import taxon.core.text.Counted;
import taxon.formats.json.Json;

/** What comes by the card: all universes, and one slot by slot. Listening sends nothing. */
@Controller
class SeenController {
    private final Frames frames;
    private final Listening listening;
    private final LiveFeed live;

    SeenController(Frames frames, Listening listening, LiveFeed live) {
        this.frames = frames;
        this.listening = listening;
        this.live = live;
    }

    @GetMapping("/jobs/{job}/checks/seen")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, SeenJson.of(state, listening.of(job)));
        }
        frames.open(job, Optional.of(Stage.CHECKS), request, model);
        model.addAttribute("listening", listening.of(job).isPresent());
        return "checks/seen";
    }

    @GetMapping(path = "/jobs/{job}/checks/seen/follow", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter follow(@PathVariable int job) {
        frames.state(job);
        return live.follow(
                job + " seen",
                () -> SeenJson.of(frames.state(job), listening.of(job)).toString());
    }

    @PostMapping("/jobs/{job}/checks/seen/listen")
    Object listen(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "listen", at(job));
        try {
            JobWatch begun = listening.begin(job, frames.state(job).plan());
            return reply.done(
                    "Listening at " + begun.card() + " for "
                            + Counted.of(begun.joined().size(), "group") + " and all of Art-Net.",
                    Json.object().put("card", begun.card().toString()));
        } catch (IOException e) {
            return reply.conflicting("Not all can be heard: " + e.getMessage() + ".");
        }
    }

    @PostMapping("/jobs/{job}/checks/seen/end")
    Object end(@PathVariable int job, HttpServletRequest request) {
        frames.state(job);
        listening.end(job);
        return Reply.to(request, "listen", at(job)).done("Nobody listens any more.", Json.object());
    }

    /** Hears a universe of streaming ACN that is not planned: {@code universe}. */
    @PostMapping("/jobs/{job}/checks/seen/join")
    Object join(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "join", at(job));
        frames.state(job);
        Optional<Integer> universe = reply.fields().number("universe", "universe", 1, UniverseNumber.LAST);
        if (universe.isEmpty()) {
            return reply.refused();
        }
        Optional<JobWatch> watch = listening.of(job);
        if (watch.isEmpty()) {
            return reply.conflicting("Nobody listens: begin to listen first.");
        }
        try {
            watch.get().ask(new SacnUniverse(universe.get()));
            return reply.done("Streaming ACN " + universe.get() + " is listened for.", Json.object());
        } catch (IOException e) {
            return reply.conflicting("It cannot be heard: " + e.getMessage() + ".");
        }
    }

    @GetMapping("/jobs/{job}/checks/seen/{key}")
    Object universe(@PathVariable int job, @PathVariable String key, HttpServletRequest request, Model model) {
        Carrier carrier = carrier(key);
        JobState state = frames.state(job);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, UniverseJson.of(state, listening.of(job), carrier));
        }
        frames.open(job, Optional.of(Stage.CHECKS), request, model);
        List<UniverseNumber> universes = UniverseJson.planned(state, carrier);
        model.addAttribute("listening", listening.of(job).isPresent());
        model.addAttribute("carrier", carrier);
        model.addAttribute("universes", universes);
        model.addAttribute("listeners", Listener.of(state.plan(), universes));
        return "checks/universe";
    }

    @GetMapping(path = "/jobs/{job}/checks/seen/{key}/follow", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter follow(@PathVariable int job, @PathVariable String key) {
        Carrier carrier = carrier(key);
        frames.state(job);
        return live.follow(
                job + " seen " + carrier.key(),
                () -> UniverseJson.of(frames.state(job), listening.of(job), carrier)
                        .toString());
    }

    /** Least and most are of what comes from now on. */
    @PostMapping("/jobs/{job}/checks/seen/{key}/forget")
    Object forget(@PathVariable int job, @PathVariable String key, HttpServletRequest request) {
        Carrier carrier = carrier(key);
        frames.state(job);
        listening.of(job).ifPresent(w -> w.watch().forgetExtent(carrier));
        return Reply.to(request, "forget", at(job) + "/" + carrier.key())
                .done("Least and most begin anew.", Json.object());
    }

    private static String at(int job) {
        return "/jobs/" + job + "/checks/seen";
    }

    private static Carrier carrier(String key) {
        return Carrier.parse(key).orElseThrow(() -> new NotThereException("universe " + key));
    }
}
