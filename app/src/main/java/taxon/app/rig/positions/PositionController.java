package taxon.app.rig.positions;

import jakarta.servlet.http.HttpServletRequest;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.access.People;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.form.Fields;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.core.length.Length;
import taxon.core.length.LengthUnit;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.PositionEdits;
import taxon.core.text.Texts;
import taxon.formats.json.Json;

/** The places where fixtures hang: their name, kind and where they lie. */
@Controller
public class PositionController {
    private final Frames frames;
    private final JobEditor editor;

    public PositionController(Frames frames, JobEditor editor) {
        this.frames = frames;
        this.editor = editor;
    }

    /** A position as its form shows it. */
    public record Line(
            int number,
            String name,
            String kind,
            String length,
            String across,
            String upstage,
            String height,
            String angle,
            boolean upright,
            long fixtures) {
        public static List<Line> of(Plan plan) {
            LengthUnit unit = plan.sheet().view().unit();
            return plan.positions().stream()
                    .map(p -> of(p, unit, plan.fixturesOn(p).size()))
                    .toList();
        }

        private static Line of(Position position, LengthUnit unit, long fixtures) {
            PositionGeometry geometry = position.geometry();
            return new Line(
                    position.number(),
                    position.name(),
                    Json.slug(position.kind()),
                    geometry.length().map(unit::words).orElse(""),
                    words(unit, geometry.across()),
                    words(unit, geometry.upstage()),
                    words(unit, geometry.height()),
                    BigDecimal.valueOf(geometry.angle(), 1).stripTrailingZeros().toPlainString(),
                    geometry.upright(),
                    fixtures);
        }

        private static String words(LengthUnit unit, Length length) {
            return length.equals(Length.ZERO) ? "" : unit.words(length);
        }
    }

    /** A kind to choose. */
    public record Kind(String slug, String words) {
        public static List<Kind> all() {
            return Arrays.stream(PositionKind.values())
                    .map(k -> new Kind(Json.slug(k), k.words()))
                    .toList();
        }
    }

    @PostMapping("/jobs/{job}/positions/{number}")
    public Object change(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = Reply.to(request, "position-" + number, "/jobs/" + job + "/rig");
        long version = reply.version();
        reply.fields().counting(frames.state(job).plan().sheet().view().unit());
        Optional<Position> position = read(Math.max(1, number), reply.fields());
        if (position.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        Edit edit = PositionEdits.change(position.get());
        return reply.after(editor.apply(job, version, Guard.UNTOUCHED_ELEMENTS, People.of(request), edit));
    }

    private static Optional<Position> read(int number, Fields fields) {
        fields.build("name", () -> Texts.requireLine("name", fields.text("name"), 80));
        Optional<PositionKind> kind = fields.choice("kind", PositionKind.class, PositionKind.UNSAID);
        Optional<Length> length = fields.lengthOrNone("length", "length");
        Length across = fields.lengthOrNone("across", "place across").orElse(Length.ZERO);
        Length upstage = fields.lengthOrNone("upstage", "place upstage").orElse(Length.ZERO);
        Length height = fields.lengthOrNone("height", "height").orElse(Length.ZERO);
        int angle = angle(fields);
        return fields.isFaulty()
                ? Optional.empty()
                : fields.build(
                        "length",
                        () -> new Position(
                                number,
                                fields.text("name"),
                                kind.orElseThrow(),
                                new PositionGeometry(length, across, upstage, height, angle, fields.has("upright"))));
    }

    /** In tenths of a degree. */
    private static int angle(Fields fields) {
        String text = fields.text("angle");
        if (text.isEmpty()) {
            return 0;
        }
        if (text.matches("-?\\d{1,3}([.,]\\d)?")) {
            int tenths =
                    new BigDecimal(text.replace(',', '.')).movePointRight(1).intValue();
            if (Math.abs(tenths) <= 1800) {
                return tenths;
            }
        }
        fields.refuse(
                "angle",
                "The angle reads " + text.substring(0, Math.min(20, text.length()))
                        + "; it takes degrees from -180 to 180, with one digit behind the point.");
        return 0;
    }

    /** Makes a position of which only the name and the kind are known: {@code name}, {@code kind}. */
    @PostMapping("/jobs/{job}/positions")
    public Object add(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "position", "/jobs/" + job + "/rig");
        Fields fields = reply.fields();
        long version = reply.version();
        fields.build("name", () -> Texts.requireLine("name", fields.text("name"), 80));
        Optional<PositionKind> kind = fields.choice("kind", PositionKind.class, PositionKind.UNSAID);
        if (fields.isFaulty()) {
            return reply.refused();
        }
        Edit edit = PositionEdits.add(fields.text("name"), kind.orElseThrow(), PositionGeometry.UNSAID);
        return reply.after(editor.apply(job, version, Guard.UNCHANGED_JOB, reply.who(), edit));
    }

    /** Puts a position at another place in the order: {@code place}, counted from 1. */
    @PostMapping("/jobs/{job}/positions/{number}/move")
    public Object move(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = Reply.to(request, "position-" + number, "/jobs/" + job + "/rig");
        long version = reply.version();
        Optional<Integer> place = reply.fields().number("place", "place in the order", 1, 10_000);
        return place.isEmpty() || reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(editor.apply(
                        job, version, Guard.UNTOUCHED_ELEMENTS, reply.who(), PositionEdits.move(number, place.get())));
    }

    @PostMapping("/jobs/{job}/positions/{number}/remove")
    public Object remove(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = Reply.to(request, "position-" + number, "/jobs/" + job + "/rig");
        long version = reply.version();
        return reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(editor.apply(
                        job, version, Guard.UNTOUCHED_ELEMENTS, People.of(request), PositionEdits.remove(number)));
    }
}
