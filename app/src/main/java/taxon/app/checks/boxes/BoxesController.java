package taxon.app.checks.boxes;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.core.network.Ipv4;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Boxes that are there, planned against found. */
@Controller
class BoxesController {
    private final Frames frames;
    private final BoxSearches searches;

    BoxesController(Frames frames, BoxSearches searches) {
        this.frames = frames;
        this.searches = searches;
    }

    private static String at(int job) {
        return "/jobs/" + job + "/checks/boxes";
    }

    @GetMapping("/jobs/{job}/checks/boxes")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        BoxSearch search = searches.of(job);
        List<BoxRow> rows = BoxRow.of(state.plan(), search);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, json(state, search, rows));
        }
        frames.open(job, Optional.of(Stage.CHECKS), request, model);
        model.addAttribute("search", search);
        model.addAttribute("rows", rows);
        model.addAttribute("outside", Allowed.outside(state.plan()));
        model.addAttribute("sum", sum(rows));
        model.addAttribute("writable", rows.stream().anyMatch(r -> r.box() > 0 && r.isOdd()));
        return "checks/boxes";
    }

    /** "3 planned: 2 as planned, 1 off; 1 not planned". */
    private static String sum(List<BoxRow> rows) {
        return rows.stream()
                .collect(Collectors.groupingBy(BoxRow::state, TreeMap::new, Collectors.counting()))
                .entrySet()
                .stream()
                .map(e ->
                        e.getValue() + " " + (e.getValue() > 1 && e.getKey().equals("differs") ? "differ" : e.getKey()))
                .collect(Collectors.joining(", "));
    }

    private static ObjectNode json(JobState state, BoxSearch search, List<BoxRow> rows) {
        ObjectNode body = Json.object()
                .put("job", state.job())
                .put("version", state.version())
                .put("running", search.running())
                .put("began", search.began().map(Object::toString).orElse(""))
                .put("left", search.left())
                .put("trouble", search.trouble());
        ArrayNode boxes = body.putArray("boxes");
        rows.forEach(r -> {
            ObjectNode box = boxes.addObject()
                    .put("box", r.box())
                    .put("name", r.name())
                    .put("planned", r.planned())
                    .put("found", r.found())
                    .put("state", r.state())
                    .put("facts", r.facts());
            ArrayNode ports = box.putArray("ports");
            r.ports().forEach(ports::add);
            ArrayNode differences = box.putArray("differences");
            r.differences().forEach(differences::add);
        });
        return body;
    }

    @PostMapping("/jobs/{job}/checks/boxes/look")
    Object look(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "look", at(job));
        JobState state = frames.state(job);
        List<Ipv4> outside = Allowed.outside(state.plan());
        boolean armed = reply.fields().text("arm").equals("network");
        searches.begin(job, state.plan(), armed);
        return reply.done(
                outside.isEmpty() || armed
                        ? "Boxes are being looked for."
                        : "Boxes on this machine are being looked for; others are not asked, since output to them is not armed.",
                Json.object());
    }

    @PostMapping("/jobs/{job}/checks/boxes/stop")
    Object stop(@PathVariable int job, HttpServletRequest request) {
        frames.state(job);
        searches.stop(job);
        return Reply.to(request, "look", at(job)).done("Stopping.", Json.object());
    }
}
