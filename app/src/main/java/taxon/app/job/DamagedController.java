package taxon.app.job;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.servlet.ModelAndView;
import taxon.app.edit.DamagedJobException;
import taxon.app.edit.NoSuchJobException;
import taxon.app.form.Reply;
import taxon.app.store.RevisionStore;
import taxon.app.store.SalvageStore;
import taxon.app.store.SalvageStore.Salvaged;
import taxon.formats.json.JobJson;
import taxon.formats.json.Json;

/** Any page of a damaged job: what is wrong with it, and what of it can still be had. */
@Controller
@ControllerAdvice
class DamagedController {
    private static final int SHOWN = 30;

    private final SalvageStore store;
    private final RevisionStore revisions;

    DamagedController(SalvageStore store, RevisionStore revisions) {
        this.store = store;
        this.revisions = revisions;
    }

    @ExceptionHandler(DamagedJobException.class)
    Object damaged(DamagedJobException e, HttpServletRequest request) {
        int job = e.job();
        Salvaged left = salvage(job);
        if (Reply.wantsJson(request)) {
            var body = Json.object()
                    .put("status", HttpStatus.INTERNAL_SERVER_ERROR.value())
                    .put("readable", "/jobs/" + job + "/readable.json");
            var reasons = body.putArray("reasons");
            reasons.addObject().put("field", "").put("sentence", String.valueOf(e.getMessage()));
            left.faults().stream()
                    .limit(SHOWN)
                    .forEach(f -> reasons.addObject().put("field", "").put("sentence", f));
            return Reply.json(HttpStatus.INTERNAL_SERVER_ERROR, body);
        }
        ModelAndView page = new ModelAndView("job/damaged");
        page.setStatus(HttpStatus.INTERNAL_SERVER_ERROR);
        page.addObject("job", job);
        page.addObject("name", left.plan().sheet().name());
        page.addObject("fixtures", left.plan().fixtures().size());
        page.addObject("faults", left.faults().stream().limit(SHOWN).toList());
        page.addObject("more", Math.max(0, left.faults().size() - SHOWN));
        page.addObject("revisions", revisions.all(job));
        return page;
    }

    /** What can be read of a job, as a job file; for a job that is whole, all of it. */
    @GetMapping("/jobs/{job}/readable.json")
    ResponseEntity<String> readable(@PathVariable int job) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header("Content-Disposition", "attachment; filename=\"taxon-job-" + job + "-readable.json\"")
                .body(JobJson.print(salvage(job).plan()));
    }

    private Salvaged salvage(int job) {
        return store.salvage(job).orElseThrow(() -> new NoSuchJobException(job));
    }
}
