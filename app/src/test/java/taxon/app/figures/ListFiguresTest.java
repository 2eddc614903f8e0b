package taxon.app.figures;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;
import taxon.formats.table.WrittenWorkbook;
import tools.jackson.databind.JsonNode;

/** Prints how long lists of many rows take, and how long another job waits meanwhile: {@code ./taxon bench lists}. */
@EnabledIfSystemProperty(named = "taxon.figures", matches = "true")
class ListFiguresTest {
    private static final List<String> TYPES = List.of("Heron 380,24-channel", "Tern,16-channel", "Kestrel,18-channel");
    private static final int PITCH = 24;

    private TaxonServer server;
    private Http http;

    @Test
    void longListsAreMeasured() throws Exception {
        server = TaxonServer.empty();
        http = server.http();
        try {
            measure(1_000, false, false);
            say(
                    "%-10s %8s %8s %10s %8s %8s %14s %14s",
                    "rows", "file", "read s", "applied s", "whole s", "a row us", "other edit s", "other page s");
            for (int rows : new int[] {5_000, 20_000, 50_000}) {
                measure(rows, false, true);
            }
            measure(50_000, true, true);
            say("heap at most %d MB", Runtime.getRuntime().maxMemory() >> 20);
        } finally {
            server.close();
        }
    }

    private void measure(int rows, boolean workbook, boolean printed) throws Exception {
        byte[] file = workbook
                ? new WrittenWorkbook().sheet("Rental", list(rows)).bytes()
                : list(rows).getBytes(StandardCharsets.UTF_8);
        String job = http.job("Lantern Pageant");
        Other other = new Other(http.job("Another"));
        CompletableFuture<Void> meanwhile = CompletableFuture.runAsync(other::work);
        long begun = System.nanoTime();
        String list = http.upload(job + "/imports", workbook ? "list.xlsx" : "list.csv", file)
                .json()
                .path("next")
                .asString();
        JsonNode read = http.get(list).json();
        long looked = System.nanoTime();
        assertThat(read.path("fixtures").asInt()).isEqualTo(rows);
        assertThat(http.post(list + "/apply", "version", read.path("version").asInt())
                        .status())
                .isEqualTo(200);
        long ended = System.nanoTime();
        other.stop();
        meanwhile.get();
        if (printed) {
            double whole = (ended - begun) / 1e9;
            say(
                    "%-10d %8s %8.1f %10.1f %8.1f %8.0f %14.2f %14.2f",
                    rows,
                    workbook ? "XLSX" : "CSV",
                    (looked - begun) / 1e9,
                    (ended - looked) / 1e9,
                    whole,
                    whole * 1e6 / rows,
                    other.slowestEdit(),
                    other.slowestPage());
        }
    }

    private static String list(int rows) {
        StringBuilder text = new StringBuilder("Qty,Model,Mode,Location,FID,Name,Universe,Address,Note");
        int perUniverse = 512 / PITCH;
        for (int i = 0; i < rows; i++) {
            text.append(String.format(
                    Locale.ROOT,
                    "%n1,%s,Truss %d,%d,Unit %d,%d,%d,row %d",
                    TYPES.get(i % TYPES.size()),
                    i % 40,
                    i + 1,
                    i + 1,
                    1 + i / perUniverse,
                    1 + i % perUniverse * PITCH,
                    i));
        }
        return text.toString().lines().collect(Collectors.joining("\n"));
    }

    /** Another job, which is edited and looked at all the while. */
    private final class Other {
        private final String job;
        private final AtomicBoolean working = new AtomicBoolean(true);
        private final AtomicLong slowestEdit = new AtomicLong();
        private final AtomicLong slowestPage = new AtomicLong();

        Other(String job) {
            this.job = job;
        }

        void work() {
            for (int n = 0; working.get(); n++) {
                long version =
                        http.get(job + "/findings").json().path("version").asLong();
                long begun = System.nanoTime();
                http.post(job + "/groups", "version", version, "kind", "folder", "name", "Folder " + n);
                long edited = System.nanoTime();
                slowestEdit.accumulateAndGet(edited - begun, Math::max);
                http.page(job + "/rig");
                slowestPage.accumulateAndGet(System.nanoTime() - edited, Math::max);
            }
        }

        void stop() {
            working.set(false);
        }

        double slowestEdit() {
            return slowestEdit.get() / 1e9;
        }

        double slowestPage() {
            return slowestPage.get() / 1e9;
        }
    }

    private static void say(String format, Object... values) {
        System.out.println(String.format(Locale.ROOT, format, values));
    }
}
