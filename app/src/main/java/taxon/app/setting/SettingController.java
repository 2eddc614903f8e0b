package taxon.app.setting;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import taxon.app.edit.JobState;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.form.Selection;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.setting.SettingWalk;
import taxon.core.setting.SettingWalk.Stop;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** Setting the rig: the units that are not known to be set as planned, position by position, each with its card. */
@Controller
class SettingController {
    private static final int MOST_CARDS = 60;

    private final Frames frames;

    SettingController(Frames frames) {
        this.frames = frames;
    }

    /** A position to walk to. */
    record StopLine(int number, String name, int open, int done, boolean isHere) {}

    /**
     * What is shown of the position where somebody stands.
     *
     * @param units all that are open there
     * @param cards of units that are open, the first of them
     * @param beyond how many more are open there
     * @param open the keys of all that are open there, for ticking all
     * @param done units that are set as planned
     */
    record Here(
            int number,
            String name,
            List<Open> units,
            List<SettingCard> cards,
            int beyond,
            String open,
            List<Done> done) {}

    /** A unit that is to be set. */
    record Open(int key, String label) {}

    /** A unit that is set. */
    record Done(int key, String label, String when) {}

    /** One unit alone, with those beside it in the order of the walk; empty at the ends. */
    record Alone(SettingCard card, Optional<Integer> before, Optional<Integer> next, int place, int of) {}

    @GetMapping("/jobs/{job}/setting")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        SettingWalk walk = SettingWalk.of(state.plan());
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, json(state, walk));
        }
        Optional<Fixture> one = number(request, "one")
                .map(k -> state.plan()
                        .fixture(FixtureKey.of(k))
                        .orElseThrow(() -> new NotThereException("fixture with the key " + k)));
        Optional<Stop> here = here(request, walk, one);
        frames.open(job, Optional.of(Stage.CHECKS), request, model);
        model.addAttribute("stops", stops(walk, here));
        here.ifPresent(stop -> model.addAttribute("here", here(state.plan(), stop)));
        one.ifPresent(unit -> model.addAttribute("alone", alone(state.plan(), walk, unit)));
        return "setting/page";
    }

    private static Optional<Integer> number(HttpServletRequest request, String name) {
        String text = Objects.requireNonNullElse(request.getParameter(name), "").strip();
        if (text.isEmpty()) {
            return Optional.empty();
        }
        if (!text.matches("[1-9]\\d{0,8}")) {
            throw new NotThereException(name + " " + text);
        }
        return Optional.of(Integer.parseInt(text));
    }

    /** The one that is asked for, that of the unit, or the first where anything is open. */
    private static Optional<Stop> here(HttpServletRequest request, SettingWalk walk, Optional<Fixture> one) {
        Optional<Integer> asked = one.map(Fixture::position).or(() -> number(request, "position"));
        if (asked.isPresent()) {
            return walk.stops().stream()
                    .filter(s -> s.position().number() == asked.get())
                    .findFirst();
        }
        return walk.stops().stream()
                .filter(s -> !s.open().isEmpty())
                .findFirst()
                .or(() -> walk.stops().stream().findFirst());
    }

    private static List<StopLine> stops(SettingWalk walk, Optional<Stop> here) {
        return walk.stops().stream()
                .map(s -> new StopLine(
                        s.position().number(),
                        s.position().name(),
                        s.open().size(),
                        s.done().size(),
                        here.filter(s::equals).isPresent()))
                .toList();
    }

    private static Here here(Plan plan, Stop stop) {
        return new Here(
                stop.position().number(),
                stop.position().name(),
                stop.open().stream()
                        .map(f -> new Open(f.key().number(), f.label()))
                        .toList(),
                stop.open().stream()
                        .limit(MOST_CARDS)
                        .map(f -> SettingCard.of(plan, f))
                        .toList(),
                Math.max(0, stop.open().size() - MOST_CARDS),
                Selection.of(stop.open().stream().map(Fixture::key).toList()).text(),
                stop.done().stream()
                        .map(f -> new Done(f.key().number(), f.label(), SettingCard.when(plan, f)))
                        .toList());
    }

    /** Among all of the walk, set or not: whoever stands beside a unit goes on to the next one along the position. */
    private static Alone alone(Plan plan, SettingWalk walk, Fixture unit) {
        List<Integer> keys = walk.stops().stream()
                .flatMap(s -> s.all().stream())
                .map(f -> f.key().number())
                .toList();
        int place = IntStream.range(0, keys.size())
                .filter(i -> keys.get(i) == unit.key().number())
                .findFirst()
                .orElseThrow(() -> new NotThereException("address of " + unit.label() + "; it needs no setting yet"));
        return new Alone(
                SettingCard.of(plan, unit),
                place == 0 ? Optional.empty() : Optional.of(keys.get(place - 1)),
                place == keys.size() - 1 ? Optional.empty() : Optional.of(keys.get(place + 1)),
                place + 1,
                keys.size());
    }

    private static ObjectNode json(JobState state, SettingWalk walk) {
        ObjectNode body = Json.object().put("job", state.job()).put("version", state.version());
        var stops = body.putArray("stops");
        walk.stops().forEach(s -> {
            ObjectNode stop = stops.addObject().put("position", s.position().name());
            var open = stop.putArray("open");
            s.open().forEach(f -> open.add(SettingCard.of(state.plan(), f).json()));
            var done = stop.putArray("done");
            s.done().forEach(f -> done.add(f.key().number()));
        });
        return body;
    }
}
