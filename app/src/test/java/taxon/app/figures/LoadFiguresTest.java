package taxon.app.figures;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import taxon.app.testing.BigRig;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonProcess;
import taxon.app.testing.TaxonServer;
import taxon.formats.testing.MvrByHand;

/** Prints how pages answer while many ask and some edit, and what large papers and files cost: {@code ./taxon bench load}. */
@EnabledIfSystemProperty(named = "taxon.figures", matches = "true")
class LoadFiguresTest {
    private static final int READERS = 10;
    private static final int WRITERS = 2;
    private static final int SECONDS = 40;
    private static final List<String> PAGES = List.of(
            "/rig",
            "/rows",
            "/addresses",
            "/types",
            "/network",
            "/paperwork/by-fixture",
            "/paperwork/by-universe",
            "/checks",
            "/findings",
            "/tree",
            "/sheet",
            "/handover");

    /** As {@code ./taxon serve} starts it. */
    private static List<String> serving(String... more) {
        List<String> options = new ArrayList<>(List.of(
                "-XX:TieredStopAtLevel=4",
                "-XX:Tier4InvocationThreshold=50000",
                "-XX:Tier4MinInvocationThreshold=20000",
                "-XX:Tier4CompileThreshold=150000",
                "-XX:Tier4BackEdgeThreshold=400000"));
        options.addAll(List.of(more));
        return options;
    }

    @Test
    void pagesWhileManyAskAreMeasured() throws Exception {
        try (TaxonProcess process = TaxonProcess.serve(List.of(), serving(), TaxonServer.newStore())) {
            String url = process.url();
            int job = BigRig.make(new Http(url), 2000);
            // A server that has just been started compiles; that is the figure of the start, not of the load.
            for (int n = 0; n < 30; n++) {
                PAGES.forEach(p -> new Http(url).page("/jobs/" + job + p));
            }
            // Half a second between two looks is fast for a person; without it the figure is that of a queue.
            asked(url, job, 500);
            asked(url, job, 0);
        }
    }

    private static void asked(String url, int job, long pauseMillis) throws Exception {
        AtomicBoolean going = new AtomicBoolean(true);
        ExecutorService pool = Executors.newCachedThreadPool();
        List<Future<Map<String, List<Double>>>> all = new ArrayList<>();
        for (int n = 0; n < READERS; n++) {
            int first = n;
            all.add(pool.submit(() -> read(new Http(url), job, first, pauseMillis, going)));
        }
        for (int n = 0; n < WRITERS; n++) {
            int writer = n;
            all.add(pool.submit(() -> write(new Http(url), job, writer, pauseMillis, going)));
        }
        TimeUnit.SECONDS.sleep(SECONDS);
        going.set(false);
        Map<String, List<Double>> times = new TreeMap<>();
        for (Future<Map<String, List<Double>>> one : all) {
            one.get()
                    .forEach((page, ms) ->
                            times.computeIfAbsent(page, p -> new ArrayList<>()).addAll(ms));
        }
        pool.shutdown();
        print(pauseMillis, times);
    }

    private static void print(long pauseMillis, Map<String, List<Double>> times) {
        say(
                "%n%-34s %8s %8s %8s %8s",
                READERS + " readers, " + WRITERS + " writers, " + pauseMillis + " ms between",
                "asked",
                "median",
                "99 %",
                "max");
        List<Double> together = new ArrayList<>();
        times.forEach((page, ms) -> {
            line(page, ms);
            together.addAll(ms);
        });
        line("all", together);
    }

    private static void line(String what, List<Double> ms) {
        double[] sorted = ms.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        say(
                "%-34s %8d %8.0f %8.0f %8.0f",
                what,
                sorted.length,
                sorted[sorted.length / 2],
                sorted[Math.min(sorted.length - 1, sorted.length * 99 / 100)],
                sorted[sorted.length - 1]);
    }

    private static Map<String, List<Double>> read(Http http, int job, int first, long pause, AtomicBoolean going)
            throws InterruptedException {
        Map<String, List<Double>> times = new TreeMap<>();
        for (int n = first; going.get(); n++) {
            String page = PAGES.get(n % PAGES.size());
            double ms = timed(() -> http.page("/jobs/" + job + page));
            times.computeIfAbsent(page, p -> new ArrayList<>()).add(ms);
            Thread.sleep(pause);
        }
        return times;
    }

    private static Map<String, List<Double>> write(Http http, int job, int writer, long pause, AtomicBoolean going)
            throws InterruptedException {
        Map<String, List<Double>> times = new TreeMap<>();
        for (int n = 0; going.get(); n++) {
            int key = 1 + (n * 2 + writer) % 2000;
            String text = "note " + n;
            double ms = timed(() -> http.post(
                    "/jobs/" + job + "/cells",
                    "version",
                    http.version(job),
                    "key",
                    key,
                    "column",
                    "note",
                    "text",
                    text));
            times.computeIfAbsent("edit of a cell, and its version", p -> new ArrayList<>())
                    .add(ms);
            Thread.sleep(pause);
        }
        return times;
    }

    @Test
    void longPapersAreMeasured() throws Exception {
        try (TaxonProcess process = TaxonProcess.serve(List.of(), serving("-Xmx512m"), TaxonServer.newStore())) {
            Http http = process.http();
            int job = BigRig.make(http, 10_000);
            String paper = "/jobs/" + job + "/paperwork/by-fixture.pdf";
            http.get("/jobs/" + job + "/paperwork/to-know.pdf");
            say(
                    "%n10,000 fixtures as PDF, 512 MB of heap, s: the first after the start %.1f, one alone then %.1f",
                    timed(() -> http.get(paper)) / 1000, timed(() -> http.get(paper)) / 1000);
            ExecutorService pool = Executors.newFixedThreadPool(6);
            List<Future<String>> all = new ArrayList<>();
            for (int n = 0; n < 6; n++) {
                all.add(pool.submit(() -> {
                    long begun = System.nanoTime();
                    int status = http.get(paper).status();
                    return String.format(Locale.ROOT, "%d after %.1f", status, (System.nanoTime() - begun) / 1e9);
                }));
            }
            for (Future<String> one : all) {
                say("six at once: %s", one.get());
            }
            pool.shutdown();
        }
    }

    @Test
    void largeFilesAreMeasured() throws Exception {
        byte[] noise = new byte[125 << 20];
        new Random(1).nextBytes(noise);
        byte[] scene = new MvrByHand()
                .layer("Rig", "", MvrByHand.fixture(1, "Bow"))
                .file("model.glb", noise)
                .mvr();
        try (TaxonProcess process = TaxonProcess.serve(List.of(), serving("-Xmx256m"), TaxonServer.newStore())) {
            Http http = process.http();
            http.job("Files");
            ExecutorService pool = Executors.newFixedThreadPool(8);
            List<Future<Integer>> all = new ArrayList<>();
            long begun = System.nanoTime();
            for (int n = 0; n < 8; n++) {
                all.add(pool.submit(
                        () -> http.upload("/jobs/1/scenes", "large.mvr", scene).status()));
            }
            List<Integer> statuses = new ArrayList<>();
            for (Future<Integer> one : all) {
                statuses.add(one.get());
            }
            pool.shutdown();
            say(
                    "%neight scenes of %d MB at once, 256 MB of heap: answers %s after %.1f s; then the list of jobs: %d",
                    scene.length >> 20,
                    statuses,
                    (System.nanoTime() - begun) / 1e9,
                    http.get("/jobs").status());
        }
    }

    @Test
    void manyGroupsAndJobsAreMeasured() {
        try (TaxonServer server = TaxonServer.empty()) {
            Http http = server.http();
            for (int groups : new int[] {200, 800}) {
                int job = BigRig.make(http, 2000);
                for (int n = 1; n <= groups; n++) {
                    String members = (1 + n % 1900) + "-" + (1 + n % 1900 + 40);
                    BigRig.post(http, job, "groups", "name", "Group " + n, "id", 10_000 + n, "sel", members);
                }
                say(
                        "%d groups of 41, ms: tree %.0f, groups as JSON %.0f, paper %.0f",
                        groups,
                        best(() -> http.page("/jobs/" + job + "/tree")),
                        best(() -> http.get("/jobs/" + job + "/groups")),
                        best(() -> http.page("/jobs/" + job + "/paperwork/groups")));
            }
            byte[] job = http.get("/jobs/1/job.json").bytes();
            for (int n = 0; n < 98; n++) {
                http.upload("/jobs/import", "job.json", job);
            }
            say("first page of %d jobs of 2,000, ms: %.0f", 100, best(() -> http.page("/")));
        }
    }

    private static double best(Runnable work) {
        double best = timed(work);
        for (int n = 0; n < 4; n++) {
            best = Math.min(best, timed(work));
        }
        return best;
    }

    private static double timed(Runnable work) {
        long begun = System.nanoTime();
        work.run();
        return (System.nanoTime() - begun) / 1e6;
    }

    private static void say(String format, Object... values) {
        System.out.printf(Locale.ROOT, format + "%n", values);
        System.out.flush();
    }
}
