package taxon.app.rig.equipmentlist;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import taxon.app.access.People;
import taxon.app.edit.EditOutcome;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.NewStops;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.library.TypeLibrary;
import taxon.app.store.ImportStore;
import taxon.app.store.ImportStore.StoredImport;
import taxon.app.store.Progress;
import taxon.core.equipmentlist.Choice;
import taxon.core.equipmentlist.EquipmentList;
import taxon.core.fixture.TypeId;
import taxon.core.text.Texts;
import taxon.formats.csv.EquipmentSheet;
import taxon.formats.csv.EquipmentSheet.Understood;
import taxon.formats.csv.EquipmentSheetReader;
import taxon.formats.json.Json;

/** An equipment list on its way in: given, looked at, corrected, then applied or dropped. Until then nothing is added. */
@Controller
public class EquipmentListController {
    private static final String CHOICE = "choice-";

    private final Frames frames;
    private final JobEditor editor;
    private final ImportStore imports;
    private final TypeLibrary library;

    public EquipmentListController(Frames frames, JobEditor editor, ImportStore imports, TypeLibrary library) {
        this.frames = frames;
        this.editor = editor;
        this.imports = imports;
        this.library = library;
    }

    @PostMapping("/jobs/{job}/imports")
    public Object give(@PathVariable int job, @RequestParam("file") MultipartFile file, HttpServletRequest request)
            throws IOException {
        Reply reply = Reply.to(request, "import", "/jobs/" + job + "/rig");
        frames.state(job);
        byte[] content = file.getBytes();
        if (EquipmentSheetReader.read(content) instanceof EquipmentSheet.Unreadable unreadable) {
            reply.fields().refuse("file", unreadable.sentence());
            return reply.refused();
        }
        String name = Texts.clip(Objects.requireNonNullElse(file.getOriginalFilename(), "list.csv"), 120);
        int id = editor.alone(() -> imports.add(job, name, content));
        return reply.done(
                "The list was read; nothing is added yet.",
                "/jobs/" + job + "/imports/" + id,
                Json.object().put("import", id));
    }

    @GetMapping("/jobs/{job}/imports/{id}")
    public Object look(@PathVariable int job, @PathVariable int id, HttpServletRequest request, Model model) {
        StoredImport stored = stored(job, id);
        JobState state = frames.state(job);
        Understood sheet = sheet(stored);
        EquipmentList intake = intake(state, stored, sheet);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, EquipmentListJson.write(state, stored, sheet, intake));
        }
        frames.open(job, Optional.of(Stage.RIG), request, model);
        model.addAttribute("stored", stored);
        model.addAttribute("sheet", sheet);
        model.addAttribute(
                "lines", intake.lines().stream().map(EquipmentListView::of).toList());
        model.addAttribute("fixtures", intake.fixtures());
        model.addAttribute("faulty", intake.faulty().size());
        return "rig/import";
    }

    @PostMapping("/jobs/{job}/imports/{id}/choices")
    public Object choose(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "choices", "/jobs/" + job + "/imports/" + id);
        StoredImport stored = stored(job, id);
        Map<Integer, Choice> choices = new LinkedHashMap<>(stored.choices());
        request.getParameterMap().forEach((name, values) -> {
            if (name.matches(CHOICE + "\\d{1,7}") && !values[0].isBlank()) {
                int slash = (values[0] + "/").indexOf('/');
                String type = values[0].substring(0, slash);
                String mode = slash < values[0].length() ? values[0].substring(slash + 1) : "";
                reply.fields()
                        .build(name, () -> new Choice(TypeId.of(type), mode))
                        .ifPresent(c -> choices.put(Integer.valueOf(name.substring(CHOICE.length())), c));
            }
        });
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        editor.alone(() -> {
            imports.choose(job, id, choices);
            return id;
        });
        return reply.done(
                "The list was read again with what you chose.", Json.object().put("import", id));
    }

    @PostMapping("/jobs/{job}/imports/{id}/apply")
    public Object apply(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "apply", "/jobs/" + job + "/imports/" + id);
        long version = reply.version();
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        return editor.alone(() -> {
            StoredImport stored = stored(job, id);
            if (stored.state() != Progress.OPEN) {
                return reply.conflicting(
                        "This list was " + word(stored) + " already; nothing was added a second time.");
            }
            EquipmentList intake = intake(frames.state(job), stored, sheet(stored));
            if (intake.ready().isEmpty()) {
                reply.fields().refuse("", "No row of the list can be added yet; see the reasons below.");
                return reply.refused();
            }
            EditOutcome outcome = editor.apply(job, version, Guard.UNCHANGED_JOB, People.of(request), intake.edit());
            if (!(outcome instanceof EditOutcome.Done done)) {
                return reply.after(outcome);
            }
            imports.end(job, id, Progress.APPLIED);
            return reply.done(
                    (done.title() + " added. " + NewStops.words(done)).strip(),
                    "/jobs/" + job + "/rig",
                    Json.object().put("version", done.version()));
        });
    }

    @PostMapping("/jobs/{job}/imports/{id}/drop")
    public Object drop(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "drop", "/jobs/" + job + "/imports/" + id);
        StoredImport stored = stored(job, id);
        boolean ended = editor.alone(() -> imports.end(job, id, Progress.DROPPED));
        return ended
                ? reply.done(
                        "The list was dropped.",
                        "/jobs/" + job + "/rig",
                        Json.object().put("import", id))
                : reply.conflicting("This list was " + word(stored) + " already.");
    }

    private static String word(StoredImport stored) {
        return stored.state() == Progress.APPLIED ? "applied" : "dropped";
    }

    private StoredImport stored(int job, int id) {
        return imports.find(job, id).orElseThrow(() -> new NotThereException("equipment list " + id));
    }

    /** Only lists that were understood are stored. */
    private static Understood sheet(StoredImport stored) {
        return (Understood) EquipmentSheetReader.read(stored.content());
    }

    private EquipmentList intake(JobState state, StoredImport stored, Understood sheet) {
        return EquipmentList.of(sheet.rows(), library.knownTo(state.plan()), stored.choices());
    }
}
