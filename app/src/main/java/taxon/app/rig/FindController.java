package taxon.app.rig;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import taxon.app.form.Reply;
import taxon.app.form.Selection;
import taxon.app.frame.Frames;
import taxon.core.jot.JotFind;
import taxon.core.rig.Fixture;
import taxon.formats.json.Json;

/** Finds fixtures by ID, by address, or by a word of their name, type or position, and chooses them. */
@Controller
public class FindController {
    private final Frames frames;

    public FindController(Frames frames) {
        this.frames = frames;
    }

    @GetMapping("/jobs/{job}/find")
    public Object find(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "find", "/jobs/" + job + "/rig");
        String wanted = reply.fields().text("q");
        List<Fixture> found = wanted.isEmpty()
                ? List.of()
                : JotFind.matching(frames.state(job).plan(), wanted);
        if (found.isEmpty()) {
            reply.fields()
                    .refuse(
                            "q",
                            "Nothing is called " + (wanted.isEmpty() ? "so" : "“" + wanted + "”")
                                    + "; try a fixture ID, an address such as 2.73, or a word of a name, type or position.");
            return reply.refused();
        }
        Selection selection = Selection.of(found.stream().map(Fixture::key).toList());
        String path = reply.page().replaceAll("\\?.*", "") + selection.query();
        var facts = Json.object();
        var keys = facts.putArray("keys");
        selection.keys().forEach(k -> keys.add(k.number()));
        return reply.done(
                found.size() == 1 ? "Found " + found.get(0).label() + "." : "Found " + found.size() + ".", path, facts);
    }
}
