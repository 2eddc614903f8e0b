package taxon.app.rig;

import jakarta.servlet.http.HttpServletRequest;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.web.Fields;
import taxon.app.web.People;
import taxon.app.web.Reply;
import taxon.core.rig.Edit;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionEdits;
import taxon.core.rig.PositionKind;
import taxon.core.rig.Stretch;
import taxon.core.space.Length;
import taxon.core.text.Texts;
import taxon.formats.json.Json;

/** The places where fixtures hang: their name, kind and where they lie. */
@Controller
class PositionController {
    private final JobEditor editor;

    PositionController(JobEditor editor) {
        this.editor = editor;
    }

    /** A position as its form shows it. */
    record Line(
            int number,
            String name,
            String kind,
            String length,
            String across,
            String upstage,
            String height,
            String angle,
            long fixtures) {
        static List<Line> of(Plan plan) {
            return plan.positions().stream()
                    .map(p -> of(p, plan.fixturesOn(p).size()))
                    .toList();
        }

        private static Line of(Position position, long fixtures) {
            Stretch stretch = position.stretch();
            return new Line(
                    position.number(),
                    position.name(),
                    Json.slug(position.kind()),
                    stretch.length().map(Line::words).orElse(""),
                    words(stretch.across()),
                    words(stretch.upstage()),
                    words(stretch.height()),
                    BigDecimal.valueOf(stretch.angle(), 1).stripTrailingZeros().toPlainString(),
                    fixtures);
        }

        private static String words(Length length) {
            return length.equals(Length.ZERO) ? "" : length.toString();
        }
    }

    /** A kind to choose. */
    record Kind(String slug, String words) {
        static List<Kind> all() {
            return Arrays.stream(PositionKind.values())
                    .map(k -> new Kind(Json.slug(k), k.words()))
                    .toList();
        }
    }

    @PostMapping("/jobs/{job}/positions/{number}")
    Object change(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = Reply.to(request, "position-" + number, "/jobs/" + job + "/rig");
        long version = reply.version();
        Optional<Position> position = read(Math.max(1, number), reply.fields());
        if (position.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        Edit edit = PositionEdits.change(position.get());
        return reply.after(editor.apply(job, version, Guard.UNTOUCHED_ELEMENTS, People.HERE, edit));
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
                                new Stretch(length, across, upstage, height, angle)));
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

    @PostMapping("/jobs/{job}/positions/{number}/remove")
    Object remove(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = Reply.to(request, "position-" + number, "/jobs/" + job + "/rig");
        long version = reply.version();
        return reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(editor.apply(
                        job, version, Guard.UNTOUCHED_ELEMENTS, People.HERE, PositionEdits.remove(number)));
    }
}
