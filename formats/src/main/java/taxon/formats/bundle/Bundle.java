package taxon.formats.bundle;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.TreeMap;
import taxon.core.text.Sums;
import taxon.formats.json.Json;
import taxon.formats.zip.ArchiveOut;
import tools.jackson.databind.node.ObjectNode;

/**
 * What is handed over: files by name, and what they are the state of.
 *
 * @param frozenAt the time written into every entry, so that the same revision gives the same bytes
 */
public record Bundle(String job, String revision, Instant frozenAt, Map<String, byte[]> files) {
    public static final String MANIFEST = "manifest.json";

    static final String FORMAT = "taxon-handover";

    public Bundle {
        files = new TreeMap<>(files);
        if (files.containsKey(MANIFEST)) {
            throw new IllegalArgumentException(MANIFEST + " is written by the bundle itself");
        }
    }

    /** One ZIP with all files in the order of their names, the manifest last. */
    public byte[] zip() {
        Map<String, byte[]> content = new LinkedHashMap<>(files);
        content.put(MANIFEST, manifest().getBytes(StandardCharsets.UTF_8));
        return ArchiveOut.of(content, frozenAt.atOffset(ZoneOffset.UTC).toLocalDateTime());
    }

    private String manifest() {
        ObjectNode manifest = Json.object()
                .put("format", FORMAT)
                .put("version", 1)
                .put("job", job)
                .put("revision", revision)
                .put("frozenAt", frozenAt.toString());
        var list = manifest.putArray("files");
        files.forEach((name, content) ->
                list.addObject().put("name", name).put("bytes", content.length).put("sha256", Sums.of(content)));
        return Json.print(manifest);
    }
}
