package taxon.app.types;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.library.TypeLibrary;
import taxon.app.library.TypeLibrary.Import;
import taxon.app.store.LibraryStore.Original;
import taxon.core.fixture.FixtureType;
import taxon.formats.gdtf.GdtfWriter;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** GDTF files in and out. */
@Controller
class TypeFilesController {
    private static final MediaType GDTF = MediaType.APPLICATION_OCTET_STREAM;
    private static final int MOST_FILES = 100;

    private final Frames frames;
    private final TypeLibrary library;
    private final Clock clock;

    TypeFilesController(Frames frames, TypeLibrary library, Clock clock) {
        this.frames = frames;
        this.library = library;
        this.clock = clock;
    }

    @PostMapping("/jobs/{job}/types/import")
    Object give(@PathVariable int job, @RequestParam("file") List<MultipartFile> files, HttpServletRequest request)
            throws IOException {
        Reply reply = Reply.to(request, "gdtf", "/jobs/" + job + "/types");
        frames.state(job);
        if (files.size() > MOST_FILES) {
            reply.fields()
                    .refuse("file", files.size() + " files at once are too many; " + MOST_FILES + " is the most.");
            return reply.refused();
        }
        List<Import.Done> done = new ArrayList<>();
        for (MultipartFile file : files) {
            String name = Objects.requireNonNullElse(file.getOriginalFilename(), "type.gdtf");
            Import read = library.importFile(name, file.getBytes());
            if (read instanceof Import.Refused refused) {
                reply.fields().refuse("file", name + ": " + refused.sentence());
            } else {
                done.add((Import.Done) read);
            }
        }
        return done.isEmpty() ? reply.refused() : reply.done(told(done, reply), next(job, done), facts(done));
    }

    /** What was kept, and what was not: one bad file of many does not keep the others out. */
    private static String told(List<Import.Done> done, Reply reply) {
        int refused = reply.fields().fault().sentences().size();
        String kept = done.size() == 1 ? one(done.get(0)) : done.size() + " types read.";
        return refused == 0
                ? kept
                : kept + " " + String.join(" ", reply.fields().fault().sentences());
    }

    private static String one(Import.Done done) {
        String modes = done.modes() == 1 ? "1 mode" : done.modes() + " modes";
        String notes = done.notes().isEmpty()
                ? "nothing odd in the file"
                : done.notes().size() == 1 ? "1 note" : done.notes().size() + " notes";
        return done.name() + (done.again() ? " was here already and was read again: " : " read: ") + modes + ", "
                + notes + ".";
    }

    private static String next(int job, List<Import.Done> done) {
        return "/jobs/" + job + "/types" + (done.size() == 1 ? "/" + done.get(0).id() : "");
    }

    private static ObjectNode facts(List<Import.Done> done) {
        ObjectNode body = Json.object();
        var types = body.putArray("types");
        done.forEach(d -> {
            ObjectNode type = types.addObject()
                    .put("id", d.id().value())
                    .put("name", d.name())
                    .put("again", d.again());
            var notes = type.putArray("notes");
            d.notes().forEach(notes::add);
        });
        return body;
    }

    @GetMapping("/jobs/{job}/types/{id}/gdtf")
    ResponseEntity<byte[]> write(@PathVariable int job, @PathVariable String id) {
        FixtureType type = TypePaths.type(frames.state(job), library, id);
        return file(TypeLibrary.fileName(type), GdtfWriter.write(type, clock.instant()));
    }

    @GetMapping("/jobs/{job}/types/{id}/originals/{digest}")
    ResponseEntity<byte[]> original(@PathVariable int job, @PathVariable String id, @PathVariable String digest) {
        FixtureType type = TypePaths.type(frames.state(job), library, id);
        Original original = library.entry(type.id()).stream()
                .flatMap(e -> e.originals().stream())
                .filter(o -> o.digest().equals(digest))
                .findFirst()
                .orElseThrow(() -> new NotThereException("original file " + digest));
        return file(original.fileName(), library.original(digest).orElseThrow());
    }

    private static ResponseEntity<byte[]> file(String name, byte[] content) {
        return ResponseEntity.status(HttpStatus.OK)
                .contentType(GDTF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(
                                        name.replaceAll("[\\\\/\\p{Cntrl}]", "_"),
                                        java.nio.charset.StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(content);
    }
}
