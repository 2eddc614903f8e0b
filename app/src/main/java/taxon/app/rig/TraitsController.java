package taxon.app.rig;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.access.People;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.form.Fields;
import taxon.app.form.Keys;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.core.length.Length;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits;
import taxon.core.rig.Traits.Parked;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.rig.edit.ParkEdits;
import taxon.core.setting.MenuText;
import taxon.core.text.Texts;

/** Where on its position a fixture hangs, and what is special about it. */
@Controller
public class TraitsController {
    private static final Pattern PARKED =
            Pattern.compile("(\\d{1,3})[./](\\d{1,4})\\s*[=:]?\\s*(\\d{1,4})[,;:]?\\s+(\\S.*)");
    private static final int MOST_LINES = 64;

    private final Frames frames;
    private final JobEditor editor;

    public TraitsController(Frames frames, JobEditor editor) {
        this.frames = frames;
        this.editor = editor;
    }

    @PostMapping("/jobs/{job}/fixtures/{key}/traits")
    public Object describe(@PathVariable int job, @PathVariable int key, HttpServletRequest request) {
        Reply reply = Reply.to(request, "traits", "/jobs/" + job + "/rig?sel=" + key);
        Fields fields = reply.fields();
        long version = reply.version();
        FixtureKey fixture = Keys.fixture(key);
        fields.counting(frames.state(job).plan().sheet().view().unit());
        Optional<Length> offset = fields.lengthOrNone("offset", "offset");
        Optional<FixtureKey> mirrors = mirrors(frames.state(job).plan(), fixture, fields);
        List<Parked> parked = parked(fields);
        Traits.OwnMenu menu = menu(fields, frames.state(job).plan(), fixture);
        if (fields.isFaulty()) {
            return reply.refused();
        }
        // What this form does not show stays as it is.
        Traits now =
                frames.state(job).plan().fixture(fixture).map(Fixture::traits).orElse(Traits.NONE);
        Optional<Traits> traits = fields.build(
                "parked",
                () -> new Traits(
                        new Traits.Look(fields.text("purpose"), fields.text("colour")),
                        new Traits.Axes(
                                fields.has("panReversed"),
                                fields.has("tiltReversed"),
                                fields.has("axesSwapped"),
                                mirrors),
                        new Traits.Care(fields.text("hazard"), parked),
                        new Traits.Service(fields.text("line"), now.locked()),
                        now.names(),
                        menu));
        return traits.isEmpty()
                ? reply.refused()
                : reply.after(editor.apply(
                        job,
                        version,
                        Guard.UNTOUCHED_ELEMENTS,
                        People.of(request),
                        FixtureEdits.describe(fixture, offset, traits.get())));
    }

    /** A form without that field leaves it as it is. */
    private static Traits.OwnMenu menu(Fields fields, Plan plan, FixtureKey key) {
        Optional<Fixture> fixture = plan.fixture(key);
        Traits.OwnMenu now = fixture.map(f -> f.traits().menu()).orElse(Traits.OwnMenu.NONE);
        return fixture.isPresent() && fields.isSent("menu")
                ? fields.build("menu", () -> MenuText.read(plan, fixture.get(), fields.text("menu")))
                        .orElse(now)
                : now;
    }

    /**
     * Parks a channel of many by its name: {@code sel}, {@code channel} as people say it, {@code value} from 0 to 255 or
     * nothing to let it go, {@code why}.
     */
    @PostMapping("/jobs/{job}/fixtures/park")
    public Object park(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "park", "/jobs/" + job + "/rig");
        Fields fields = reply.fields();
        long version = reply.version();
        List<FixtureKey> keys = fields.keys("sel");
        Optional<Integer> value = fields.numberOrNone("value", "value", 0, 255);
        fields.build("channel", () -> Texts.requireLine("channel", fields.text("channel"), 60));
        if (value.isPresent()) {
            fields.build("why", () -> Texts.requireLine("reason", fields.text("why"), 120));
        }
        if (keys.isEmpty()) {
            fields.refuse("channel", "No fixture is chosen.");
        }
        if (fields.isFaulty()) {
            return reply.refused();
        }
        Plan plan = frames.state(job).plan();
        return reply.after(editor.apply(
                job,
                version,
                Guard.UNTOUCHED_ELEMENTS,
                People.of(request),
                ParkEdits.park(plan, keys, fields.text("channel"), value, fields.text("why"))));
    }

    private static Optional<FixtureKey> mirrors(Plan plan, FixtureKey fixture, Fields fields) {
        Optional<Integer> id = fields.numberOrNone("mirrors", "fixture that it mirrors", 1, FixtureId.LAST);
        Optional<FixtureKey> found = id.flatMap(i -> plan.fixtures().stream()
                .filter(f ->
                        f.id().equals(Optional.of(FixtureId.of(i))) && !f.key().equals(fixture))
                .map(f -> f.key())
                .findFirst());
        if (id.isPresent() && found.isEmpty()) {
            fields.refuse("mirrors", "There is no other fixture " + id.get() + " to mirror.");
        }
        return found;
    }

    /** One a line: block.slot = value, and why. */
    private static List<Parked> parked(Fields fields) {
        List<Parked> parked = new ArrayList<>();
        List<String> lines = fields.text("parked")
                .lines()
                .filter(l -> !l.isBlank())
                .limit(MOST_LINES + 1L)
                .toList();
        for (String line : lines) {
            Matcher matcher = PARKED.matcher(line.strip());
            if (!matcher.matches()) {
                fields.refuse(
                        "parked",
                        "“"
                                + line.strip()
                                        .substring(0, Math.min(40, line.strip().length()))
                                + "” does not say block.slot = value and why, as 1.5 = 255 house light.");
                continue;
            }
            fields.build(
                            "parked",
                            () -> new Parked(
                                    Integer.parseInt(matcher.group(1)),
                                    Integer.parseInt(matcher.group(2)),
                                    Integer.parseInt(matcher.group(3)),
                                    matcher.group(4).strip()))
                    .ifPresent(parked::add);
        }
        return parked;
    }
}
