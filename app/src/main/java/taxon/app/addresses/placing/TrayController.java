package taxon.app.addresses.placing;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.access.People;
import taxon.app.addresses.wish.PlacementJson;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.form.Fields;
import taxon.app.form.Reply;
import taxon.app.form.Selection;
import taxon.app.frame.Frames;
import taxon.app.proposals.ProposalDesk;
import taxon.core.addressing.PlaceAt;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Unplaced;
import taxon.core.rig.edit.Edit;
import taxon.formats.json.Json;

/** Puts what has no address yet where someone points at on a tape. */
@Controller
public class TrayController {
    private final Frames frames;
    private final JobEditor editor;
    private final ProposalDesk desk;

    public TrayController(Frames frames, JobEditor editor, ProposalDesk desk) {
        this.frames = frames;
        this.editor = editor;
        this.desk = desk;
    }

    /**
     * Places {@code sel}, as far as it has no address, or else the next of the tray, at {@code to}: one fixture at once and
     * there or not at all; several as a proposal that begins there.
     */
    @PostMapping("/jobs/{job}/addresses/tray")
    public Object place(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "tray", "/jobs/" + job + "/addresses");
        Fields fields = reply.fields();
        long version = reply.version();
        Plan plan = frames.state(job).plan();
        Optional<StartAddress> to = fields.address("to");
        List<PlannedBlock> waiting = waiting(plan, fields);
        if (waiting.isEmpty()) {
            fields.refuse("sel", "Everything has an address already.");
        }
        if (fields.isFaulty() || to.isEmpty()) {
            return reply.refused();
        }
        TreeSet<FixtureKey> keys = new TreeSet<>();
        waiting.forEach(b -> keys.add(b.fixture().key()));
        if (keys.size() > 1) {
            int id = desk.open(
                    job, version, PlacementKind.NAME, PlacementJson.write(PlaceAt.from(plan, keys, to.get())));
            return reply.done(
                    "Proposed; nothing has moved yet.",
                    "/jobs/" + job + "/proposals/" + id + Selection.of(keys).query(),
                    Json.object().put("proposal", id));
        }
        PlannedBlock first = waiting.get(0);
        Optional<Edit> edit = PlaceAt.exactly(plan, first, to.get());
        if (edit.isEmpty()) {
            fields.refuse("to", RefusalText.notFree(plan, keys, first, to.get()));
            return reply.refused();
        }
        return reply.after(editor.apply(job, version, Guard.UNCHANGED_JOB, People.of(request), edit.get()));
    }

    /** The chosen ones that wait; where none of the chosen does, the next of all. */
    private static List<PlannedBlock> waiting(Plan plan, Fields fields) {
        List<PlannedBlock> open = Unplaced.blocks(plan);
        Set<FixtureKey> keys = Set.copyOf(fields.keys("sel"));
        List<PlannedBlock> chosen =
                open.stream().filter(b -> keys.contains(b.fixture().key())).toList();
        return chosen.isEmpty() ? open.stream().limit(1).toList() : chosen;
    }
}
