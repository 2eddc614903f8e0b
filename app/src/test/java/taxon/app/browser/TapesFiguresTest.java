package taxon.app.browser;

import static taxon.app.testing.Figures.measure;
import static taxon.app.testing.Figures.timed;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import taxon.app.testing.BigRig;
import taxon.app.testing.Browser;
import taxon.app.testing.Figures;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;

/** Prints how long the tapes of a large rig take. Runs only when figures are asked for; asserts no time. */
@EnabledIfSystemProperty(named = "taxon.figures", matches = "true")
class TapesFiguresTest {

    private TaxonServer server;
    private Http http;
    private Browser browser;

    @Test
    void figuresOfTheTapesArePrinted() {
        server = TaxonServer.empty();
        http = server.http();
        browser = Browser.start();
        try {
            for (int fixtures : new int[] {100, 2000}) {
                int job = BigRig.make(http, fixtures);
                Figures.head(fixtures + " fixtures");
                tapes(job);
            }
        } finally {
            browser.close();
            server.close();
        }
    }

    private void tapes(int job) {
        String base = "/jobs/" + job + "/";
        measure("server: addresses page", () -> timed(() -> http.page(base + "addresses")));
        measure("server: tapes", () -> timed(() -> http.page(base + "addresses/tapes")));
        measure("server: four styles priced", () -> timed(() -> http.get(base + "addresses/prices?scope=all")));
        measure("server: where a unit fits", () -> timed(() -> http.get(base + "addresses/fits?held=5&sel=5")));
        measure("browser: click to page laid out", () -> clicked(job, "#wish"));
        measure("browser: click to first tapes drawn", () -> clicked(job, "#tapes"));
        measure("browser: click to all tapes drawn", () -> clicked(job, "#tapes[data-whole=true]"));
        measure("browser: address to overview drawn", () -> opened(base + "addresses?zoom=overview", "#overview"));
        int[] turn = {0};
        measure("server: a unit moved by hand", () -> {
            String to = turn[0]++ % 2 == 0 ? "200.1" : "200.101";
            return timed(() -> BigRig.post(http, job, "addresses/shift", "held", 5, "sel", 5, "to", to));
        });
        browser.open(server.url() + base + "addresses");
        browser.until("no tapes", () -> browser.count("#tapes") == 1);
        browser.until("no prices", () -> browser.count(".prices") == 1);
        measure(
                "browser: longest frame while dragging",
                () -> browser.measure("const unit = document.querySelector('#tapes .unit');"
                        + " const box = unit.getBoundingClientRect(); const at = (x) => ({bubbles: true, button: 0,"
                        + " clientX: box.x + x, clientY: box.y + 10});"
                        + " unit.dispatchEvent(new PointerEvent('pointerdown', at(2)));"
                        + " unit.dispatchEvent(new PointerEvent('pointermove', at(20)));"
                        + " setTimeout(() => { let worst = 0, last = performance.now(), n = 0; const step = (now) => {"
                        + " worst = Math.max(worst, now - last); last = now; n += 1;"
                        + " document.dispatchEvent(new PointerEvent('pointermove', at(20 + n * 5)));"
                        + " if (n < 60) { requestAnimationFrame(step); } else {"
                        + " document.dispatchEvent(new PointerEvent('pointerup', at(2))); done(worst); } };"
                        + " requestAnimationFrame((now) => { last = now; requestAnimationFrame(step); }); }, 400);"));
    }

    private double clicked(int job, String css) {
        browser.open(server.url() + "/jobs/" + job + "/network");
        return browser.measure(
                "const t = performance.now(); [...document.querySelectorAll('.stages a')].find((a) => a.href.includes('/addresses')).click();"
                        + look(css));
    }

    private double opened(String path, String css) {
        browser.open(server.url() + "/jobs");
        long begun = System.nanoTime();
        browser.open(server.url() + path);
        browser.until("not drawn", () -> browser.count(css) == 1);
        return (System.nanoTime() - begun) / 1e6;
    }

    private static String look(String css) {
        return " const look = () => document.querySelector('" + css + "')"
                + " ? (document.body.getBoundingClientRect(), done(performance.now() - t)) : setTimeout(look, 1); look();";
    }
}
