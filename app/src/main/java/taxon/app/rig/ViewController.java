package taxon.app.rig;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.form.Fields;
import taxon.app.form.Reply;
import taxon.core.length.LengthUnit;
import taxon.core.rig.RigView;
import taxon.core.rig.RigView.Front;
import taxon.core.rig.RigView.Side;
import taxon.core.rig.edit.JobEdits;
import taxon.formats.json.Json;

/** In which unit lengths are shown, and on which side of the drawing the front is. */
@Controller
public class ViewController {
    private final JobEditor editor;

    public ViewController(JobEditor editor) {
        this.editor = editor;
    }

    /** A view as its form shows it. */
    public record Line(String unit, String front, String side) {
        static Line of(RigView view) {
            return new Line(Json.slug(view.unit()), Json.slug(view.front()), Json.slug(view.side()));
        }
    }

    /** The fields are {@code unit}, {@code front} and {@code side}. */
    @PostMapping("/jobs/{job}/view")
    public Object change(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "view", "/jobs/" + job + "/rig");
        Fields fields = reply.fields();
        long version = reply.version();
        Optional<LengthUnit> unit = fields.choice("unit", LengthUnit.class, LengthUnit.METRES);
        Optional<Front> front = fields.choice("front", Front.class, Front.AUDIENCE);
        Optional<Side> side = fields.choice("side", Side.class, Side.BELOW);
        if (fields.isFaulty()) {
            return reply.refused();
        }
        RigView view = new RigView(unit.orElseThrow(), front.orElseThrow(), side.orElseThrow());
        return reply.after(editor.apply(job, version, Guard.UNTOUCHED_ELEMENTS, reply.who(), JobEdits.view(view)));
    }
}
