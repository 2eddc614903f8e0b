package taxon.app.figures;

import com.sun.management.UnixOperatingSystemMXBean;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.net.InetAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import taxon.app.store.UpkeepStore;
import taxon.app.testing.BigRig;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;

/** Prints what is left of a long day: heap, store, open files and threads beside those at its start: {@code ./taxon bench soak}. */
@EnabledIfSystemProperty(named = "taxon.figures", matches = "true")
class SoakFiguresTest {
    private static final int EDITS = 5_000;
    private static final int PROPOSALS = 300;
    private static final int IMPORTS = 30;
    private static final int FOLLOWERS = 300;

    private TaxonServer server;
    private Http http;
    private int job;

    @Test
    void aLongDayIsMeasured() throws Exception {
        server = TaxonServer.empty();
        http = server.http();
        try {
            job = BigRig.make(http, 500);
            // Some of everything first, so that what is loaded once is not counted as a leak.
            day(200, 20, 4, 20);
            say("%-28s %10s %10s %10s %8s %8s", "", "heap MB", "store MB", "log MB", "files", "threads");
            state("at the start");
            long begun = System.nanoTime();
            day(EDITS, PROPOSALS, IMPORTS, FOLLOWERS);
            say("a day of it took %.0f s", (System.nanoTime() - begun) / 1e9);
            state("at the end");
            http.post("/store/jobs/" + job + "/thin");
            http.post("/store/compact");
            say("taken out: %s", server.bean(UpkeepStore.class).clear());
            state("tidied");
        } finally {
            server.close();
        }
    }

    private void day(int edits, int proposals, int imports, int followers) throws Exception {
        for (int n = 0; n < edits; n++) {
            BigRig.post(http, job, "cells", "key", 1 + n % 500, "column", "note", "text", "note " + n + " of " + edits);
        }
        for (int n = 0; n < proposals; n++) {
            propose(n % 3 == 0);
        }
        for (int n = 0; n < imports; n++) {
            String list = "Qty,Type,Mode,Position,ID\n2,Tern,16,Quay,\n";
            Answer given = http.upload("/jobs/" + job + "/imports", "list.csv", list.getBytes(StandardCharsets.UTF_8));
            BigRig.post(http, job, path(given) + "/apply");
        }
        for (int n = 0; n < followers; n++) {
            follow();
        }
        BigRig.post(http, job, "revisions", "note", "end of the day " + edits);
    }

    private void propose(boolean applied) {
        Answer proposed = BigRig.post(http, job, "proposals", "scope", "all");
        http.get("/jobs/" + job + "/" + path(proposed));
        BigRig.post(http, job, path(proposed) + (applied ? "/apply" : "/drop"));
        if (applied) {
            BigRig.post(http, job, "undo");
        }
    }

    private String path(Answer answer) {
        return answer.json().path("next").asString().replaceAll("\\?.*", "").substring(("/jobs/" + job + "/").length());
    }

    /** Opens a page's stream, hears that it is there, and goes without a word. */
    private void follow() throws IOException {
        URI url = URI.create(server.url());
        try (Socket socket = new Socket(InetAddress.getLoopbackAddress(), url.getPort())) {
            String asked = "GET /jobs/" + job + "/follow HTTP/1.1\r\nHost: 127.0.0.1:" + url.getPort() + "\r\n\r\n";
            socket.getOutputStream().write(asked.getBytes(StandardCharsets.ISO_8859_1));
            if (socket.getInputStream().read() < 0) {
                throw new AssertionError("nobody answered");
            }
        }
    }

    private void state(String when) throws InterruptedException {
        // Who went without a word is noticed at the next beat.
        Thread.sleep(25_000);
        System.gc();
        Thread.sleep(500);
        System.gc();
        Runtime runtime = Runtime.getRuntime();
        long files = ManagementFactory.getOperatingSystemMXBean() instanceof UnixOperatingSystemMXBean unix
                ? unix.getOpenFileDescriptorCount()
                : 0;
        say(
                "%-28s %10.1f %10.1f %10.1f %8d %8d",
                when,
                (runtime.totalMemory() - runtime.freeMemory()) / 1e6,
                megabytes(""),
                megabytes("-wal"),
                files,
                ManagementFactory.getThreadMXBean().getThreadCount());
    }

    private double megabytes(String suffix) {
        try {
            Path path = Path.of(server.data() + suffix);
            return Files.exists(path) ? Files.size(path) / 1e6 : 0;
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    private static void say(String format, Object... values) {
        List<Object> all = new ArrayList<>(List.of(values));
        System.out.printf(Locale.ROOT, format + "%n", all.toArray());
        System.out.flush();
    }
}
