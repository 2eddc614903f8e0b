package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import taxon.app.start.StartRefusedException;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonProcess;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** Killed with SIGKILL in the middle of edits, Taxon starts again with every acknowledged edit there, and not before. */
class KilledTest {
    private static final int BEFORE_THE_KILL = 60;

    @Test
    void everyAcknowledgedEditSurvivesSigkill() throws Exception {
        Path data = TaxonServer.readyStore();
        TaxonProcess process = TaxonProcess.on(data);
        AtomicInteger acknowledged = new AtomicInteger();
        CompletableFuture<Void> edits = CompletableFuture.completedFuture(null);
        try {
            Http http = process.http();
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
            assertThatThrownBy(() -> TaxonServer.on(data))
                    .as("while another process has the store")
                    .rootCause()
                    .isInstanceOf(StartRefusedException.class)
                    .hasMessageContaining("Another Taxon has " + data);
        } finally {
            process.kill();
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
}
