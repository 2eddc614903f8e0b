package taxon.app.handover;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.store.Revision;
import taxon.app.store.RevisionStore;
import taxon.core.text.Sums;
import taxon.formats.bundle.BundleCheck;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** Is this bundle whole, and is it a revision of this job as it is kept here? Nothing of it is kept. */
@Controller
class BundleController {
    private final Frames frames;
    private final RevisionStore revisions;

    BundleController(Frames frames, RevisionStore revisions) {
        this.frames = frames;
        this.revisions = revisions;
    }

    @PostMapping("/jobs/{job}/bundles/check")
    Object check(
            @PathVariable int job, @RequestParam("file") MultipartFile file, HttpServletRequest request, Model model)
            throws IOException {
        frames.state(job);
        BundleCheck check = BundleCheck.of(file.getBytes());
        String here = check.document().isEmpty() ? "" : here(job, check);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, json(check, here));
        }
        frames.open(job, Optional.of(Stage.HANDOVER), request, model);
        model.addAttribute("verdict", BundleText.verdict(check));
        model.addAttribute("check", check);
        model.addAttribute("here", here);
        return "handover/check";
    }

    /** Held against the revision of those letters that this job has here. */
    private String here(int job, BundleCheck check) {
        Optional<Revision> own = revisions.all(job).stream()
                .filter(r -> r.letters().equals(check.revision()))
                .findFirst();
        return own.map(r -> Sums.of(revisions.document(job, r).getBytes(StandardCharsets.UTF_8))
                                .equals(check.document())
                        ? "It holds the same job as revision " + r.letters() + " of this one."
                        : "Revision " + r.letters() + " of this job is another one.")
                .orElse("This job has no revision " + check.revision() + ".");
    }

    private static ObjectNode json(BundleCheck check, String here) {
        ObjectNode body = Json.object()
                .put("whole", check.isWhole())
                .put("job", check.job())
                .put("revision", check.revision())
                .put("frozenAt", check.frozenAt())
                .put("files", check.files())
                .put("here", here);
        var troubles = body.putArray("troubles");
        check.troubles().forEach(t -> troubles.add(t.words()));
        return body;
    }
}
