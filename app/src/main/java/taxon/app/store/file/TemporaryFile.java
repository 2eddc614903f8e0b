package taxon.app.store.file;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.Function;

/** A file that is there while somebody reads it, in the folder of the system for such, and gone afterwards. */
public final class TemporaryFile {
    private TemporaryFile() {}

    /** Fills a file. */
    public interface Filling {
        void into(OutputStream out) throws IOException;
    }

    /**
     * What is written, as a reader takes it from the file.
     *
     * @throws UncheckedIOException when it cannot be written
     */
    public static <T> T read(Filling filling, Function<Path, T> reader) {
        try {
            Path file = Files.createTempFile("taxon", ".part");
            try {
                try (OutputStream out = Files.newOutputStream(file)) {
                    filling.into(out);
                }
                return reader.apply(file);
            } finally {
                Files.deleteIfExists(file);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("no room for a temporary file", e);
        }
    }
}
