package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.app.testing.Http;
import taxon.app.testing.OneJob;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** Universes counted on the network by one rule, and what a number means that a box shows. */
class CountingHttpTest {
    private static int proposed(Http http, Object first) {
        return http.post("/jobs/1/counting", "version", http.version(1), "first", first, "sacn", 0)
                .json()
                .path("proposal")
                .asInt();
    }

    private static String shown(Http http, int universe) {
        return http.get("/jobs/1/network")
                .json()
                .path("universes")
                .valueStream()
                .filter(u -> u.path("number").asInt() == universe)
                .findFirst()
                .orElseThrow()
                .path("ways")
                .path(0)
                .path("shown")
                .asString();
    }

    @Test
    void allAreNumberedAfterALookAndKeptAndTakenBack() {
        Path data = TaxonServer.readyStore();
        String before;
        try (TaxonServer server = TaxonServer.on(data)) {
            Http http = server.http();
            http.post("/jobs", "name", "Counted");
            http.post("/jobs/1/boxes", "version", http.version(1), "name", "Quay node", "ip", "10.0.0.20", "ports", 4);
            for (int u : new int[] {1, 16}) {
                http.post("/jobs/1/universes", "version", http.version(1), "universe", u, "label", "U" + u);
                assertThat(http.post(
                                        "/jobs/1/universes/" + u,
                                        "version",
                                        http.version(1),
                                        "label",
                                        "U" + u,
                                        "protocol",
                                        "art-net",
                                        "carriedAs",
                                        u,
                                        "outlet",
                                        "1/1")
                                .status())
                        .isEqualTo(200);
            }
            before = shown(http, 16);
            int id = proposed(http, 0);
            JsonNode look = http.get("/jobs/1/counting/" + id).json();
            assertThat(look.path("moves")).hasSize(2);
            assertThat(shown(http, 16)).isEqualTo(before);
            assertThat(http.page("/jobs/1/counting/" + id).text()).contains("2 numbers change, 0 stay");
            assertThat(http.post("/jobs/1/counting/" + id + "/apply").status()).isEqualTo(200);
        }
        try (TaxonServer server = TaxonServer.on(data)) {
            Http http = server.http();
            assertThat(shown(http, 16)).isEqualTo("Port-Address 15 = 0·0·15, group of sixteen 1:16");
            assertThat(http.get("/jobs/1/network")
                            .json()
                            .path("counting")
                            .path("firstPortAddress")
                            .asInt())
                    .isZero();
            JsonNode means = http.get("/jobs/1/network/means?box=0.0.15").json().path("meanings");
            assertThat(means).hasSize(1);
            assertThat(means.get(0).path("universe").asInt()).isEqualTo(16);
            // A universe that is routed without a number goes by the same rule.
            http.post("/jobs/1/universes", "version", http.version(1), "universe", 17, "label", "U17");
            http.post(
                    "/jobs/1/universes/17",
                    "version",
                    http.version(1),
                    "label",
                    "U17",
                    "protocol",
                    "art-net",
                    "carriedAs",
                    "",
                    "outlet",
                    "1/2");
            assertThat(shown(http, 17)).isEqualTo("Port-Address 16 = 0·1·0, group of sixteen 2:1");
            // So does the one that the page offers for another protocol: no number of Art-Net is sent with it.
            http.post("/jobs/1/universes", "version", http.version(1), "universe", 18, "label", "U18");
            assertThat(http.page("/jobs/1/network/universes/18").text()).contains("placeholder=\"counted\"");
            http.post(
                    "/jobs/1/universes/18",
                    "version",
                    http.version(1),
                    "label",
                    "U18",
                    "protocol",
                    "sacn",
                    "carriedAs",
                    "",
                    "outlet",
                    "1/3");
            assertThat(shown(http, 18)).isEqualTo("universe 18, group 239.255.0.18");
            for (int i = 0; i < 5; i++) {
                http.post("/jobs/1/undo", "version", http.version(1));
            }
            assertThat(shown(http, 16)).isEqualTo(before);
        }
    }

    @Test
    void thePageAnswersWhatABoxSaysAndSaysWhereItIsNoNumber() {
        OneJob job = OneJob.shared("Counted");
        assertThat(job.page("/network?box=0.0.3").text())
                .contains("Net · Sub-Net · Universe", "Port-Address 3 = 0·0·3");
        assertThat(job.page("/network?box=%3Cb%3Enonsense").text())
                .contains("&lt;b&gt;nonsense” is no number of a universe");
        assertThat(job.page("/network?box=" + "9".repeat(5000)).status()).isEqualTo(200);
    }

    @ParameterizedTest
    @CsvSource({"-1", "32768", "x", "''"})
    void aRuleThatIsNoneIsRefusedAndNothingIsProposed(String first) {
        assertThat(OneJob.shared("Counted").edit("/counting", "first", first).status())
                .isEqualTo(422);
    }
}
