package taxon.app.addresses;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.web.Fields;
import taxon.app.web.Frame;
import taxon.app.web.Frames;
import taxon.app.web.Keys;
import taxon.app.web.People;
import taxon.app.web.Reply;
import taxon.app.web.Stage;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.AddressEdits;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Edit;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;

/** Tapes, typed addresses and reserved runs. */
@Controller
class AddressesController {
    private final Frames frames;
    private final JobEditor editor;

    AddressesController(Frames frames, JobEditor editor) {
        this.frames = frames;
        this.editor = editor;
    }

    @GetMapping("/jobs/{job}/addresses")
    String page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.open(job, Optional.of(Stage.ADDRESSES), request, model);
        fill(state, model);
        return "addresses/page";
    }

    /** What the page shows beside a proposal. */
    static void fill(JobState state, Model model) {
        Frame frame = (Frame) Objects.requireNonNull(model.getAttribute("frame"));
        model.addAttribute("drawing", TapesDrawing.of(state, frame.selection()));
        model.addAttribute("reserved", state.plan().reservedRuns());
    }

    /** Gives one block an address, or with an empty field takes it away. */
    @PostMapping("/jobs/{job}/fixtures/{key}/address")
    Object address(@PathVariable int job, @PathVariable int key, HttpServletRequest request) {
        Reply reply = Reply.to(request, "address-" + key, "/jobs/" + job + "/addresses?sel=" + key);
        Fields fields = reply.fields();
        long version = reply.version();
        int block =
                fields.has("block") ? fields.number("block", "block", 1, 512).orElse(1) : 1;
        Optional<StartAddress> address = fields.has("address") ? fields.address("address") : Optional.empty();
        if (fields.isFaulty()) {
            return reply.refused();
        }
        BlockRef ref = new BlockRef(Keys.fixture(key), block);
        String label =
                frames.state(job).plan().block(ref).map(PlannedBlock::label).orElse(ref.toString());
        Edit edit = address.map(a -> AddressEdits.move(ref, a, label)).orElse(AddressEdits.clear(ref, label));
        return reply.after(editor.apply(job, version, Guard.UNTOUCHED_ELEMENTS, People.of(request), edit));
    }

    @PostMapping("/jobs/{job}/reserved")
    Object reserve(@PathVariable int job, HttpServletRequest request) {
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
    Object release(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = Reply.to(request, "release", "/jobs/" + job + "/addresses");
        long version = reply.version();
        return reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(editor.apply(
                        job, version, Guard.UNTOUCHED_ELEMENTS, People.of(request), AddressEdits.release(number)));
    }
}
