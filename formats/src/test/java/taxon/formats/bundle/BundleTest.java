package taxon.formats.bundle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;

class BundleTest {
    private static final Bundle BUNDLE = new Bundle(
            "Lantern Pageant",
            "A",
            Instant.parse("2026-05-01T10:00:00Z"),
            Map.of("patch.csv", "abc".getBytes(StandardCharsets.US_ASCII), "job.json", new byte[0]));

    /** FIPS 180-4 example: SHA-256 of "abc" (from memory). */
    @Test
    void theManifestNamesEveryFileWithItsLengthAndSum() throws IOException {
        JsonNode files = Json.parse(entries().get(Bundle.MANIFEST)).path("files");
        assertThat(files.get(0).path("name").asString()).isEqualTo("job.json");
        assertThat(files.get(1).path("bytes").asInt()).isEqualTo(3);
        assertThat(files.get(1).path("sha256").asString())
                .isEqualTo("ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad");
    }

    @Test
    void theSameRevisionGivesTheSameBytes() {
        assertThat(BUNDLE.zip()).isEqualTo(BUNDLE.zip());
    }

    @Test
    void theFilesAreInTheZipAsTheyWereGiven() throws IOException {
        assertThat(entries()).containsOnlyKeys("job.json", "patch.csv", "manifest.json");
        assertThat(entries().get("patch.csv"))
                .asString(StandardCharsets.US_ASCII)
                .isEqualTo("abc");
    }

    @Test
    void nobodyElseWritesTheManifest() {
        Map<String, byte[]> files = Map.of(Bundle.MANIFEST, new byte[0]);
        assertThatThrownBy(() -> new Bundle("j", "A", Instant.EPOCH, files)).hasMessageContaining("manifest.json");
    }

    private static Map<String, byte[]> entries() throws IOException {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(BUNDLE.zip()))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                entries.put(entry.getName(), zip.readAllBytes());
            }
        }
        return entries;
    }
}
