package taxon.app.paperwork;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.store.PrintStore;
import taxon.app.store.PrintStore.Which;
import taxon.core.paper.PaperKind;
import taxon.core.text.Texts;
import taxon.formats.json.Json;

/** Choices of papers that a job keeps by name. */
@Controller
class NamedPapersController {
    private static final int LONGEST = 60;
    private static final int MOST = 60;

    private final Frames frames;
    private final PrintStore prints;

    NamedPapersController(Frames frames, PrintStore prints) {
        this.frames = frames;
        this.prints = prints;
    }

    /** Keeps the paper that the rest of the fields say, in the place of another one of that name. */
    @PostMapping("/jobs/{job}/paperwork/{kind}/keep")
    Object keep(@PathVariable int job, @PathVariable("kind") String slug, HttpServletRequest request) {
        frames.state(job);
        PaperKind kind = PaperKind.of(slug).orElseThrow(() -> new NotThereException("paper " + slug));
        String query = PaperAsked.read(request).query();
        Reply reply = Reply.to(request, "keep", "/jobs/" + job + "/paperwork/" + slug + query);
        String name = reply.fields().text("name");
        reply.fields().build("name", () -> Texts.requireLine("name", name, LONGEST));
        boolean isNew = prints.named(job).stream().noneMatch(n -> n.name().equals(name));
        if (isNew && prints.named(job).size() >= MOST) {
            reply.fields().refuse("name", MOST + " choices are kept already; forget one first.");
        }
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        prints.name(name, new Which(job, kind, query));
        return reply.done(
                (isNew ? "Kept as “" : "Kept in the place of the other “") + name + "”.",
                Json.object().put("name", name));
    }

    @PostMapping("/jobs/{job}/paperwork/forget")
    Object forget(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "keep", "/jobs/" + job + "/paperwork");
        String name = reply.fields().text("name");
        return prints.forget(job, name)
                ? reply.done("“" + name + "” is forgotten.", Json.object().put("name", name))
                : reply.conflicting("Nothing is kept under that name.");
    }
}
