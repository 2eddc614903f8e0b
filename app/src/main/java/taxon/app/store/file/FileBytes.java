package taxon.app.store.file;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.SeekableByteChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import taxon.formats.zip.ByteSource;

/** The bytes of a file, of which readers take what they need. */
public record FileBytes(Path file) implements ByteSource {
    @Override
    public long size() {
        try {
            return Files.size(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public SeekableByteChannel open() throws IOException {
        return Files.newByteChannel(file);
    }
}
