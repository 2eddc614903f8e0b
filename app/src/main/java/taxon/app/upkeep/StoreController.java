package taxon.app.upkeep;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.form.FormFault;
import taxon.app.form.Reply;
import taxon.app.store.SummaryStore;
import taxon.app.store.UpkeepStore;
import taxon.app.store.copies.BackupFolder.Backup;
import taxon.app.store.copies.CopyFailedException;
import taxon.app.store.file.StoreFile;
import taxon.formats.json.Json;

/** The page of the store: how large it is and by what, its copies, its checks, and what can be taken out of it. */
@Controller
class StoreController {
    private static final String PAGE = "/store";

    private final StoreFile file;
    private final UpkeepStore store;
    private final SummaryStore summaries;
    private final Backups backups;
    private final WholeCheck check;
    private final Upkeep upkeep;

    StoreController(
            StoreFile file,
            UpkeepStore store,
            SummaryStore summaries,
            Backups backups,
            WholeCheck check,
            Upkeep upkeep) {
        this.file = file;
        this.store = store;
        this.summaries = summaries;
        this.backups = backups;
        this.check = check;
        this.upkeep = upkeep;
    }

    /** A job whose history could be thinned, or was. */
    record History(int job, String name, int thinnable, String thinned) {}

    @GetMapping(PAGE)
    Object page(HttpServletRequest request, Model model) {
        StoreView view = StoreView.of(file, store.size(), backups, check);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, view.json());
        }
        model.addAttribute("store", view);
        model.addAttribute("histories", histories());
        Object fault = request.getAttribute(FormFault.NAME);
        model.addAttribute(FormFault.NAME, fault == null ? FormFault.NONE : fault);
        return "upkeep/store";
    }

    private List<History> histories() {
        return summaries.all().stream()
                .map(s -> new History(
                        s.job(),
                        s.name(),
                        store.thinnable(s.job()),
                        store.thinned(s.job()).map(UpkeepStore.Thinned::words).orElse("")))
                .filter(h -> h.thinnable() > 0 || !h.thinned().isEmpty())
                .toList();
    }

    @PostMapping("/store/backups")
    Object backup(HttpServletRequest request) {
        Reply reply = Reply.to(request, "backup", PAGE);
        try {
            Backup made = backups.make();
            return reply.done(
                    "Copied and checked: " + made.path() + ", " + made.size() + ".",
                    Json.object().put("file", made.path().toString()).put("bytes", made.bytes()));
        } catch (CopyFailedException e) {
            reply.fields().refuse("", String.valueOf(e.getMessage()));
            return reply.failed(HttpStatus.INSUFFICIENT_STORAGE);
        }
    }

    @PostMapping("/store/check")
    Object check(HttpServletRequest request) {
        upkeep.checkAll();
        return Reply.to(request, "check", PAGE)
                .done("The whole store is being checked; the result comes to this page.", Json.object());
    }

    @PostMapping("/store/compact")
    Object compact(HttpServletRequest request) {
        long before = store.size().bytes();
        store.compact();
        long after = store.size().bytes();
        return Reply.to(request, "compact", PAGE)
                .done(
                        StoreView.compacted(before, after),
                        Json.object().put("before", before).put("after", after));
    }

    @PostMapping("/store/jobs/{job}/thin")
    Object thin(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "thin", PAGE);
        int gone = store.thin(job);
        return gone == 0
                ? reply.conflicting("Nothing stands behind the newest revision of job " + job + " that could go.")
                : reply.done(
                        gone + (gone == 1 ? " entry" : " entries") + " of the history of job " + job + " are out.",
                        Json.object().put("entries", gone));
    }
}
