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
import taxon.app.testing.Wait;

/** Prints how long the network of a large rig takes. Runs only when figures are asked for; asserts no time. */
@EnabledIfSystemProperty(named = "taxon.figures", matches = "true")
class NetworkFiguresTest {
    private static final int FIXTURES = 2000;
    private static final int NODES = 40;
    private static final int ROOM = 5;

    private Http http;
    private Browser browser;
    private String url = "";

    @Test
    void figuresOfTheNetworkArePrinted() {
        try (TaxonServer server = TaxonServer.empty();
                Browser started = Browser.start()) {
            http = server.http();
            browser = started;
            url = server.url();
            int job = BigRig.make(http, FIXTURES);
            boxes(job);
            String base = "/jobs/" + job + "/";
            int universes = http.get(base + "network").json().path("universes").size();
            Figures.head(FIXTURES + " fixtures on " + universes + " universes, " + NODES + " nodes");
            measure("proposal of routes, until it is there", () -> timed(() -> proposed(job, "routes")));
            apply(job, "routes");
            measure("proposal of lines, until it is there", () -> timed(() -> proposed(job, "line-plan")));
            apply(job, "line-plan");
            pages(job, base);
        }
    }

    private void boxes(int job) {
        BigRig.post(http, job, "boxes", "kind", "switch", "name", "Switch", "ports", 48);
        for (int n = 1; n <= NODES; n++) {
            BigRig.post(
                    http,
                    job,
                    "boxes",
                    "name",
                    "Node " + n,
                    "ip",
                    "10.0.0." + n,
                    "ports",
                    2,
                    "position",
                    1 + (n - 1) % (FIXTURES / 100),
                    "reaches",
                    "1/" + n);
        }
    }

    private String proposed(int job, String kind) {
        String path = "/jobs/" + job + "/" + kind + "/"
                + BigRig.post(http, job, kind, "aim", "least-cable", "protocol", "sacn")
                        .json()
                        .path("proposal")
                        .asInt();
        Wait.until(
                "no proposal",
                () -> !http.get(path).json().path("headline").asString("").isEmpty());
        return path;
    }

    private void apply(int job, String kind) {
        String path = proposed(job, kind);
        System.out.println("  " + http.get(path).json().path("headline").asString());
        http.post(path + "/apply");
    }

    private void pages(int job, String base) {
        measure("server: network page", () -> timed(() -> http.page(base + "network")));
        measure(
                "server: network page, folded by position",
                () -> timed(() -> http.page(base + "network?fold=position")));
        measure("server: lines page", () -> timed(() -> http.page(base + "lines")));
        measure("server: a line", () -> timed(() -> http.page(base + "lines/1")));
        measure("server: every unit of every line drawn", () -> timed(() -> http.page(base + "network/drawing?fold=")));
        measure("browser: click to network drawn", () -> clicked(job));
        int line = lineWithRoom(base);
        measure("server: a unit moved along its line", () -> {
            int key = http.get(base + "lines/" + line)
                    .json()
                    .path("stops")
                    .path(0)
                    .path("fixture")
                    .asInt();
            return timed(() -> BigRig.post(http, job, "lines/" + line + "/stops", "fixture", key, "place", ROOM));
        });
        int spareNode = http.get(base + "network").json().path("boxes").size() + 1;
        BigRig.post(http, job, "boxes", "name", "Spare node", "ip", "10.0.0.99", "ports", 2);
        String home = http.get(base + "network")
                .json()
                .path("universes")
                .path(0)
                .path("ways")
                .path(0)
                .path("outlet")
                .asString();
        String spare = spareNode + "/1";
        boolean[] away = {false};
        measure("server: a universe taken to another port", () -> {
            away[0] = !away[0];
            String from = away[0] ? home : spare;
            String to = away[0] ? spare : home;
            return timed(() -> BigRig.post(http, job, "universes/1/ways/move", "outlet", to, "instead", from));
        });
    }

    private int lineWithRoom(String base) {
        return http.get(base + "lines")
                .json()
                .path("lines")
                .valueStream()
                .filter(l -> l.path("stops").size() >= ROOM)
                .mapToInt(l -> l.path("number").asInt())
                .findFirst()
                .orElseThrow();
    }

    private double clicked(int job) {
        browser.open(url + "/jobs/" + job + "/handover");
        return browser.measure("const t = performance.now();"
                + " [...document.querySelectorAll('.stages a')].find((a) => a.href.includes('/network')).click();"
                + " const look = () => document.querySelector('#network-drawing') ?"
                + " requestAnimationFrame(() => done(performance.now() - t)) : requestAnimationFrame(look); look();");
    }
}
