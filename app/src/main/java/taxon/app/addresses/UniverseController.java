package taxon.app.addresses;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import taxon.app.addresses.tapes.SlotLine;
import taxon.app.addresses.tapes.SlotsSvg;
import taxon.app.addresses.tapes.TapesDrawing;
import taxon.app.addresses.tapes.TintBy;
import taxon.app.edit.JobState;
import taxon.app.form.NotThereException;
import taxon.app.frame.Frame;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.core.addressing.space.Fits;
import taxon.core.dmx.Slot;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.formats.csv.SpreadsheetCsv;

/** One universe slot by slot, to read and as a file. */
@Controller
public class UniverseController {
    private static final List<String> TITLES = List.of("Slot", "Fixture", "Type", "Drives", "Byte", "At rest");

    private final Frames frames;

    public UniverseController(Frames frames) {
        this.frames = frames;
    }

    @GetMapping("/jobs/{job}/universes/{number}")
    public String page(@PathVariable int job, @PathVariable int number, HttpServletRequest request, Model model) {
        Universe universe = universe(frames.state(job).plan(), number);
        JobState state = frames.open(job, Optional.of(Stage.ADDRESSES), request, model);
        Frame frame = (Frame) Objects.requireNonNull(model.getAttribute("frame"));
        Plan plan = state.plan();
        TintBy tints = TintBy.of(plan, frame.view().value("tint"));
        List<SlotLine> lines = SlotLine.of(plan, universe.number(), tints);
        model.addAttribute("universe", universe);
        model.addAttribute("route", TapesDrawing.routeWords(universe));
        model.addAttribute("slots", SlotsSvg.of(lines, number));
        model.addAttribute(
                "lines", lines.stream().filter(l -> !l.attribute().isEmpty()).toList());
        model.addAttribute(
                "lastSlot", plan.wish().map(w -> w.headroom().lastSlot()).orElse(Slot.LAST));
        model.addAttribute("space", Fits.of(plan).freeSpace(universe.number()));
        model.addAttribute("titles", TITLES);
        return "addresses/universe";
    }

    private static Universe universe(Plan plan, int number) {
        return plan.universes().stream()
                .filter(u -> u.number().number() == number)
                .findFirst()
                .orElseThrow(() -> new NotThereException("universe " + number + " in use"));
    }

    @GetMapping("/jobs/{job}/universes/{number}.csv")
    public ResponseEntity<byte[]> csv(@PathVariable int job, @PathVariable int number) {
        Plan plan = frames.state(job).plan();
        UniverseNumber universe = universe(plan, number).number();
        List<List<String>> rows = new ArrayList<>();
        SlotLine.of(plan, universe, TintBy.of(plan, "")).forEach(l -> rows.add(l.cells()));
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("universe-" + number + ".csv")
                                .build()
                                .toString())
                .body(SpreadsheetCsv.write(TITLES, rows));
    }
}
