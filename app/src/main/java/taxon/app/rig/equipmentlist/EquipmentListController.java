package taxon.app.rig.equipmentlist;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.util.Objects;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import taxon.app.form.Reply;
import taxon.app.form.Uploaded;
import taxon.app.frame.Frames;
import taxon.app.lists.ListFile;
import taxon.app.proposals.ProposalDesk;
import taxon.app.store.MappingStore;
import taxon.app.store.ProposalStore.GivenFile;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.text.Texts;
import taxon.formats.json.Json;
import taxon.formats.table.TableFile;
import taxon.formats.table.TableReader;

/** An equipment list on its way in: given, and spoken about. Until it is applied nothing is added. */
@Controller
public class EquipmentListController {
    private final Frames frames;
    private final ProposalDesk desk;
    private final EquipmentListKind kind;
    private final MappingStore mappings;

    public EquipmentListController(Frames frames, ProposalDesk desk, EquipmentListKind kind, MappingStore mappings) {
        this.frames = frames;
        this.desk = desk;
        this.kind = kind;
        this.mappings = mappings;
    }

    @PostMapping("/jobs/{job}/imports")
    public Object give(@PathVariable int job, @RequestParam("file") MultipartFile file, HttpServletRequest request)
            throws IOException {
        Reply reply = Reply.to(request, "import", "/jobs/" + job + "/rig");
        String name = Texts.clip(Objects.requireNonNullElse(file.getOriginalFilename(), "list.csv"), 120);
        return Uploaded.asFile(file, content -> read(job, new GivenFile(name, content), reply));
    }

    private Object read(int job, GivenFile file, Reply reply) throws IOException {
        long version = frames.state(job).version();
        byte[] content = Files.readAllBytes(file.content());
        ListFile given = new ListFile(content);
        if (TableReader.isReadInAMoment(content) && given.sheet("") instanceof TableFile.Unreadable unreadable) {
            reply.fields().refuse("file", unreadable.sentence());
            return reply.refused();
        }
        int id = desk.open(job, version, kind, file, given);
        return reply.done(
                "The list was read; nothing is added yet.",
                "/jobs/" + job + "/imports/" + id,
                Json.object().put("import", id));
    }

    @PostMapping("/jobs/{job}/imports/{id}/choices")
    public Object choose(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "choices", "/jobs/" + job + "/imports/" + id);
        StoredProposal stored = desk.find(job, id, EquipmentListKind.NAME);
        ListRequest before = ListRequest.read(ProposalDesk.request(stored));
        SaidOfList said = new SaidOfList(
                reply.fields(),
                () -> desk.computed(kind, stored, frames.state(job))
                        .get()
                        .orElseThrow()
                        .content());
        ListRequest now = said.applyTo(before, request.getParameterMap());
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        said.toKeep().ifPresent(mappings::keep);
        desk.choose(job, stored, EquipmentListKind.NAME, now.json());
        return reply.done(
                "The list was read again with what you said.", Json.object().put("import", id));
    }

    /** Forgets what columns hold that was kept by a name. */
    @PostMapping("/jobs/{job}/imports/{id}/forget")
    public Object forget(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "choices", "/jobs/" + job + "/imports/" + id);
        String name = reply.fields().text("kept");
        if (!mappings.forget(name)) {
            reply.fields().refuse("kept", "Nothing is kept under “" + name + "”.");
            return reply.refused();
        }
        return reply.done("“" + name + "” is forgotten.", Json.object().put("import", id));
    }
}
