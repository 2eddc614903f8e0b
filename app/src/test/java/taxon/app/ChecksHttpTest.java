package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.app.testing.CheckedRig;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Wait;
import tools.jackson.databind.JsonNode;

/** The demo's rig read over real UDP, and one unit written to. */
class ChecksHttpTest {
    private TaxonServer server;
    private Http http;
    private CheckedRig rig;

    @BeforeEach
    void start() {
        server = TaxonServer.demo();
        http = server.http();
        rig = new CheckedRig(http);
    }

    @AfterEach
    void stop() {
        server.close();
    }

    @Test
    void writingIsArmedFirstDoneOverRdmAndReadBack() {
        rig.read();
        assertThat(rig.line("204").path("found").asString()).startsWith("2.065");
        int list = list("204");
        JsonNode order =
                http.get("/jobs/1/checks/writes/" + list).json().path("orders").path(0);
        assertThat(order.path("words").asString()).endsWith("start address 65 → 85");
        Answer unarmed = http.post("/jobs/1/checks/writes/" + list + "/write");
        assertThat(unarmed.status()).isEqualTo(409);
        assertThat(unarmed.reasons()).contains("not armed");
        assertThat(rig.line("204").path("found").asString()).startsWith("2.065");

        http.post("/jobs/1/checks/writes/" + list + "/arm", "stops", "on");
        http.post("/jobs/1/checks/writes/" + list + "/write");
        assertThat(ended(list).path("orders").path(0).path("outcome").asString())
                .isEqualTo("written");
        assertThat(rig.line("204").path("verdict").asString()).isEqualTo("right");
        assertThat(rig.standing("204")).isEqualTo("proved");
        assertThat(http.post("/jobs/1/checks/writes/" + list + "/write").status())
                .as("armed for one write only")
                .isEqualTo(409);
        assertThat(http.post("/jobs/1/checks/writes/" + list + "/arm").reasons())
                .contains("written already");
    }

    @Test
    void whatWasThereBeforeIsWrittenBack() {
        rig.read();
        int list = list("204");
        http.post("/jobs/1/checks/writes/" + list + "/arm");
        http.post("/jobs/1/checks/writes/" + list + "/write");
        ended(list);
        int back = http.post("/jobs/1/checks/writes/" + list + "/back")
                .json()
                .path("id")
                .asInt();
        http.post("/jobs/1/checks/writes/" + back + "/arm");
        http.post("/jobs/1/checks/writes/" + back + "/write");
        assertThat(ended(back).path("orders").path(0).path("words").asString()).endsWith("start address 85 → 65");
        assertThat(rig.line("204").path("found").asString()).startsWith("2.065");
        assertThat(rig.standing("204")).isEqualTo("stale");
    }

    @Test
    void aListOfAPlanThatHasChangedIsNotArmed() {
        rig.read();
        int list = list("204");
        moveSomewhereElse("204");
        Answer armed = http.post("/jobs/1/checks/writes/" + list + "/arm");
        assertThat(armed.status()).isEqualTo(409);
        assertThat(armed.reasons()).contains("The plan has changed since this list was made");
    }

    private void moveSomewhereElse(String label) {
        JsonNode fixture = rig.fixture(label);
        http.post(
                "/jobs/1/fixtures/" + fixture.path("key").asInt() + "/address",
                "block",
                1,
                "address",
                "9.1",
                "version",
                http.version(1));
        assertThat(rig.fixture(label).toString()).contains("9.001");
    }

    @Test
    void nothingIsWrittenToAUnitThatDidNotAnswer() {
        assertThat(prepare("606").reasons()).contains("The rig was not read since Taxon was started");
        rig.read();
        JsonNode list = http.get("/jobs/1/checks/writes/" + list("606")).json();
        assertThat(list.path("orders")).isEmpty();
        assertThat(list.path("left").path(0).path("why").asString()).isEqualTo("no unit answered for it");
        assertThat(http.post("/jobs/1/checks/writes/" + list.path("id").asInt() + "/arm")
                        .reasons())
                .contains("Nothing of this list can be written");
    }

    @Test
    void severalMakeThemselvesKnownAndNobodyAnyMore() {
        rig.read();
        String chosen = rig.key("201") + "," + rig.key("202");
        int on = http.post("/jobs/1/checks/writes", "units", chosen, "items", "identify-on")
                .json()
                .path("id")
                .asInt();
        http.post("/jobs/1/checks/writes/" + on + "/arm");
        http.post("/jobs/1/checks/writes/" + on + "/write");
        assertThat(ended(on).path("orders").valueStream())
                .hasSize(2)
                .allMatch(o -> o.path("outcome").asString().equals("written"));
        int off = http.post("/jobs/1/checks/writes", "units", "all", "items", "identify-off")
                .json()
                .path("id")
                .asInt();
        assertThat(http.get("/jobs/1/checks/writes/" + off).json().path("orders"))
                .as("only those that do")
                .hasSize(2);
    }

    private Answer prepare(String label) {
        return http.post(
                "/jobs/1/checks/writes", "units", rig.fixture(label).path("key").asInt(), "items", "address");
    }

    private int list(String label) {
        return prepare(label).json().path("id").asInt();
    }

    private JsonNode ended(int list) {
        Wait.until(
                "list " + list + " does not end",
                () -> http.get("/jobs/1/checks/writes/" + list)
                        .json()
                        .path("state")
                        .asString()
                        .equals("ended"));
        return http.get("/jobs/1/checks/writes/" + list).json();
    }

    @Test
    void aTickIsNotTakenBackOnceTheUnitItselfWasHeard() {
        http.post("/jobs/1/fixtures/" + rig.key("104") + "/set");
        rig.read();
        assertThat(rig.standing("104")).isEqualTo("stale");
        Answer undone = http.post("/jobs/1/undo", "version", http.version(1));
        assertThat(undone.status()).isEqualTo(422);
        assertThat(undone.reasons()).contains("cannot be taken back: something newer is known of the unit");
        assertThat(rig.standing("104")).isEqualTo("stale");
        assertThat(http.post("/jobs/1/undo", "version", http.version(1)).status())
                .as("what was done before the tick can still be undone")
                .isEqualTo(200);
    }

    @Test
    void aNodeThatDoesNotAnswerIsNamedAndTheRestIsRead() {
        http.post(
                "/jobs/1/boxes/2",
                "version",
                http.version(1),
                "name",
                "Gate node",
                "ip",
                server.network() + ".9",
                "ports",
                4);
        JsonNode checks = rig.read();
        assertThat(CheckedRig.differences(checks))
                .contains("Gate node at " + server.network() + ".9 does not answer: a box of its name answers at "
                        + server.network() + ".3.");
        assertThat(checks.path("counts").path("right").asInt()).isPositive();
    }

    @Test
    void aPortSetOtherwiseThanPlannedIsTold() {
        http.post(
                "/jobs/1/universes/3",
                "version",
                http.version(1),
                "label",
                "gate tower",
                "protocol",
                "art-net",
                "carriedAs",
                19,
                "outlet",
                "1/3");
        assertThat(CheckedRig.differences(rig.read()))
                .containsExactly("Quay node port 3 is set to Port-Address 0·0·3; planned is 0·1·3, for universe 3.");
    }
}
