package taxon.app.handover;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import taxon.formats.bundle.Bundle;

class BundleCommandTest {
    @TempDir
    private Path folder;

    private final ByteArrayOutputStream said = new ByteArrayOutputStream();

    private int run(String... arguments) {
        return new BundleCommand(new PrintStream(said, true, StandardCharsets.UTF_8)).run(List.of(arguments));
    }

    private String told() {
        return said.toString(StandardCharsets.UTF_8);
    }

    private Path bundle() throws IOException {
        byte[] zip = new Bundle(
                        "Lantern Pageant",
                        "A",
                        Instant.parse("2026-11-29T08:00:00Z"),
                        Map.of("job.json", "{}".getBytes(StandardCharsets.UTF_8)))
                .zip();
        return Files.write(folder.resolve("bundle.zip"), zip);
    }

    @Test
    void aWholeBundleIsOneLineAndStatusZero() throws IOException {
        assertThat(run("check", bundle().toString())).isZero();
        assertThat(told().strip())
                .isEqualTo("Whole: Revision A of Lantern Pageant, frozen 2026-11-29T08:00:00Z, 1 file.");
    }

    @Test
    void anyOtherFileIsToldAndStatusOne() throws IOException {
        Path other = Files.writeString(folder.resolve("other.zip"), "no bundle");
        assertThat(run("check", other.toString())).isEqualTo(1);
        assertThat(told()).contains("Not a bundle of Taxon.", "no ZIP archive");
        assertThat(run("check", folder.resolve("none.zip").toString())).isEqualTo(1);
        assertThat(told()).contains("cannot be read");
    }

    @Test
    void withoutAFileItIsNotUnderstood() {
        assertThat(run("check")).isEqualTo(2);
    }
}
