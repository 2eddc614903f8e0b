package taxon.app.form;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.web.multipart.MultipartFile;

/** A file that was given in a form. */
public final class Uploaded {
    private Uploaded() {}

    /** What is done with it while it is a file. */
    public interface Work<T> {
        T on(Path file) throws IOException;
    }

    /** Does something with it as a file on the disk, where it lies already: it is never in memory whole. */
    public static <T> T asFile(MultipartFile given, Work<T> work) throws IOException {
        Path file = Files.createTempFile("taxon", ".given");
        try {
            given.transferTo(file);
            return work.on(file);
        } finally {
            Files.deleteIfExists(file);
        }
    }
}
