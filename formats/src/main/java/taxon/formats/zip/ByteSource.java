package taxon.formats.zip;

import java.io.IOException;
import java.nio.channels.SeekableByteChannel;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;

/** Bytes that can be read from any place, as often as wanted: in memory, or wherever the application keeps them. */
public interface ByteSource {
    /** How many there are. */
    long size();

    /** At the first of them; whoever opens it closes it. */
    SeekableByteChannel open() throws IOException;

    /** Bytes in memory. */
    static ByteSource of(byte[] bytes) {
        return new ByteSource() {
            @Override
            public long size() {
                return bytes.length;
            }

            @Override
            public SeekableByteChannel open() {
                return new SeekableInMemoryByteChannel(bytes);
            }
        };
    }
}
