package taxon.app.rig;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import taxon.app.access.People;
import taxon.app.edit.ChangedFixtures;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.Keys;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.form.Selection;
import taxon.app.frame.Frame;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.library.TypeLibrary;
import taxon.app.proposals.ProposalDesk;
import taxon.app.rig.drawing.RigDrawing;
import taxon.app.rig.drawing.RigLegend;
import taxon.app.rig.drawing.RigPlan;
import taxon.app.rig.drawing.RigSvg;
import taxon.app.rig.positions.PositionController;
import taxon.app.rig.scene.SceneKind;
import taxon.app.rig.table.RigRow;
import taxon.app.rig.table.RigTable;
import taxon.app.rig.table.TableColumn;
import taxon.app.rig.tree.TreeView;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;
import taxon.core.rig.ElementKey;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.RigPart;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.rig.edit.GroupEdits;
import taxon.core.text.Texts;

/** The rig: its drawing, its table, adding by hand, changing and taking away. */
@Controller
public class RigController {
    private static final int FIRST_ROWS = 40;
    private static final int DRAWN_AT_ONCE = 400;

    private final Frames frames;
    private final JobEditor editor;
    private final TypeLibrary library;
    private final ChangedFixtures changed;
    private final ProposalDesk desk;

    public RigController(
            Frames frames, JobEditor editor, TypeLibrary library, ChangedFixtures changed, ProposalDesk desk) {
        this.desk = desk;
        this.frames = frames;
        this.editor = editor;
        this.library = library;
        this.changed = changed;
    }

    @GetMapping("/jobs/{job}/rig")
    public String page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.open(job, Optional.of(Stage.RIG), request, model);
        Frame frame = (Frame) Objects.requireNonNull(model.getAttribute("frame"));
        Plan plan = state.plan();
        draw(state, frame.selection(), model);
        RigTable table = RigTable.of(frame.view());
        List<RigPart> shown = table.rows(plan);
        model.addAttribute("table", table);
        model.addAttribute("allColumns", TableColumn.values());
        model.addAttribute("rows", RigRow.first(plan, table, shown, FIRST_ROWS, frame.selection()));
        model.addAttribute("shown", table.counted(plan, shown));
        model.addAttribute("view", ViewController.Line.of(plan.sheet().view()));
        model.addAttribute("types", library.choices(state.plan(), wanted(request)));
        model.addAttribute("folders", TreeView.branches(plan));
        model.addAttribute("lastScene", desk.newestFile(job, SceneKind.NAME));
        return "rig/page";
    }

    private static void draw(JobState state, Selection selection, Model model) {
        Plan plan = state.plan();
        boolean later = plan.fixtures().size() > DRAWN_AT_ONCE;
        Optional<String> above = later ? Optional.empty() : above(state.job(), plan, selection);
        above.ifPresent(svg -> model.addAttribute("above", svg));
        model.addAttribute("drawnLater", later && RigPlan.isPossible(plan));
        RigDrawing drawing = RigDrawing.of(plan, RigPlan.unplaced(plan), selection);
        model.addAttribute("bars", drawing.bars().isEmpty() ? "" : RigSvg.bars(drawing, state.job()));
        model.addAttribute("legend", RigLegend.of(plan));
        model.addAttribute("positions", PositionController.Line.of(plan));
        model.addAttribute("kinds", PositionController.Kind.all());
    }

    /**
     * Those parts of the page that differ when fixtures do, for a page that shows an older version ({@code since}); nothing when
     * more than fixtures changed.
     */
    @GetMapping("/jobs/{job}/rig/changed")
    public String changed(@PathVariable int job, @RequestParam long since, HttpServletRequest request, Model model) {
        JobState state = frames.open(job, Optional.of(Stage.RIG), "/jobs/" + job + "/rig", request, model);
        if (changed.since(state, since).isEmpty()) {
            return "frame/nothing";
        }
        Frame frame = (Frame) Objects.requireNonNull(model.getAttribute("frame"));
        draw(state, frame.selection(), model);
        RigTable table = RigTable.of(frame.view());
        model.addAttribute("shown", table.counted(state.plan(), table.rows(state.plan())));
        return "rig/changed";
    }

    private static Optional<String> above(int job, Plan plan, Selection selection) {
        String front = plan.sheet().view().front().words();
        return RigPlan.of(plan, selection).map(drawn -> RigSvg.above(drawn, job, front));
    }

    /** The drawing of a large rig, which its page fetches once it is there itself. */
    @GetMapping("/jobs/{job}/rig/above")
    public ResponseEntity<String> drawing(@PathVariable int job, HttpServletRequest request) {
        Selection selection = Selection.read(Objects.requireNonNullElse(request.getParameter("sel"), ""));
        String svg = above(job, frames.state(job).plan(), selection)
                .orElseThrow(() -> new NotThereException("drawing of job " + job));
        return ResponseEntity.ok()
                .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
                .body(svg);
    }

    /** The type that the page is asked to offer, as by a link from the library. */
    private static Optional<TypeId> wanted(HttpServletRequest request) {
        return Optional.ofNullable(request.getParameter("type"))
                .filter(TypeId::isLegal)
                .map(TypeId::of);
    }

    @GetMapping("/jobs/{job}/fixtures")
    public Object fixtures(@PathVariable int job, HttpServletRequest request) {
        return Reply.wantsJson(request)
                ? Reply.json(HttpStatus.OK, RigJson.fixtures(frames.state(job)))
                : "redirect:/jobs/" + job + "/rig";
    }

    @PostMapping("/jobs/{job}/fixtures")
    public Object add(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "add", "/jobs/" + job + "/rig");
        Fields fields = reply.fields();
        long version = reply.version();
        Optional<Added> added = added(frames.state(job), fields);
        if (added.isEmpty() || fields.isFaulty()) {
            return reply.refused();
        }
        String title = added.get().count() + " × " + added.get().type().fullName() + " added";
        Edit edit = into(frames.state(job).plan(), fields, FixtureEdits.add(title, List.of(added.get())), added.get());
        if (fields.isFaulty()) {
            return reply.refused();
        }
        return reply.after(editor.apply(job, version, Guard.UNCHANGED_JOB, People.of(request), edit));
    }

    /** The same, with the new ones put straight into a folder or group ({@code into}, its number) where one is named. */
    private static Edit into(Plan plan, Fields fields, Edit adding, Added added) {
        Optional<Integer> group = fields.numberOrNone("into", "folder or group", 1, Integer.MAX_VALUE / 2);
        if (group.isPresent() && plan.group(group.get()).isEmpty()) {
            fields.refuse("into", "There is no such folder or group any more.");
        }
        int first = plan.nextNumber(ElementKey.Kind.FIXTURE);
        List<FixtureKey> keys = IntStream.range(first, first + added.count())
                .mapToObj(FixtureKey::of)
                .toList();
        return group.map(g -> Edit.inTurn(adding.title(), List.of(adding, GroupEdits.join(g, keys))))
                .orElse(adding);
    }

    /** The type and its mode come as one field, {@code type-id/mode name}, so that they cannot contradict each other. */
    private Optional<Added> added(JobState state, Fields fields) {
        Optional<Integer> count = fields.number("count", "number of fixtures", 1, Added.MOST);
        Optional<Integer> firstId = fields.numberOrNone("firstId", "first fixture ID", 1, FixtureId.LAST);
        // A mode's name may hold slashes, an id cannot.
        String[] wanted = (fields.text("type") + "/").split("/", 2);
        String mode = wanted[1].endsWith("/") ? wanted[1].substring(0, wanted[1].length() - 1) : wanted[1];
        Optional<FixtureType> type =
                fields.build("type", () -> TypeId.of(wanted[0])).flatMap(library.knownTo(state.plan())::find);
        if (type.isEmpty() || type.get().mode(mode).isEmpty()) {
            fields.refuse("type", "There is no such type and mode; choose one from the list.");
            return Optional.empty();
        }
        if (fields.isFaulty()) {
            return Optional.empty();
        }
        Optional<StartAddress> from = fields.has("address") ? fields.address("address") : Optional.empty();
        String position = fields.has("position") ? fields.text("position") : Added.NOWHERE;
        Optional<Added.Words> words =
                fields.build("position", () -> new Added.Words(position, fields.text("name"), fields.text("note")));
        if (fields.isFaulty()) {
            return Optional.empty();
        }
        return fields.build(
                "firstId",
                () -> Added.of(
                                type.get(),
                                type.get().mode(mode).orElseThrow(),
                                count.orElseThrow(),
                                words.orElseThrow())
                        .withIds(firstId.map(FixtureId::of))
                        .from(from));
    }

    @PostMapping("/jobs/{job}/fixtures/{key}")
    public Object change(@PathVariable int job, @PathVariable int key, HttpServletRequest request) {
        Reply reply = Reply.to(request, "fixture", "/jobs/" + job + "/rig?sel=" + key);
        Fields fields = reply.fields();
        long version = reply.version();
        Optional<Integer> id = fields.numberOrNone("id", "fixture ID", 1, FixtureId.LAST);
        Optional<Integer> unit = fields.number("unit", "unit number", 1, 9999);
        checkTexts(fields);
        if (fields.isFaulty()) {
            return reply.refused();
        }
        Edit edit = FixtureEdits.change(
                Keys.fixture(key),
                id.map(FixtureId::of),
                fields.text("mode"),
                fields.text("position"),
                unit.orElseThrow(),
                fields.text("name"),
                fields.text("note"));
        return reply.after(editor.apply(job, version, Guard.UNTOUCHED_ELEMENTS, People.of(request), edit));
    }

    private static void checkTexts(Fields fields) {
        fields.build("name", () -> Texts.allowLine("name", fields.text("name"), 80));
        fields.build("note", () -> Texts.allowNote("note", fields.text("note"), 1000));
        fields.build("position", () -> Texts.requireLine("position", fields.text("position"), 80));
    }

    @PostMapping("/jobs/{job}/fixtures/remove")
    public Object remove(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "remove", "/jobs/" + job + "/rig");
        List<FixtureKey> keys = reply.fields().keys("keys");
        long version = reply.version();
        if (keys.isEmpty()) {
            reply.fields().refuse("keys", "No fixture is chosen; choose one or more first.");
        }
        return reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(editor.apply(
                        job, version, Guard.UNTOUCHED_ELEMENTS, People.of(request), FixtureEdits.remove(keys)));
    }
}
