package taxon.app.rig.equipmentlist;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.proposals.ProposalDesk;
import taxon.app.store.ProposalStore.GivenFile;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.equipmentlist.Choice;
import taxon.core.fixture.TypeId;
import taxon.core.text.Texts;
import taxon.formats.csv.EquipmentSheet;
import taxon.formats.csv.EquipmentSheetReader;
import taxon.formats.json.Json;

/** An equipment list on its way in: given, and corrected. Until it is applied nothing is added. */
@Controller
public class EquipmentListController {
    private static final String CHOICE = "choice-";

    private final Frames frames;
    private final ProposalDesk desk;
    private final EquipmentListKind kind;

    public EquipmentListController(Frames frames, ProposalDesk desk, EquipmentListKind kind) {
        this.frames = frames;
        this.desk = desk;
        this.kind = kind;
    }

    @PostMapping("/jobs/{job}/imports")
    public Object give(@PathVariable int job, @RequestParam("file") MultipartFile file, HttpServletRequest request)
            throws IOException {
        Reply reply = Reply.to(request, "import", "/jobs/" + job + "/rig");
        long version = frames.state(job).version();
        byte[] content = file.getBytes();
        EquipmentSheet sheet = EquipmentSheetReader.read(content);
        if (sheet instanceof EquipmentSheet.Unreadable unreadable) {
            reply.fields().refuse("file", unreadable.sentence());
            return reply.refused();
        }
        String name = Texts.clip(Objects.requireNonNullElse(file.getOriginalFilename(), "list.csv"), 120);
        int id = desk.open(job, version, kind, new GivenFile(name, content), (EquipmentSheet.Understood) sheet);
        return reply.done(
                "The list was read; nothing is added yet.",
                "/jobs/" + job + "/imports/" + id,
                Json.object().put("import", id));
    }

    @PostMapping("/jobs/{job}/imports/{id}/choices")
    public Object choose(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "choices", "/jobs/" + job + "/imports/" + id);
        StoredProposal stored = desk.find(job, id, EquipmentListKind.NAME);
        Map<Integer, Choice> choices = new LinkedHashMap<>(EquipmentListKind.choices(stored));
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
        desk.choose(job, stored, EquipmentListKind.NAME, EquipmentListKind.request(choices));
        return reply.done(
                "The list was read again with what you chose.", Json.object().put("import", id));
    }
}
