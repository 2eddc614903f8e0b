package taxon.app.rig.scene;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.HashMap;
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
import taxon.app.edit.EditOutcome;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.library.TypeLibrary;
import taxon.app.store.Progress;
import taxon.app.store.SceneStore;
import taxon.app.store.SceneStore.StoredScene;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeSource;
import taxon.core.rig.Plan;
import taxon.core.scene.MergeRequest;
import taxon.core.scene.SceneFixture;
import taxon.core.scene.SceneMerge;
import taxon.core.scene.SceneProposal;
import taxon.core.text.Texts;
import taxon.formats.gdtf.GdtfReader;
import taxon.formats.gdtf.GdtfReading;
import taxon.formats.json.Json;
import taxon.formats.mvr.MvrReader;
import taxon.formats.mvr.MvrReading;

/** A scene file on its way in: given, looked at, then merged or dropped. Until then nothing is changed. */
@Controller
public class SceneController {
    private final Frames frames;
    private final JobEditor editor;
    private final SceneStore scenes;
    private final TypeLibrary library;

    public SceneController(Frames frames, JobEditor editor, SceneStore scenes, TypeLibrary library) {
        this.frames = frames;
        this.editor = editor;
        this.scenes = scenes;
        this.library = library;
    }

    @PostMapping("/jobs/{job}/scenes")
    public Object give(@PathVariable int job, @RequestParam("file") MultipartFile file, HttpServletRequest request)
            throws IOException {
        Reply reply = Reply.to(request, "scene", "/jobs/" + job + "/rig");
        frames.state(job);
        byte[] content = file.getBytes();
        if (MvrReader.read(content) instanceof MvrReading.Refused refused) {
            reply.fields().refuse("file", refused.sentence());
            return reply.refused();
        }
        String name = Texts.clip(Objects.requireNonNullElse(file.getOriginalFilename(), "scene.mvr"), 120);
        int id = editor.alone(() -> scenes.add(job, name, content));
        return reply.done(
                "The scene was read; nothing is merged yet.",
                "/jobs/" + job + "/scenes/" + id,
                Json.object().put("scene", id));
    }

    @GetMapping("/jobs/{job}/scenes/{id}")
    public Object look(@PathVariable int job, @PathVariable int id, HttpServletRequest request, Model model) {
        StoredScene stored = stored(job, id);
        JobState state = frames.state(job);
        MvrReading.Read scene = scene(stored);
        SceneProposal proposal =
                SceneMerge.propose(state.plan(), scene.scene(), known(state.plan(), scene), stored.request());
        SceneView view = SceneView.of(stored, scene, proposal);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, view.json().put("version", state.version()));
        }
        frames.open(job, Optional.of(Stage.RIG), request, model);
        model.addAttribute("scene", view);
        return "rig/scene";
    }

    private StoredScene stored(int job, int id) {
        return scenes.find(job, id).orElseThrow(() -> new NotThereException("scene " + id));
    }

    private static MvrReading.Read scene(StoredScene stored) {
        return (MvrReading.Read) MvrReader.read(stored.content());
    }

    /** The types by the names of their files: those of the archive as they would be read, else such as are known by name. */
    private Map<String, FixtureType> known(Plan plan, MvrReading.Read scene) {
        Map<String, FixtureType> types = new HashMap<>();
        TypeSource source = library.knownTo(plan);
        scene.scene().fixtures().stream().map(SceneFixture::spec).distinct().forEach(spec -> {
            Optional<FixtureType> read = Optional.ofNullable(scene.types().get(spec))
                    .map(GdtfReader::read)
                    .filter(GdtfReading.Read.class::isInstance)
                    .map(r -> ((GdtfReading.Read) r).type());
            read.or(() -> named(source, spec)).ifPresent(t -> types.put(spec, t));
        });
        return types;
    }

    /** Files are called "maker@type@remark.gdtf", common practice. */
    private static Optional<FixtureType> named(TypeSource source, String spec) {
        String[] parts = spec.replaceAll("(?i)\\.gdtf$", "").split("@");
        return parts.length < 2
                ? Optional.empty()
                : source.named(parts[0].replace('_', ' '), parts[1].replace('_', ' '));
    }

    /** What shall be taken over: {@code changes}, {@code addresses}, {@code removal}, {@code folders}; each given or not. */
    @PostMapping("/jobs/{job}/scenes/{id}/request")
    public Object choose(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "scene", "/jobs/" + job + "/scenes/" + id);
        stored(job, id);
        MergeRequest wanted = new MergeRequest(
                reply.fields().has("changes"),
                reply.fields().has("addresses"),
                reply.fields().has("removal"),
                reply.fields().has("folders"));
        editor.alone(() -> {
            scenes.choose(job, id, wanted);
            return id;
        });
        return reply.done("Looked at again with what you chose.", Json.object().put("scene", id));
    }

    @PostMapping("/jobs/{job}/scenes/{id}/apply")
    public Object apply(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "apply", "/jobs/" + job + "/scenes/" + id);
        StoredScene stored = stored(job, id);
        long version = reply.version();
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        return editor.alone(() -> {
            if (stored(job, id).state() != Progress.OPEN) {
                return reply.conflicting("This scene was ended already; nothing was merged a second time.");
            }
            MvrReading.Read scene = scene(stored);
            JobState now = frames.state(job);
            // A form that comes too late leaves nothing in the library either.
            Map<String, FixtureType> types =
                    version == now.version() ? kept(now.plan(), scene) : known(now.plan(), scene);
            SceneProposal proposal = SceneMerge.propose(now.plan(), scene.scene(), types, stored.request());
            EditOutcome outcome = editor.apply(job, version, Guard.UNCHANGED_JOB, reply.who(), proposal.edit());
            if (!(outcome instanceof EditOutcome.Done || outcome instanceof EditOutcome.NoChange)) {
                return reply.after(outcome);
            }
            scenes.end(job, id, Progress.APPLIED);
            return reply.going("/jobs/" + job + "/rig").after(outcome);
        });
    }

    /** As {@link #known}, but the types of the archive are kept in the library with their files. */
    private Map<String, FixtureType> kept(Plan plan, MvrReading.Read scene) {
        Map<String, FixtureType> types = known(plan, scene);
        scene.types().forEach((spec, file) -> {
            if (library.importFile(spec, file) instanceof TypeLibrary.Import.Done done) {
                library.find(done.id()).ifPresent(t -> types.put(spec, t));
            }
        });
        return types;
    }

    @PostMapping("/jobs/{job}/scenes/{id}/drop")
    public Object drop(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "drop", "/jobs/" + job + "/scenes/" + id);
        stored(job, id);
        return editor.alone(() -> scenes.end(job, id, Progress.DROPPED))
                ? reply.done(
                        "Dropped; nothing was merged.",
                        "/jobs/" + job + "/rig",
                        Json.object().put("scene", id))
                : reply.conflicting("This scene was ended already.");
    }
}
