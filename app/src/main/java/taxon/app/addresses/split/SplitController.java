package taxon.app.addresses.split;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.form.Selection;
import taxon.app.frame.Frame;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.core.dmx.StartAddress;
import taxon.core.proof.NeverSet;
import taxon.core.proof.TouchAgain;
import taxon.core.proof.TouchAgain.Difference;
import taxon.core.proof.TouchAgain.Stop;
import taxon.core.proof.TouchAgain.Unit;
import taxon.core.rig.FixtureKey;
import taxon.formats.csv.SpreadsheetCsv;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** What is spread over which universes, and what must be touched again. */
@Controller
public class SplitController {
    private static final List<String> TITLES =
            List.of("Position", "Unit", "Fixture", "Type", "Block", "Is", "Planned", "Set");

    private static final List<String> NEVER_TITLES = List.of("Position", "Unit", "Fixture", "Type", "Mode", "Planned");

    private final Frames frames;

    public SplitController(Frames frames) {
        this.frames = frames;
    }

    @GetMapping("/jobs/{job}/split")
    public String split(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.open(job, Optional.of(Stage.ADDRESSES), request, model);
        Frame frame = (Frame) Objects.requireNonNull(model.getAttribute("frame"));
        boolean byType = frame.view().value("by").equals("type");
        SplitMap map = SplitMap.of(state.plan(), byType);
        model.addAttribute("map", map);
        model.addAttribute("byType", byType);
        model.addAttribute(
                "picked",
                map.bands().stream()
                        .filter(b -> Selection.of(
                                        b.keys().stream().map(FixtureKey::of).toList())
                                .text()
                                .equals(frame.selection().text()))
                        .toList());
        return "addresses/split";
    }

    /** One unit of the walk. */
    public record Line(
            String position,
            int unit,
            int key,
            String id,
            String type,
            String block,
            String is,
            String planned,
            String what) {
        List<String> cells() {
            return List.of(position, Integer.toString(unit), id, type, block, is, planned, what);
        }
    }

    @GetMapping("/jobs/{job}/again")
    public Object again(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        List<Line> lines = lines(state);
        if (Reply.wantsJson(request)) {
            ObjectNode body = Json.object().put("job", job).put("version", state.version());
            var list = body.putArray("units");
            lines.forEach(l -> list.addObject()
                    .put("position", l.position())
                    .put("unit", l.unit())
                    .put("fixture", l.key())
                    .put("block", l.block())
                    .put("is", l.is())
                    .put("planned", l.planned())
                    .put("set", l.what()));
            var never = body.putArray("neverSet");
            neverSet(state)
                    .forEach(l -> never.addObject()
                            .put("position", l.position())
                            .put("unit", l.unit())
                            .put("fixture", l.key())
                            .put("planned", l.planned()));
            return Reply.json(HttpStatus.OK, body);
        }
        frames.open(job, Optional.of(Stage.ADDRESSES), request, model);
        model.addAttribute("lines", lines);
        model.addAttribute("never", neverSet(state));
        return "addresses/again";
    }

    /** A unit of which nothing is known. */
    public record Never(String position, int unit, int key, String id, String type, String mode, String planned) {
        List<String> cells() {
            return List.of(position, Integer.toString(unit), id, type, mode, planned);
        }
    }

    private static List<Never> neverSet(JobState state) {
        return NeverSet.of(state.plan()).stream()
                .flatMap(stop -> stop.units().stream()
                        .map(f -> new Never(
                                stop.position().name(),
                                f.unit(),
                                f.key().number(),
                                f.label(),
                                state.plan().type(f).shortName(),
                                f.mode(),
                                f.addresses().values().stream()
                                        .map(StartAddress::toString)
                                        .collect(Collectors.joining(" ")))))
                .toList();
    }

    @GetMapping("/jobs/{job}/never-set.csv")
    public ResponseEntity<byte[]> neverSetCsv(@PathVariable int job) {
        List<List<String>> rows = new ArrayList<>();
        neverSet(frames.state(job)).forEach(l -> rows.add(l.cells()));
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .body(SpreadsheetCsv.write(NEVER_TITLES, rows));
    }

    @GetMapping("/jobs/{job}/again.csv")
    public ResponseEntity<byte[]> csv(@PathVariable int job) {
        List<List<String>> rows = new ArrayList<>();
        lines(frames.state(job)).forEach(l -> rows.add(l.cells()));
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .body(SpreadsheetCsv.write(TITLES, rows));
    }

    private static List<Line> lines(JobState state) {
        List<Line> lines = new ArrayList<>();
        for (Stop stop : TouchAgain.of(state.plan())) {
            for (Unit unit : stop.units()) {
                unit.blocks().forEach(d -> lines.add(line(stop, unit, d)));
            }
        }
        return lines;
    }

    private static Line line(Stop stop, Unit unit, Difference difference) {
        String what = difference.isAddress() && difference.isMode()
                ? "address and mode"
                : difference.isAddress() ? "address" : "mode";
        return new Line(
                stop.position().name(),
                unit.fixture().unit(),
                unit.fixture().key().number(),
                unit.fixture().label(),
                difference.block().type().shortName(),
                difference.block().block().name(),
                difference.last().address() + ", " + difference.last().mode(),
                difference.block().start().map(StartAddress::toString).orElse("no address") + ", "
                        + difference.block().mode().name(),
                what);
    }
}
