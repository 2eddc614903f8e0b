package taxon.app.testing;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;

/** Opens what Taxon hands over, with other readers than its own. */
public final class Zips {
    private Zips() {}

    public static Map<String, byte[]> entries(byte[] zip) {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                entries.put(entry.getName(), in.readAllBytes());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return entries;
    }

    /** The text of a PDF as poppler's pdftotext reads it. */
    public static String pdfText(byte[] pdf) {
        try {
            Path file = Files.createTempFile("taxon", ".pdf");
            Files.write(file, pdf);
            Process process = new ProcessBuilder("pdftotext", "-layout", file.toString(), "-")
                    .redirectError(ProcessBuilder.Redirect.DISCARD)
                    .start();
            String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            Files.delete(file);
            return text;
        } catch (IOException e) {
            throw new AssertionError("pdftotext is needed: ./taxon test installs it", e);
        }
    }
}
