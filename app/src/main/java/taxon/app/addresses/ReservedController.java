package taxon.app.addresses;

import jakarta.servlet.http.HttpServletRequest;
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
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.edit.AddressEdits;

/** Runs of slots that are spoken for. */
@Controller
public class ReservedController {
    private final Frames frames;
    private final JobEditor editor;

    public ReservedController(Frames frames, JobEditor editor) {
        this.frames = frames;
        this.editor = editor;
    }

    @PostMapping("/jobs/{job}/reserved")
    public Object reserve(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "reserve", "/jobs/" + job + "/addresses");
        Fields fields = reply.fields();
        long version = reply.version();
        Optional<Integer> universe = fields.number("universe", "universe", UniverseNumber.FIRST, UniverseNumber.LAST);
        Optional<Integer> first = fields.number("first", "first slot", Slot.FIRST, Slot.LAST);
        Optional<Integer> last = fields.number("last", "last slot", first.orElse(Slot.FIRST), Slot.LAST);
        if (fields.isFaulty()) {
            return reply.refused();
        }
        int number = frames.state(job).plan().nextNumber(Kind.RESERVED_RUN);
        Optional<ReservedRun> run = fields.build(
                "label",
                () -> new ReservedRun(
                        number,
                        UniverseNumber.of(universe.orElseThrow()),
                        new SlotRange(first.orElseThrow(), last.orElseThrow()),
                        fields.text("label")));
        return run.isEmpty()
                ? reply.refused()
                : reply.after(editor.apply(
                        job, version, Guard.UNCHANGED_JOB, People.of(request), AddressEdits.reserve(run.get())));
    }

    @PostMapping("/jobs/{job}/reserved/{number}/release")
    public Object release(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = Reply.to(request, "release", "/jobs/" + job + "/addresses");
        long version = reply.version();
        return reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(editor.apply(
                        job, version, Guard.UNTOUCHED_ELEMENTS, People.of(request), AddressEdits.release(number)));
    }
}
