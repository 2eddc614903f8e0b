package taxon.app.start;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.zip.CRC32;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;

/**
 * A mark of the scripts and styles that pages load. It stands in their addresses, so that a browser keeps them for good and
 * asks anew when any of them has changed.
 */
public final class BuildMark {
    private BuildMark() {}

    /** Eight digits, the same for the same content, whatever the files' dates are. */
    public static String of(String pattern) {
        try {
            // Nobody is kept out by it, and every start waits for it.
            CRC32 sum = new CRC32();
            Resource[] files = new PathMatchingResourcePatternResolver().getResources(pattern);
            Arrays.sort(files, Comparator.comparing(f -> String.valueOf(f.getFilename())));
            for (Resource file : files) {
                if (file.isReadable()) {
                    sum.update(String.valueOf(file.getFilename()).getBytes(StandardCharsets.UTF_8));
                    try (InputStream in = file.getInputStream()) {
                        sum.update(in.readAllBytes());
                    }
                }
            }
            return HexFormat.of().toHexDigits((int) sum.getValue());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
