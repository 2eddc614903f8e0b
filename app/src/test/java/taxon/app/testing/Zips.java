package taxon.app.testing;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

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

    /** An archive of these entries, written by the JDK. */
    public static byte[] zip(Map<String, byte[]> entries) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> entry : entries.entrySet()) {
                zip.putNextEntry(new ZipEntry(entry.getKey()));
                zip.write(entry.getValue());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
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
