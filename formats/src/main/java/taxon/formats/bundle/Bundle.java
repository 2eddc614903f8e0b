package taxon.formats.bundle;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HexFormat;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/**
 * What is handed over: files by name, and what they are the state of.
 *
 * @param frozenAt the time written into every entry, so that the same revision gives the same bytes
 */
public record Bundle(String job, String revision, Instant frozenAt, Map<String, byte[]> files) {
    public static final String MANIFEST = "manifest.json";

    public Bundle {
        files = new TreeMap<>(files);
        if (files.containsKey(MANIFEST)) {
            throw new IllegalArgumentException(MANIFEST + " is written by the bundle itself");
        }
    }

    /** One ZIP with all files in the order of their names, the manifest last. */
    public byte[] zip() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes, StandardCharsets.UTF_8)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                write(zip, file.getKey(), file.getValue());
            }
            write(zip, MANIFEST, manifest().getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException("memory does not fail", e);
        }
        return bytes.toByteArray();
    }

    private void write(ZipOutputStream zip, String name, byte[] content) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        entry.setTimeLocal(frozenAt.atOffset(ZoneOffset.UTC).toLocalDateTime());
        zip.putNextEntry(entry);
        zip.write(content);
        zip.closeEntry();
    }

    private String manifest() {
        ObjectNode manifest = Json.object()
                .put("format", "taxon-handover")
                .put("version", 1)
                .put("job", job)
                .put("revision", revision)
                .put("frozenAt", frozenAt.toString());
        var list = manifest.putArray("files");
        files.forEach((name, content) ->
                list.addObject().put("name", name).put("bytes", content.length).put("sha256", sha256(content)));
        return Json.print(manifest);
    }

    /** The SHA-256 sum (FIPS 180-4) in lower-case hexadecimal. */
    public static String sha256(byte[] content) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(content));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has SHA-256", e);
        }
    }
}
