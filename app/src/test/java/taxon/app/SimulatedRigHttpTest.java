package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.app.testing.CheckedRig;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Wait;
import tools.jackson.databind.JsonNode;

/** Each fault of a simulated box, and what a reading says of it. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class SimulatedRigHttpTest {
    private static final String RIG = "/jobs/1/simulated-rig";

    private TaxonServer server;
    private Http http;

    @BeforeAll
    void start() {
        server = TaxonServer.demo();
        http = server.http();
        http.post("/jobs/1/universes/7/ways", "version", http.version(1), "protocol", "art-net", "outlet", "5/1");
    }

    @AfterAll
    void stop() {
        server.close();
    }

    @AfterEach
    void heal() {
        assertThat(http.post(RIG + "/heal").status()).isEqualTo(200);
    }

    private JsonNode unit(String written) {
        return http.get(RIG + "/units")
                .json()
                .path("units")
                .valueStream()
                .filter(u -> u.path("unit").asString().equals(written))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void unitsDoWhatComesDownTheirLineAndNothingWhereItIsOff() {
        assertThat(unit("204").path("listensAt").asInt())
                .as("last show's address")
                .isEqualTo(65);
        Wait.until("the show moves no head", () -> {
            long pan = unit("206").path("pan").asLong();
            return pan > 0 && unit("206").path("pan").asLong() != pan;
        });
        assertThat(unit("206").path("dark").asString()).isEmpty();
        http.post(RIG + "/faults", "box", "Quay node", "fault", "port-is-off", "port", 2);
        Wait.until(
                "206 still gives light",
                () -> !unit("206").path("dark").asString().isEmpty());
        assertThat(http.page(RIG + "/units").text()).contains("data-unit=\"206\"", "Crane rail");
    }

    @Test
    void aConsoleThatMovesWhatIsParkedIsSeen() {
        http.post("/jobs/1/checks/seen/listen");
        http.post(RIG + "/console", "act", "move-parked");
        Wait.until(
                "nobody says that what is parked moves",
                () -> http.get("/jobs/1/checks/seen")
                        .text()
                        .contains("612 is parked at 30 in slot 5.133, and is sent 225."));
        http.post(RIG + "/console", "act", "leave-parked");
        http.post("/jobs/1/checks/seen/end");
    }

    @Test
    void whatTheRigSaysIsASideThatIsNeverWhole() {
        assertThat(http.post("/jobs/1/compare/with", "with", "rig").status()).isIn(200, 422);
        new CheckedRig(http).read();
        int id = http.post("/jobs/1/compare/with", "with", "rig")
                .json()
                .path("comparison")
                .asInt();
        String page = "/jobs/1/comparisons/" + id;
        JsonNode held = http.get(page).json();
        assertThat(held.path("matched").asInt()).isGreaterThan(60);
        assertThat(held.path("differences").toString()).contains("2.065");
        assertThat(held.path("onlyOurs").isEmpty()).isFalse();
        assertThat(http.page(page + "?rows=ours").text()).contains("silent").doesNotContain("Take it out");
        assertThat(http.post(page + "/take", "gone", 1).status()).isEqualTo(422);
        assertThat(http.get(page + "/note").json().path("lines").valueStream())
                .noneMatch(l -> l.path("wanted").asString().startsWith("add it"));
        http.post(page + "/drop");
    }

    @Test
    void withoutAFaultAllBoxesAreAsPlanned() {
        JsonNode checks = new CheckedRig(http).read();
        assertThat(checks.path("boxes")).hasSize(4);
        assertThat(CheckedRig.differences(checks)).isEmpty();
        assertThat(http.page("/jobs/1/checks").text()).contains("as planned in what they say of themselves: 4 of 4.");
    }

    @ParameterizedTest(name = "{1} at {0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "Gate node|other-ip|1|Gate node at NET.3 does not answer: a box of its name answers at NET.103.",
                "Gate node|other-mask|1|Gate node has the mask 255.255.255.0; planned is 255.0.0.0.",
                "Quay node|twin|1|Another box, Spare node, answers at the address of Quay node, NET.2: give one of them another.",
                "Quay node|other-universe|2|Quay node port 2 is set to Port-Address 0·0·3; planned is 0·0·2, for universe 2.",
                "Quay node|port-is-input|3|Quay node port 3 is set to input; planned is output.",
                "Quay node|port-is-off|4|Quay node port 4 is set to off; planned is output.",
                "Gate node|rdm-is-off|1|Gate node port 1 has RDM off; planned is on."
            })
    void aFaultIsToldByTheNextReading(String box, String fault, int port, String said) {
        assertThat(http.post(RIG + "/faults", "box", box, "fault", fault, "port", port)
                        .status())
                .isEqualTo(200);
        assertThat(CheckedRig.differences(new CheckedRig(http).read()))
                .containsExactly(said.replace("NET", server.network()));
    }

    @Test
    void anInterfaceThatIsPulledOutIsTold() {
        http.post(RIG + "/unplug");
        assertThat(CheckedRig.differences(new CheckedRig(http).read()))
                .containsExactly("House interface is not plugged into this computer.");
    }

    @Test
    void unitsWhoseReceiversLostTheirLinkAreMissing() {
        int before = found(new CheckedRig(http).read());
        assertThat(before).isPositive();
        http.post(RIG + "/faults", "box", "Dock radio", "fault", "links-lost", "port", 1);
        assertThat(found(new CheckedRig(http).read())).isZero();
    }

    /** How many units answered on the wireless universe. */
    private static int found(JsonNode checks) {
        return (int) checks.path("lines")
                .valueStream()
                .filter(l -> l.path("universe").asString().equals("7"))
                .filter(l -> !l.path("unit").asString().isEmpty())
                .count();
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThat(http.post(RIG + "/faults", "box", "Nobody", "fault", "twin").reasons())
                .contains("no such box");
        assertThat(http.post(RIG + "/faults", "box", "Dock radio", "fault", "port-is-off", "port", 2)
                        .reasons())
                .contains("Dock radio has 1 port");
        assertThat(http.post(RIG + "/faults", "box", "Dock radio", "fault", "breaks")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void whereRealWorkIsServedThereIsNone() {
        try (TaxonServer real = TaxonServer.empty()) {
            Http there = real.http();
            there.job("Real");
            assertThat(there.get("/jobs/1/simulated-rig").status()).isEqualTo(404);
            assertThat(there.page("/jobs/1/checks").text()).doesNotContain("simulated-rig");
        }
    }
}
