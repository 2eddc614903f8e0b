package taxon.app.rig.scene;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Objects;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import taxon.app.form.Reply;
import taxon.app.form.Uploaded;
import taxon.app.frame.Frames;
import taxon.app.proposals.ProposalDesk;
import taxon.app.store.ProposalStore.GivenFile;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.app.store.file.FileBytes;
import taxon.core.scene.MergeRequest;
import taxon.core.scene.SpecMode;
import taxon.core.text.Texts;
import taxon.formats.json.Json;
import taxon.formats.mvr.MvrReader;
import taxon.formats.mvr.ParsedMvr;

/** A scene file on its way in: given, and what of it shall be taken over. Until it is applied nothing is changed. */
@Controller
public class SceneController {
    private final Frames frames;
    private final ProposalDesk desk;
    private final SceneKind kind;

    public SceneController(Frames frames, ProposalDesk desk, SceneKind kind) {
        this.frames = frames;
        this.desk = desk;
        this.kind = kind;
    }

    @PostMapping("/jobs/{job}/scenes")
    public Object give(@PathVariable int job, @RequestParam("file") MultipartFile file, HttpServletRequest request)
            throws IOException {
        Reply reply = Reply.to(request, "scene", "/jobs/" + job + "/rig");
        String name = Texts.clip(Objects.requireNonNullElse(file.getOriginalFilename(), "scene.mvr"), 120);
        return Uploaded.asFile(file, content -> read(job, new GivenFile(name, content), reply));
    }

    private Object read(int job, GivenFile file, Reply reply) {
        long version = frames.state(job).version();
        ParsedMvr reading = MvrReader.read(new FileBytes(file.content()));
        if (reading instanceof ParsedMvr.Refused refused) {
            reply.fields().refuse("file", refused.sentence());
            return reply.refused();
        }
        int id = desk.open(job, version, kind, file, (ParsedMvr.Read) reading);
        return reply.done(
                "The scene was read; nothing is merged yet.",
                "/jobs/" + job + "/scenes/" + id,
                Json.object().put("scene", id));
    }

    /** What shall be taken over: {@code changes}, {@code addresses}, {@code removal}, {@code folders}; each given or not. */
    @PostMapping("/jobs/{job}/scenes/{id}/request")
    public Object choose(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "scene", "/jobs/" + job + "/scenes/" + id);
        StoredProposal stored = desk.find(job, id, SceneKind.NAME);
        MergeRequest wanted = new MergeRequest(
                reply.fields().has("changes"),
                reply.fields().has("addresses"),
                reply.fields().has("removal"),
                reply.fields().has("folders"),
                reply.fields().has("shares"));
        desk.choose(job, stored, SceneKind.NAME, SceneKind.request(stored, wanted));
        return reply.done("Looked at again with what you chose.", Json.object().put("scene", id));
    }

    /** What fixtures that say the same are: {@code spec} and {@code mode} as they say it, {@code to} as {@code heron/24-channel}; empty takes it back. */
    @PostMapping("/jobs/{job}/scenes/{id}/types")
    public Object settle(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "scene", "/jobs/" + job + "/scenes/" + id);
        StoredProposal stored = desk.find(job, id, SceneKind.NAME);
        String to = reply.fields().text("to");
        if (!to.isEmpty()
                && SceneKind.choice(to, kind.known(frames.state(job).plan())).isEmpty()) {
            reply.fields().refuse("to", "“" + Texts.clip(to, 60) + "” is no type and mode that is known here.");
            return reply.refused();
        }
        SpecMode said = new SpecMode(reply.fields().text("spec"), reply.fields().text("mode"));
        desk.choose(job, stored, SceneKind.NAME, SceneKind.request(stored, said, to));
        return reply.done(
                to.isEmpty() ? "Open again." : "Taken so.", Json.object().put("scene", id));
    }

    /** Looks at the file of a scene again that was merged or dropped, as for what the library has learnt since. */
    @PostMapping("/jobs/{job}/scenes/{id}/again")
    public Object again(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "scene", "/jobs/" + job + "/rig");
        StoredProposal stored = desk.find(job, id, SceneKind.NAME);
        int next = desk.again(job, frames.state(job).version(), kind, stored);
        return reply.done(
                "The scene was read again; nothing is merged yet.",
                "/jobs/" + job + "/scenes/" + next,
                Json.object().put("scene", next));
    }
}
