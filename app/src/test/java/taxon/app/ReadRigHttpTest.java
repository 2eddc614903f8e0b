package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import taxon.app.testing.CheckedRig;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Wait;
import tools.jackson.databind.JsonNode;

/** What a reading of the demo's rig says; nothing is written to a unit. */
class ReadRigHttpTest {
    private static TaxonServer server;
    private static Http http;
    private static CheckedRig rig;

    @BeforeAll
    static void start() {
        server = TaxonServer.demo();
        http = server.http();
        rig = new CheckedRig(http);
        rig.read();
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    @Test
    void theDemoRigHasAtLeastOneOfEachVerdict() {
        JsonNode counts = http.get("/jobs/1/checks").json().path("counts");
        for (String verdict : List.of("right", "wrong-address", "wrong-mode", "missing", "unexpected")) {
            assertThat(counts.path(verdict).asInt()).as(verdict).isPositive();
        }
    }

    @Test
    void everyFixtureOfARoutedUniverseAndEveryUnitStandsOnOneLine() {
        JsonNode checks = http.get("/jobs/1/checks").json();
        int fixtures = 0;
        for (JsonNode line : checks.path("lines")) {
            fixtures += line.path("fixture").asInt() > 0 ? 1 : 0;
        }
        // 95 fixtures, less 12 on universe 7, which is routed nowhere, and 2 without an address.
        assertThat(fixtures).isEqualTo(81);
    }

    @Test
    void aReadingProvesAndMakesStale() {
        assertThat(rig.line("102").path("verdict").asString()).isEqualTo("right");
        assertThat(rig.standing("102")).isEqualTo("proved");
        assertThat(rig.standing("204")).isEqualTo("stale");
        assertThat(rig.standing("606")).as("silence proves nothing").isEqualTo("planned");
    }

    @Test
    void whatIsArmedCanBeDisarmed() {
        int list = http.post("/jobs/1/checks/writes", "units", rig.key("204"), "items", "address")
                .json()
                .path("id")
                .asInt();
        http.post("/jobs/1/checks/writes/" + list + "/arm");
        http.post("/jobs/1/checks/writes/" + list + "/disarm");
        assertThat(http.post("/jobs/1/checks/writes/" + list + "/write").status())
                .isEqualTo(409);
    }

    /** Of a kind that nobody knows, nothing is asked for. */
    @Test
    void aWishThatIsNoneIsRefusedWithWhatItTakes() {
        assertThat(http.post("/jobs/1/checks/writes", "units", "all", "items", "soul")
                        .reasons())
                .contains("address, mode, label or axes");
        assertThat(http.post("/jobs/1/checks/writes", "units", "left half", "items", "address")
                        .reasons())
                .contains("left half");
        assertThat(http.get("/jobs/1/checks/units/7FF0-FFFFFFFF").status()).isEqualTo(404);
    }

    /** The rig has units that are set otherwise than planned; what they said is evidence. */
    @Test
    void whatWasReadCanBeExplained() {
        Http.Answer there = http.get("/jobs/1/checks/explain?add=read&saw=");
        assertThat(there.status()).isEqualTo(302);
        String next = there.response().headers().firstValue("Location").orElseThrow();
        String path = next.substring(next.indexOf("/jobs/"));
        Wait.until("not computed", () -> http.get(path).json().path("computed").asBoolean());
        JsonNode explained = http.get(path).json();
        assertThat(explained.path("faults").size()).as(explained.toString()).isZero();
        assertThat(explained.path("seen").size()).isPositive();
        assertThat(explained.path("seen").get(0).path("asPlanned").asBoolean()).isFalse();
        assertThat(explained.path("seen").get(0).path("line").asString()).contains(" says ");
        assertThat(explained.path("causes").size()).isPositive();
        assertThat(http.page(path).text()).contains("id=\"take-read\"");
    }
}
