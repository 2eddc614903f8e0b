package taxon.app.start;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HexFormat;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import taxon.core.text.Sums;

/**
 * A mark of the scripts and styles that pages load. It stands in their addresses, so that a browser keeps them for good and
 * asks anew when any of them has changed.
 */
public final class BuildMark {
    private static final int SHOWN = 12;

    private BuildMark() {}

    /** The same for the same content, whatever the files' dates are. */
    public static String of(String pattern) {
        try {
            MessageDigest digest = Sums.sha256();
            Resource[] files = new PathMatchingResourcePatternResolver().getResources(pattern);
            Arrays.sort(files, Comparator.comparing(f -> String.valueOf(f.getFilename())));
            for (Resource file : files) {
                if (file.isReadable()) {
                    digest.update(String.valueOf(file.getFilename()).getBytes(StandardCharsets.UTF_8));
                    try (InputStream in = file.getInputStream()) {
                        digest.update(in.readAllBytes());
                    }
                }
            }
            return HexFormat.of().formatHex(digest.digest()).substring(0, SHOWN);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
