package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import taxon.app.testing.TaxonServer;

/** The examples of docs/http.md, run by bash as they stand there, each command having to succeed. */
class HttpDocumentTest {
    private static final Pattern BLOCK = Pattern.compile("```bash\\n(.*?)```", Pattern.DOTALL);

    @Test
    void everyExampleWorksAsItStandsThere(@TempDir Path folder) throws Exception {
        List<String> blocks = BLOCK.matcher(Files.readString(document()))
                .results()
                .map(r -> r.group(1))
                .toList();
        assertThat(blocks).hasSizeGreaterThan(5);
        Path script = folder.resolve("examples.sh");
        Files.writeString(script, "set -euxo pipefail\n" + String.join("\n", blocks));
        File log = folder.resolve("log.txt").toFile();
        try (TaxonServer server = TaxonServer.empty()) {
            ProcessBuilder bash = new ProcessBuilder("bash", script.toString()).directory(folder.toFile());
            bash.environment().put("BASE", server.url());
            Process process = bash.redirectErrorStream(true).redirectOutput(log).start();
            assertThat(process.waitFor(120, TimeUnit.SECONDS)).isTrue();
            assertThat(process.exitValue())
                    .as(Files.readString(log.toPath(), StandardCharsets.UTF_8))
                    .isZero();
        }
    }

    private static Path document() {
        Path here = Path.of("docs/http.md");
        return Files.exists(here) ? here : Path.of("../docs/http.md");
    }
}
