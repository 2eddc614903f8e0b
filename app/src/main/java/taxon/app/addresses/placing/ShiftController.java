package taxon.app.addresses.placing;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.access.People;
import taxon.app.addresses.tapes.LegalStarts;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.form.Fields;
import taxon.app.form.Reply;
import taxon.app.form.Selection;
import taxon.app.frame.Frames;
import taxon.app.proposals.ProposalDesk;
import taxon.core.addressing.Shift;
import taxon.core.addressing.space.Fits;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.edit.AddressEdits;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** Moving by hand on the tapes: where what is held may go, and putting it there. */
@Controller
public class ShiftController {
    private final Frames frames;
    private final JobEditor editor;
    private final ProposalDesk desk;

    public ShiftController(Frames frames, JobEditor editor, ProposalDesk desk) {
        this.frames = frames;
        this.editor = editor;
        this.desk = desk;
    }

    /** Where the chosen may go while {@code held} is held: the starts of the held block, by universe. */
    @GetMapping("/jobs/{job}/addresses/fits")
    public Object fits(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "shift", page(job));
        Plan plan = frames.state(job).plan();
        Optional<PlannedBlock> held = block(plan, reply.fields());
        List<FixtureKey> keys = keys(reply.fields(), held);
        if (held.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        ObjectNode body = Json.object().put("length", held.get().footprint());
        ObjectNode starts = body.putObject("starts");
        Map<UniverseNumber, List<SlotRange>> found = held.get().start().isEmpty()
                ? alone(plan, held.get())
                : Fits.without(plan, keys).together(Shift.blocks(plan, keys), held.get(), LegalStarts.universes(plan));
        found.forEach((universe, runs) -> {
            var list = starts.putArray(universe.toString());
            runs.forEach(r -> list.addArray().add(r.first()).add(r.last()));
        });
        return Reply.json(HttpStatus.OK, body);
    }

    /** Where one that has no address yet may begin. */
    private static Map<UniverseNumber, List<SlotRange>> alone(Plan plan, PlannedBlock block) {
        Fits fits = Fits.of(plan);
        Map<UniverseNumber, List<SlotRange>> starts = new TreeMap<>();
        LegalStarts.universes(plan).forEach(u -> starts.put(u, fits.starts(u, block.footprint())));
        return starts;
    }

    private static Optional<PlannedBlock> held(Plan plan, Fields fields) {
        Optional<PlannedBlock> block = block(plan, fields);
        if (block.filter(b -> b.start().isEmpty()).isPresent()) {
            fields.refuse("held", "There is no such block with an address any more.");
        }
        return block.filter(b -> b.start().isPresent());
    }

    private static Optional<PlannedBlock> block(Plan plan, Fields fields) {
        Optional<Integer> key = fields.number("held", "fixture that is held", 1, Integer.MAX_VALUE / 2);
        int block =
                fields.has("block") ? fields.number("block", "block", 1, 512).orElse(1) : 1;
        Optional<PlannedBlock> found = key.flatMap(k -> plan.block(new BlockRef(FixtureKey.of(k), block)));
        if (key.isPresent() && found.isEmpty()) {
            fields.refuse("held", "There is no such block any more.");
        }
        return found;
    }

    /** The chosen, when what is held is one of them; else what is held alone. */
    private static List<FixtureKey> keys(Fields fields, Optional<PlannedBlock> held) {
        Optional<FixtureKey> key = held.map(h -> h.fixture().key());
        List<FixtureKey> chosen = fields.keys("sel");
        return key.filter(k -> !chosen.contains(k)).map(List::of).orElse(chosen);
    }

    /** Puts one block where it is asked for, at once; several fixtures become a proposal. What does not fit goes nowhere. */
    @PostMapping("/jobs/{job}/addresses/shift")
    public Object shift(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "shift", page(job));
        Fields fields = reply.fields();
        long version = reply.version();
        Plan plan = frames.state(job).plan();
        Optional<PlannedBlock> held = held(plan, fields);
        Optional<StartAddress> to = fields.address("to");
        if (held.isEmpty() || fields.isFaulty()) {
            return reply.refused();
        }
        List<FixtureKey> keys = keys(fields, held);
        Map<BlockRef, StartAddress> wanted = Shift.of(Shift.blocks(plan, keys), held.get(), to.orElseThrow());
        if (!Shift.fits(plan, keys, held.get(), to.orElseThrow())) {
            fields.refuse("to", RefusalText.notFree(plan, keys, held.get(), to.orElseThrow()));
            return reply.refused();
        }
        if (keys.size() > 1) {
            int id = desk.open(job, version, PlacementKind.NAME, Answers.shift(keys, held.get(), to.orElseThrow()));
            return reply.done(
                    "Proposed; nothing has moved yet.",
                    "/jobs/" + job + "/proposals/" + id + Selection.of(keys).query(),
                    Json.object().put("proposal", id));
        }
        Map<BlockRef, Optional<StartAddress>> addresses = new TreeMap<>();
        wanted.forEach((ref, address) -> addresses.put(ref, Optional.of(address)));
        String title = held.get().label() + " to " + to.orElseThrow();
        return reply.after(editor.apply(
                job, version, Guard.UNCHANGED_JOB, People.of(request), AddressEdits.put(title, addresses)));
    }

    private static String page(int job) {
        return "/jobs/" + job + "/addresses";
    }
}
