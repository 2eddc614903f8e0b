package taxon.app.browser;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.DoubleSupplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import taxon.app.testing.BigRig;
import taxon.app.testing.Browser;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;

/** Prints the figures of large rigs, as a browser and as a script see them: {@code ./taxon bench rig}. Not part of the test run. */
@EnabledIfSystemProperty(named = "taxon.figures", matches = "true")
class RigFiguresTest {
    private static final int RUNS = 15;

    private TaxonServer server;
    private Http http;
    private Browser browser;

    @Test
    void figuresOfLargeRigsArePrinted() {
        server = TaxonServer.empty();
        http = server.http();
        browser = Browser.start();
        try {
            say("%-46s %8s %8s %8s", "100 fixtures, ms", "median", "min", "max");
            pages(BigRig.make(http, 100));
            say("%n%-46s %8s %8s %8s", "2,000 fixtures, ms", "median", "min", "max");
            int job = BigRig.make(http, 2000);
            pages(job);
            edits(job);
            largeEdits(job);
            scene();
            say("%n%-46s %8s %8s %8s", "10,000 fixtures, ms", "median", "min", "max");
            pages(BigRig.make(http, 10_000));
        } finally {
            browser.close();
            server.close();
        }
    }

    private static void say(String format, Object... values) {
        System.out.printf(Locale.ROOT, format + "%n", values);
    }

    private static void measure(String what, int runs, DoubleSupplier once) {
        // The first of them warms up and is not counted.
        double[] all = IntStream.rangeClosed(0, runs)
                .mapToDouble(i -> once.getAsDouble())
                .skip(1)
                .sorted()
                .toArray();
        say("%-46s %8.0f %8.0f %8.0f", what, all[all.length / 2], all[0], all[all.length - 1]);
        System.out.flush();
    }

    private static double timed(Runnable work) {
        long begun = System.nanoTime();
        work.run();
        return (System.nanoTime() - begun) / 1e6;
    }

    private void pages(int job) {
        String rig = "/jobs/" + job + "/rig";
        measure("server: rig page", RUNS, () -> timed(() -> http.page(rig)));
        measure("server: rows of the table", RUNS, () -> timed(() -> http.get("/jobs/" + job + "/rows")));
        measure("browser: click to rig page laid out", RUNS, () -> clicked(job, "#table"));
        measure("browser: click to all units drawn", RUNS, () -> clicked(job, "#above"));
        measure("browser: click to table with all its rows", RUNS, () -> clicked(job, "#grid.live"));
        browser.open(server.url() + rig);
        browser.until("no table", () -> browser.count("#grid.live") == 1);
        measure(
                "browser: longest frame while scrolling the table",
                3,
                () -> browser.measure(
                        "const box = document.getElementById('grid'); let worst = 0, last = performance.now(), n = 0;"
                                + " const step = (now) => { worst = Math.max(worst, now - last); last = now; box.scrollTop += 400;"
                                + " n += 1; n < 60 ? requestAnimationFrame(step) : done(worst); }; box.scrollTop = 0;"
                                + " requestAnimationFrame((now) => { last = now; requestAnimationFrame(step); });"));
    }

    /** From the click on "Rig" until this is in the page and the page is laid out. How a frame is painted is the screen's. */
    private double clicked(int job, String css) {
        browser.open(server.url() + "/jobs/" + job + "/numbering");
        double shown = browser.measure(
                "const t = performance.now(); document.querySelector('.stages a').click();"
                        + " const look = () => document.querySelector('" + css + "')"
                        + " ? (document.body.getBoundingClientRect(), done(performance.now() - t)) : setTimeout(look, 1); look();");
        browser.until("no table", () -> browser.count("#grid.live") == 1);
        return shown;
    }

    private void edits(int job) {
        List<Integer> turns = new ArrayList<>();
        measure("server: edit of a cell", RUNS, () -> {
            turns.add(1);
            long version = http.version(job);
            return timed(() -> http.post(
                    "/jobs/" + job + "/cells",
                    "version",
                    version,
                    "key",
                    5,
                    "column",
                    "note",
                    "text",
                    "turn " + turns.size()));
        });
        browser.open(server.url() + "/jobs/" + job + "/rig");
        browser.until("no table", () -> browser.count("#grid.live") == 1);
        measure("browser: Enter in a cell to its row kept", RUNS, () -> {
            turns.add(1);
            browser.click("#c-3-9");
            browser.press("n" + turns.size());
            double taken = browser.measure(
                    "const t = performance.now(); const editor = document.getElementById('cell-editor');"
                            + " const sent = performance.getEntriesByType('resource').filter((e) => e.name.includes('/cells')).length;"
                            + " editor.dispatchEvent(new KeyboardEvent('keydown', {key: 'Enter', bubbles: true, cancelable: true}));"
                            + " const look = () => performance.getEntriesByType('resource').filter((e) => e.name.includes('/cells'))"
                            + ".length > sent ? done(performance.now() - t) : setTimeout(look, 1); look();");
            browser.until("not kept", () -> browser.texts("#c-3-9").contains("n" + turns.size()));
            browser.pause(1200);
            return taken;
        });
    }

    private void largeEdits(int job) {
        measure("server: numbers for all, proposed", RUNS, () -> timed(() -> number(job)));
        measure("server: numbers for all, applied", 5, () -> {
            int id = number(job);
            double taken = timed(() -> http.post("/jobs/" + job + "/numbering/" + id + "/apply"));
            BigRig.post(http, job, "undo");
            return taken;
        });
        for (int rows : new int[] {200, 2000}) {
            measure("server: " + rows + " rows pasted, proposed", RUNS, () -> timed(() -> paste(job, rows)));
            measure("server: " + rows + " rows pasted, applied", 5, () -> {
                int id = paste(job, rows);
                double taken = timed(() -> http.post("/jobs/" + job + "/cells/" + id + "/apply"));
                BigRig.post(http, job, "undo");
                return taken;
            });
        }
        measure(
                "server: jot line read, 2,000 meant",
                RUNS,
                () -> timed(() -> http.get("/jobs/" + job + "/jot?q=colour+all+as+amber")));
    }

    private int number(int job) {
        return BigRig.post(http, job, "numbering", "families", "by-type", "first", 2001, "room", "hundred")
                .json()
                .path("proposal")
                .asInt();
    }

    private int paste(int job, int rows) {
        String text = "ID\tNote\tPurpose\n"
                + IntStream.rangeClosed(1, rows)
                        .mapToObj(i -> i + "\tlamp " + i + "\twash")
                        .collect(Collectors.joining("\n"));
        return BigRig.post(http, job, "cells/paste", "rows", text, "key", 1, "column", "id")
                .json()
                .path("proposal")
                .asInt();
    }

    private void scene() {
        byte[] scene = BigRig.scene(2000);
        int job =
                http.post("/jobs", "name", "Scene of 2,000").json().path("job").asInt();
        String[] path = {""};
        measure(
                "server: scene file of 2,000 read",
                5,
                () -> timed(() -> path[0] = http.upload("/jobs/" + job + "/scenes", "big.mvr", scene)
                        .json()
                        .path("next")
                        .asString()));
        measure("server: scene looked at", 5, () -> timed(() -> http.page(path[0])));
        double[] applied = new double[1];
        measure("server: scene merged into an empty job", 3, () -> {
            String next = http.upload("/jobs/" + job + "/scenes", "big.mvr", scene)
                    .json()
                    .path("next")
                    .asString();
            long version = http.version(job);
            applied[0] = timed(() -> http.post(next + "/apply", "version", version));
            int there = http.get("/jobs/" + job + "/fixtures")
                    .json()
                    .path("fixtures")
                    .size();
            if (there != 2000) {
                throw new AssertionError(there + " fixtures came out of " + Arrays.toString(path));
            }
            BigRig.post(http, job, "undo");
            return applied[0];
        });
    }
}
