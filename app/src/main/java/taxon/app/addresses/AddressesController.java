package taxon.app.addresses;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.access.People;
import taxon.app.addresses.tapes.OverviewSvg;
import taxon.app.addresses.tapes.RoomView;
import taxon.app.addresses.tapes.TapesDrawing;
import taxon.app.addresses.tapes.TapesSvg;
import taxon.app.addresses.tapes.TintBy;
import taxon.app.addresses.wish.WishView;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.Keys;
import taxon.app.form.Reply;
import taxon.app.form.Selection;
import taxon.app.frame.Frame;
import taxon.app.frame.Frames;
import taxon.app.frame.PageView;
import taxon.app.frame.Stage;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.StartAddress;
import taxon.core.proof.TouchAgain;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Unplaced;
import taxon.core.rig.edit.AddressEdits;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.wish.Wish;

/** Tapes and typed addresses. */
@Controller
public class AddressesController {
    private static final int DRAWN_AT_ONCE = 400;

    private final Frames frames;
    private final JobEditor editor;

    public AddressesController(Frames frames, JobEditor editor) {
        this.frames = frames;
        this.editor = editor;
    }

    @GetMapping("/jobs/{job}/addresses")
    public String page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.open(job, Optional.of(Stage.ADDRESSES), request, model);
        Frame frame = (Frame) Objects.requireNonNull(model.getAttribute("frame"));
        Scope scope = frame.selection().isEmpty() ? Scope.UNPLACED : Scope.CHOSEN;
        Wish wish = state.plan().wish().orElse(Wish.USUAL);
        fill(state, new PlacementRequest(scope, Set.copyOf(frame.selection().keys()), wish), model);
        return "addresses/page";
    }

    /** What the page shows beside a proposal. */
    public static void fill(JobState state, PlacementRequest wanted, Model model) {
        Frame frame = (Frame) Objects.requireNonNull(model.getAttribute("frame"));
        Plan plan = state.plan();
        boolean later = plan.blocks().size() > DRAWN_AT_ONCE;
        model.addAttribute(
                "empty", plan.universes().isEmpty() && Unplaced.blocks(plan).isEmpty());
        model.addAttribute(
                "tapes",
                later
                        ? begun(state, frame.selection(), frame.view())
                        : drawing(state, frame.selection(), frame.view()));
        model.addAttribute("drawnLater", later);
        model.addAttribute("legend", TintBy.of(plan, frame.view().value("tint")).legend());
        model.addAttribute(
                "locks", plan.fixtures().stream().anyMatch(f -> f.traits().locked()));
        model.addAttribute("reserved", plan.reservedRuns());
        model.addAttribute("wish", WishView.of(wanted, plan));
        model.addAttribute("room", RoomView.of(plan, frame.selection()));
        model.addAttribute(
                "again",
                TouchAgain.of(plan).stream().mapToInt(s -> s.units().size()).sum());
    }

    private static String drawing(JobState state, Selection selection, PageView view) {
        TintBy tints = TintBy.of(state.plan(), view.value("tint"));
        return view.value("zoom").equals("overview")
                ? OverviewSvg.of(state.plan(), state.job(), selection, tints)
                : TapesSvg.of(TapesDrawing.of(state, selection, tints), state.job());
    }

    /** What the page of a large rig shows before the rest is there. */
    private static String begun(JobState state, Selection selection, PageView view) {
        TintBy tints = TintBy.of(state.plan(), view.value("tint"));
        return view.value("zoom").equals("overview")
                ? ""
                : TapesSvg.of(TapesDrawing.first(state, selection, tints), state.job());
    }

    /** The tapes of a large rig, which their page fetches once it is there itself. */
    @GetMapping("/jobs/{job}/addresses/tapes")
    public ResponseEntity<String> tapes(@PathVariable int job, HttpServletRequest request) {
        Selection selection = Selection.read(Objects.requireNonNullElse(request.getParameter("sel"), ""));
        return ResponseEntity.ok()
                .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
                .body(drawing(frames.state(job), selection, PageView.of(request)));
    }

    /**
     * Gives one block an address, or with an empty field takes it away. As in the table, the answer tells what it brought; undo
     * is one key.
     */
    @PostMapping("/jobs/{job}/fixtures/{key}/address")
    public Object address(@PathVariable int job, @PathVariable int key, HttpServletRequest request) {
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
}
