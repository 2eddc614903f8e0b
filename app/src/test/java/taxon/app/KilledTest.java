package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** Killed with SIGKILL in the middle of edits, Taxon starts again with every acknowledged edit there. */
class KilledTest {
    private static final Pattern READY = Pattern.compile("Taxon is ready: (http://127.0.0.1:\\d+)/.*");
    private static final int BEFORE_THE_KILL = 60;

    @Test
    void everyAcknowledgedEditSurvivesSigkill() throws Exception {
        Path data = TaxonServer.newStore();
        Process process = start(data);
        AtomicInteger acknowledged = new AtomicInteger();
        CompletableFuture<Void> edits = CompletableFuture.completedFuture(null);
        try {
            Http http = new Http(url(process));
            http.post("/jobs", "name", "Killed");
            http.post(
                    "/jobs/1/fixtures",
                    "version",
                    0,
                    "count",
                    1,
                    "type",
                    "generic-dimmer/1-channel",
                    "position",
                    "Pipe",
                    "firstId",
                    1);
            CountDownLatch enough = new CountDownLatch(BEFORE_THE_KILL);
            edits = CompletableFuture.runAsync(() -> editUntilItFails(http, acknowledged, enough));
            assertThat(enough.await(120, TimeUnit.SECONDS))
                    .as("edits are acknowledged")
                    .isTrue();
        } finally {
            process.destroyForcibly().waitFor(20, TimeUnit.SECONDS);
        }
        edits.get(20, TimeUnit.SECONDS);
        int sure = acknowledged.get();
        assertThat(sure).isGreaterThanOrEqualTo(BEFORE_THE_KILL);
        try (TaxonServer again = TaxonServer.on(data)) {
            JsonNode fixture =
                    again.http().get("/jobs/1/fixtures").json().path("fixtures").get(0);
            // The n-th edit planned absolute address n; one more may have been written and not acknowledged.
            assertThat(fixture.path("blocks").get(0).path("absolute").asInt()).isBetween(sure, sure + 1);
            assertThat(again.http().version(1)).isBetween(sure + 1L, sure + 2L);
            assertThat(again.http()
                            .post("/jobs/1/undo", "version", again.http().version(1))
                            .status())
                    .isEqualTo(200);
        }
    }

    private static void editUntilItFails(Http http, AtomicInteger acknowledged, CountDownLatch enough) {
        try {
            for (int n = 1; n < 100_000; n++) {
                int status = http.post("/jobs/1/fixtures/1/address", "version", n, "block", 1, "address", n)
                        .status();
                assertThat(status).isEqualTo(200);
                acknowledged.set(n);
                enough.countDown();
            }
        } catch (UncheckedIOException killed) {
            assertThat(acknowledged.get()).isPositive();
        }
    }

    private static Process start(Path data) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-cp",
                System.getProperty("java.class.path"),
                TaxonApplication.class.getName()));
        command.addAll(TaxonServer.arguments(data, TaxonServer.newNetwork()));
        return new ProcessBuilder(command).redirectErrorStream(true).start();
    }

    private static String url(Process process) throws IOException {
        BufferedReader out = process.inputReader(StandardCharsets.UTF_8);
        for (String line = out.readLine(); line != null; line = out.readLine()) {
            Matcher ready = READY.matcher(line);
            if (ready.matches()) {
                return ready.group(1);
            }
        }
        throw new AssertionError("Taxon ended before it was ready");
    }
}
