package taxon.app.printing;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** How far something that is printed is, its file, and stopping it. */
@Controller
class PrintController {
    private final Frames frames;
    private final PrintTasks tasks;

    PrintController(Frames frames, PrintTasks tasks) {
        this.frames = frames;
        this.tasks = tasks;
    }

    private PrintTask task(int job, int print) {
        frames.state(job);
        return tasks.find(job, print)
                .orElseThrow(() -> new NotThereException("print " + print + "; its file was given up, print it again"));
    }

    @GetMapping("/jobs/{job}/prints/{print}")
    Object page(@PathVariable int job, @PathVariable int print, HttpServletRequest request, Model model) {
        PrintTask task = task(job, print);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, json(task));
        }
        frames.open(job, Optional.of(Stage.PAPERWORK), request, model);
        model.addAttribute("task", task);
        return "printing/page";
    }

    private static ObjectNode json(PrintTask task) {
        ObjectNode body = Json.object()
                .put("print", task.id())
                .put("title", task.title())
                .put("state", task.state().name().toLowerCase(Locale.ROOT))
                .put("percent", task.percent());
        if (!task.failure().isEmpty()) {
            body.put("failure", task.failure());
        }
        if (task.content().isPresent()) {
            body.put("file", "/jobs/" + task.job() + "/prints/" + task.id() + "/file");
        }
        return body;
    }

    @GetMapping("/jobs/{job}/prints/{print}/file")
    ResponseEntity<byte[]> file(@PathVariable int job, @PathVariable int print) {
        PrintTask task = task(job, print);
        byte[] content = task.content().orElseThrow(() -> new NotThereException("file of print " + print + " yet"));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(task.fileName(), StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(content);
    }

    @PostMapping("/jobs/{job}/prints/{print}/stop")
    Object stop(@PathVariable int job, @PathVariable int print, HttpServletRequest request) {
        PrintTask task = task(job, print);
        Reply reply = Reply.to(request, "stop", "/jobs/" + job + "/prints/" + print);
        return tasks.stop(task)
                ? reply.done("Stopped; nothing was noted as printed.", Json.object())
                : reply.conflicting("It is over already.");
    }
}
