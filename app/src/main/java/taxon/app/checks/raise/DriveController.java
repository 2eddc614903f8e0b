package taxon.app.checks.raise;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Function;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.EditOutcome;
import taxon.app.edit.JobEditor;
import taxon.app.form.Fields;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.ChannelName;
import taxon.core.fixture.Part;
import taxon.core.raising.ChannelFamily;
import taxon.core.raising.Grip;
import taxon.core.raising.LaserZone;
import taxon.core.raising.Raises;
import taxon.core.raising.RaisingText;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;

/** What is done by an arming that is in force: raised, held, released, hazards armed by their name. */
@Controller
class DriveController {
    static final String NOT_IN_FORCE = "That arming is not in force (any more); nothing was raised.";

    private static final int HUNDRED = 100;

    private final Frames frames;
    private final Armings armings;
    private final JobEditor editor;

    DriveController(Frames frames, Armings armings, JobEditor editor) {
        this.frames = frames;
        this.armings = armings;
        this.editor = editor;
    }

    private Optional<Grip> grip(int job, int id) {
        return find(job, id).grip().filter(g -> g.ended().isEmpty());
    }

    private Arming find(int job, int id) {
        return armings.find(job, id).orElseThrow(() -> new NotThereException("arming " + id));
    }

    /** Says what was left as it is; that is no refusal, for the rest was raised. */
    static Object done(Reply reply, List<Grip.Left> left) {
        return reply.done(RaisingText.of(left), Json.object().put("left", left.size()));
    }

    /**
     * {@code what}: slot ({@code slot} 2.33, {@code level}), channel ({@code fixture}, {@code block}, {@code index}, {@code value}), name
     * ({@code channel}, {@code percent}), family ({@code family}, {@code percent}) or visible ({@code part}); the last three of one {@code
     * fixture}, or of all that are armed.
     */
    @PostMapping("/jobs/{job}/checks/raise/{id}/set")
    Object set(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "set", RaiseController.at(job) + "/" + id);
        Plan plan = frames.state(job).plan();
        Optional<Grip> grip = grip(job, id);
        if (grip.isEmpty()) {
            return reply.conflicting(NOT_IN_FORCE);
        }
        SortedMap<StartAddress, Integer> levels = levels(reply.fields(), plan, find(job, id));
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        if (levels.isEmpty()) {
            return reply.conflicting("Nothing of what is armed has that; nothing was raised.");
        }
        return done(reply, grip.get().raise(levels, RaiseController.who(reply), System.nanoTime()));
    }

    private static SortedMap<StartAddress, Integer> levels(Fields fields, Plan plan, Arming arming) {
        return switch (fields.text("what")) {
            case "slot" -> slot(fields);
            case "channel" -> channel(fields, plan);
            case "name" -> named(fields, plan, arming);
            case "family" -> family(fields, plan, arming);
            case "visible" -> visible(fields, plan, arming);
            default -> {
                fields.refuse("what", "It takes one of slot, channel, name, family, visible.");
                yield new TreeMap<>();
            }
        };
    }

    private static SortedMap<StartAddress, Integer> slot(Fields fields) {
        Optional<StartAddress> slot = fields.address("slot");
        Optional<Integer> level = fields.number("level", "level", 0, 255);
        return new TreeMap<>(slot.isPresent() && level.isPresent() ? Map.of(slot.get(), level.get()) : Map.of());
    }

    private static SortedMap<StartAddress, Integer> named(Fields fields, Plan plan, Arming arming) {
        double share = share(fields);
        if (!fields.has("channel")) {
            fields.refuse("channel", "The channel is empty; it takes a name such as red, zoom or red cell 3.");
            return new TreeMap<>();
        }
        ChannelName name = ChannelName.read(fields.text("channel"));
        return each(fields, plan, arming, f -> Raises.channel(plan, f, name, share));
    }

    private static SortedMap<StartAddress, Integer> family(Fields fields, Plan plan, Arming arming) {
        double share = share(fields);
        Optional<ChannelFamily> family = fields.choice("family", ChannelFamily.class, ChannelFamily.INTENSITY);
        return each(
                fields,
                plan,
                arming,
                f -> family.map(g -> Raises.family(plan, f, g, share)).orElseGet(TreeMap::new));
    }

    /** A part that is not understood is refused: to raise the whole unit instead would be more than was asked for. */
    private static SortedMap<StartAddress, Integer> visible(Fields fields, Plan plan, Arming arming) {
        Optional<Part> part = fields.has("part") ? Part.read(fields.text("part")) : Optional.of(Part.WHOLE);
        if (part.isEmpty()) {
            fields.refuse("part", "The part reads “" + fields.text("part") + "”; it takes cell 3 or layer 2.");
            return new TreeMap<>();
        }
        return each(fields, plan, arming, f -> Raises.visible(plan, f, part.get()));
    }

    private static double share(Fields fields) {
        return fields.number("percent", "level in hundredths", 0, HUNDRED).orElse(0) / (double) HUNDRED;
    }

    private static SortedMap<StartAddress, Integer> channel(Fields fields, Plan plan) {
        Optional<Integer> fixture = fields.number("fixture", "fixture", 1, Integer.MAX_VALUE);
        Optional<Integer> block = fields.number("block", "block", 1, 64);
        Optional<Integer> index = fields.number("index", "channel", 0, 511);
        Optional<Integer> value = fields.number("value", "value", 0, Integer.MAX_VALUE);
        if (fields.isFaulty()) {
            return new TreeMap<>();
        }
        Optional<SortedMap<StartAddress, Integer>> levels = plan.fixture(FixtureKey.of(fixture.orElseThrow()))
                .flatMap(f -> Raises.value(plan, f, block.orElseThrow(), index.orElseThrow(), value.orElseThrow()));
        if (levels.isEmpty()) {
            fields.refuse("value", "The fixture has no such channel, or the value is beyond its width.");
        }
        return levels.orElseGet(TreeMap::new);
    }

    /** Of one fixture where one is said, else of all along the rig that are armed; hazards are raised one by one. */
    private static SortedMap<StartAddress, Integer> each(
            Fields fields, Plan plan, Arming arming, Function<Fixture, SortedMap<StartAddress, Integer>> raise) {
        Optional<Integer> only = fields.numberOrNone("fixture", "fixture", 1, Integer.MAX_VALUE);
        List<FixtureKey> keys = only.map(k -> List.of(FixtureKey.of(k)))
                .orElseGet(() -> arming.walk().units());
        SortedMap<StartAddress, Integer> levels = new TreeMap<>();
        keys.stream().flatMap(k -> plan.fixture(k).stream()).forEach(f -> levels.putAll(raise.apply(f)));
        return levels;
    }

    /** {@code slot}, or {@code fixture} with {@code block} and {@code index} or whole, or nothing for all. */
    @PostMapping("/jobs/{job}/checks/raise/{id}/release")
    Object release(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "release", RaiseController.at(job) + "/" + id);
        Plan plan = frames.state(job).plan();
        Optional<Grip> grip = grip(job, id);
        if (grip.isEmpty()) {
            return reply.done("Nothing is held any more.", Json.object());
        }
        Fields fields = reply.fields();
        if (fields.has("slot")) {
            fields.address("slot").ifPresent(s -> grip.get().release(List.of(s)));
        } else if (fields.has("fixture")) {
            released(fields, plan).forEach(s -> grip.get().release(List.of(s)));
        } else {
            grip.get().releaseAll();
        }
        return fields.isFaulty() ? reply.refused() : reply.done("Released.", Json.object());
    }

    private static List<StartAddress> released(Fields fields, Plan plan) {
        Optional<Fixture> fixture =
                fields.number("fixture", "fixture", 1, Integer.MAX_VALUE).flatMap(k -> plan.fixture(FixtureKey.of(k)));
        if (fields.has("index")) {
            Optional<Integer> block = fields.number("block", "block", 1, 64);
            Optional<Integer> index = fields.number("index", "channel", 0, 511);
            return fields.isFaulty()
                    ? List.of()
                    : fixture.flatMap(f -> Raises.value(plan, f, block.orElseThrow(), index.orElseThrow(), 0))
                            .map(levels -> List.copyOf(levels.keySet()))
                            .orElse(List.of());
        }
        return fixture.map(f -> List.copyOf(Raises.whole(plan, f).keySet())).orElse(List.of());
    }

    /** Arms {@code fixture}, which can hurt people, where its {@code name} was typed. */
    @PostMapping("/jobs/{job}/checks/raise/{id}/hazard")
    Object hazard(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "hazard", RaiseController.at(job) + "/" + id);
        Plan plan = frames.state(job).plan();
        Optional<Fixture> fixture = fixture(reply.fields(), plan);
        if (fixture.isEmpty()) {
            return reply.refused();
        }
        String typed = reply.fields().text("name").toLowerCase(Locale.ROOT);
        if (!typed.equals(fixture.get().label().toLowerCase(Locale.ROOT))) {
            reply.fields()
                    .refuse(
                            "name",
                            "To arm it, type " + fixture.get().label() + "; it reads "
                                    + (typed.isEmpty() ? "nothing" : "something else") + ".");
            return reply.refused();
        }
        Optional<Grip> grip = grip(job, id);
        if (grip.isEmpty()) {
            return reply.conflicting(NOT_IN_FORCE);
        }
        grip.get().arm(fixture.get().key());
        return reply.done(fixture.get().label() + " is armed, and nothing of it is raised yet.", Json.object());
    }

    private static Optional<Fixture> fixture(Fields fields, Plan plan) {
        Optional<Fixture> fixture =
                fields.number("fixture", "fixture", 1, Integer.MAX_VALUE).flatMap(k -> plan.fixture(FixtureKey.of(k)));
        if (fixture.isEmpty() && !fields.isFaulty()) {
            fields.refuse("fixture", "There is no such fixture in the plan.");
        }
        return fixture;
    }

    /** Parks the zone of a laser where it is held now, as an edit of the plan. */
    @PostMapping("/jobs/{job}/checks/raise/{id}/park")
    Object park(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "park", RaiseController.at(job) + "/" + id);
        Plan plan = frames.state(job).plan();
        Optional<Fixture> fixture = fixture(reply.fields(), plan);
        if (fixture.isEmpty()) {
            return reply.refused();
        }
        Optional<Grip> grip = grip(job, id);
        if (grip.isEmpty()) {
            return reply.conflicting(NOT_IN_FORCE);
        }
        Map<StartAddress, Integer> levels = new TreeMap<>();
        // As it is sent now, held or not: where a console is followed that is what it sends.
        grip.get().frames(System.nanoTime()).forEach(f -> f.each(levels::put));
        EditOutcome outcome = editor.tick(
                job, reply.who(), LaserZone.park(plan, fixture.get().key(), levels, "the zone, set by test pattern"));
        return reply.after(outcome);
    }
}
