package taxon.app.addresses;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.access.People;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.form.Fields;
import taxon.app.form.Reply;
import taxon.core.fixture.Mode;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.LockEdits;
import taxon.core.rig.edit.ShareEdits;

/** What proposals must heed about single fixtures: shared addresses, and locks. */
@Controller
public class ShareController {
    private static final int LONGEST_REASON = 80;

    private final JobEditor editor;

    public ShareController(JobEditor editor) {
        this.editor = editor;
    }

    /** Lets one block of each of the chosen have one address, that of the first of them that has any. */
    @PostMapping("/jobs/{job}/shares")
    public Object share(@PathVariable int job, HttpServletRequest request) {
        Reply reply = reply(job, request, "share");
        Fields fields = reply.fields();
        Optional<Integer> block =
                fields.has("block") ? fields.number("block", "block", 1, Mode.MOST_BLOCKS) : Optional.of(1);
        if (fields.text("why").length() > LONGEST_REASON) {
            fields.refuse("why", "The reason has more than " + LONGEST_REASON + " characters.");
        }
        if (fields.keys("sel").size() < 2) {
            fields.refuse("sel", "Two fixtures or more share an address; choose them first.");
        }
        return change(job, request, reply, keys -> ShareEdits.share(blocks(keys, block.orElse(1)), fields.text("why")));
    }

    /** Ends the sharing of one block of each of the chosen; their addresses stay. */
    @PostMapping("/jobs/{job}/shares/part")
    public Object part(@PathVariable int job, HttpServletRequest request) {
        Reply reply = reply(job, request, "share");
        Fields fields = reply.fields();
        Optional<Integer> block =
                fields.has("block") ? fields.number("block", "block", 1, Mode.MOST_BLOCKS) : Optional.of(1);
        return change(job, request, reply, keys -> ShareEdits.part(blocks(keys, block.orElse(1))));
    }

    private static List<BlockRef> blocks(List<FixtureKey> keys, int block) {
        return keys.stream().map(k -> new BlockRef(k, block)).toList();
    }

    /** Locks the chosen, so that no proposal moves them; with {@code locked=no} they may be moved again. */
    @PostMapping("/jobs/{job}/fixtures/lock")
    public Object lock(@PathVariable int job, HttpServletRequest request) {
        Reply reply = reply(job, request, "lock");
        boolean locked = !reply.fields().text("locked").equals("no");
        return change(job, request, reply, keys -> LockEdits.lock(keys, locked));
    }

    private static Reply reply(int job, HttpServletRequest request, String form) {
        return Reply.to(request, form, "/jobs/" + job + "/addresses");
    }

    private Object change(int job, HttpServletRequest request, Reply reply, Function<List<FixtureKey>, Edit> edit) {
        long version = reply.version();
        List<FixtureKey> keys = reply.fields().keys("sel");
        if (keys.isEmpty()) {
            reply.fields().refuse("sel", "No fixture is chosen; choose some first.");
        }
        return reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(
                        editor.apply(job, version, Guard.UNTOUCHED_ELEMENTS, People.of(request), edit.apply(keys)));
    }
}
