package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import taxon.app.testing.CheckedRig;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Wait;
import tools.jackson.databind.JsonNode;

/** A case is begun, solved by the checks themselves, and scored. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class PracticeHttpTest {
    private static final String PRACTICE = "/jobs/1/simulated-rig/practice";

    private TaxonServer server;
    private Http http;

    @BeforeAll
    void start() {
        server = TaxonServer.demo();
        http = server.http();
    }

    @AfterAll
    void stop() {
        server.close();
    }

    @Test
    void lastShowsAddressIsFoundByReadingAndPutRightByOneWrite() {
        assertThat(http.post(PRACTICE + "/begin", "case", "last-shows-address", "seed", 4)
                        .status())
                .isEqualTo(200);
        assertThat(http.get("/jobs/1/simulated-rig")
                        .json()
                        .path("boxes")
                        .path(0)
                        .path("faults")
                        .path(0)
                        .asString())
                .isEqualTo("hidden while somebody practises");
        new CheckedRig(http).read();
        int list = http.post("/jobs/1/checks/writes", "units", "all", "items", "address")
                .json()
                .path("id")
                .asInt();
        String at = "/jobs/1/checks/writes/" + list;
        assertThat(http.get(at).json().path("orders")).hasSize(1);
        http.post(at + "/arm");
        http.post(at + "/write");
        Wait.until(
                "it is written without an end",
                () -> http.get(at).json().path("state").asString().equals("ended"));
        assertThat(http.get(PRACTICE).json().path("touched").asInt()).isEqualTo(1);
        http.post(PRACTICE + "/end", "named", "");
        JsonNode last = http.get(PRACTICE).json().path("last");
        assertThat(last.path("points").asInt()).as("%s", last).isGreaterThanOrEqualTo(90);
        assertThat(last.path("faults").path(0).asString()).contains("listens at");
        assertThat(http.post(PRACTICE + "/end").status()).isEqualTo(409);
    }

    @Test
    void aCaseThatIsNoneIsRefused() {
        assertThat(http.post(PRACTICE + "/begin", "case", "world-peace").status())
                .isEqualTo(422);
    }

    @Test
    void aUnitIsGivenAFaultAndHealed() {
        assertThat(http.post("/jobs/1/simulated-rig/unit-faults", "unit", "204", "unitFault", "dead")
                        .status())
                .isEqualTo(200);
        assertThat(http.post("/jobs/1/simulated-rig/unit-faults", "unit", "nobody", "unitFault", "dead")
                        .reasons())
                .contains("no unit on which that is written");
        assertThat(http.post("/jobs/1/simulated-rig/unit-faults", "unit", "501", "unitFault", "pan-turned")
                        .reasons())
                .contains("nothing that unit 501 can have");
        assertThat(http.post("/jobs/1/simulated-rig/heal").status()).isEqualTo(200);
    }
}
