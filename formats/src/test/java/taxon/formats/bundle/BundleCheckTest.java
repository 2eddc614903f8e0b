package taxon.formats.bundle;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.text.Sums;
import taxon.formats.bundle.BundleCheck.Trouble;
import taxon.formats.zip.ArchiveOut;

class BundleCheckTest {
    private static final Map<String, byte[]> FILES =
            Map.of("job.json", bytes("{}"), "papers/by-fixture.csv", bytes("Fixture ID\r\n101\r\n"));

    private static final byte[] WHOLE =
            new Bundle("Lantern Pageant", "B", Instant.parse("2026-11-29T08:00:00Z"), FILES).zip();

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    /** The files of the whole bundle, to be packed again otherwise. */
    private static Map<String, byte[]> unpacked() throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(WHOLE))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                files.put(entry.getName(), in.readAllBytes());
            }
        }
        return files;
    }

    private static List<String> troubles(Map<String, byte[]> files) {
        return BundleCheck.of(ArchiveOut.of(files, LocalDateTime.of(2026, 1, 1, 0, 0))).troubles().stream()
                .map(Trouble::words)
                .toList();
    }

    @Test
    void aBundleAsItWasWrittenIsWhole() {
        BundleCheck check = BundleCheck.of(WHOLE);
        assertThat(check.troubles()).isEmpty();
        assertThat(check.job()).isEqualTo("Lantern Pageant");
        assertThat(check.revision()).isEqualTo("B");
        assertThat(check.files()).isEqualTo(2);
        assertThat(check.document()).isEqualTo(Sums.of(bytes("{}")));
    }

    @Test
    void packedAgainWithTheSameFilesItIsStillWhole() throws IOException {
        assertThat(troubles(unpacked())).isEmpty();
    }

    @Test
    void aFileThatSomebodyChangedIsNamed() throws IOException {
        Map<String, byte[]> files = unpacked();
        files.put("papers/by-fixture.csv", bytes("Fixture ID\r\n102\r\n"));
        assertThat(troubles(files)).containsExactly("papers/by-fixture.csv is not what was handed over.");
    }

    @Test
    void aFileThatIsGoneAndOneThatWasPutInAreNamed() throws IOException {
        Map<String, byte[]> files = unpacked();
        files.remove("papers/by-fixture.csv");
        files.put("papers/mine.csv", bytes("x"));
        assertThat(troubles(files))
                .containsExactly("papers/by-fixture.csv is missing.", "papers/mine.csv was not handed over with it.");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "{", "[]", "{\"format\":\"other\"}", "null"})
    void aManifestThatSaysNothingIsASentence(String manifest) throws IOException {
        Map<String, byte[]> files = unpacked();
        files.put(Bundle.MANIFEST, bytes(manifest));
        assertThat(troubles(files))
                .singleElement()
                .asString()
                .startsWith("There is no manifest.json of a bundle in it");
    }

    @Test
    void whatIsCutOffIsNoArchive() {
        for (int length = 0; length < WHOLE.length; length += 37) {
            assertThat(BundleCheck.of(java.util.Arrays.copyOf(WHOLE, length)).isWhole())
                    .isFalse();
        }
    }
}
