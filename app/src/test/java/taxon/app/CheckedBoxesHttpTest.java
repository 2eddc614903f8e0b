package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import taxon.app.testing.CheckedRig;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TakesLong;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Wait;
import tools.jackson.databind.JsonNode;

/** Boxes of the demo are looked for, held against the plan, programmed and read back. */
@TakesLong
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CheckedBoxesHttpTest {
    private static final String BOXES = "/jobs/1/checks/boxes";

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

    @AfterEach
    void heal() {
        assertThat(http.post("/jobs/1/simulated-rig/heal").status()).isEqualTo(200);
    }

    private void fault(String box, String fault, int port) {
        assertThat(http.post("/jobs/1/simulated-rig/faults", "box", box, "fault", fault, "port", port)
                        .status())
                .isEqualTo(200);
    }

    private JsonNode look() {
        http.post(BOXES + "/look");
        Wait.until(
                "boxes are looked for without an end",
                () -> !http.get(BOXES).json().path("running").asBoolean());
        return http.get(BOXES).json();
    }

    private static JsonNode box(JsonNode found, String name) {
        return found.path("boxes")
                .valueStream()
                .filter(b -> b.path("name").asString().equals(name))
                .findFirst()
                .orElseThrow(() -> new AssertionError("no box " + name + " in " + found));
    }

    /** What is asked of everybody on loopback is also answered by the rigs of test runs beside this one. */
    private JsonNode ofThisRig(JsonNode found, String name) {
        return found.path("boxes")
                .valueStream()
                .filter(b -> b.path("name").asString().equals(name))
                .filter(b -> b.path("found").asString().startsWith(server.network() + "."))
                .findFirst()
                .orElseThrow(() -> new AssertionError("no box " + name + " of this rig in " + found));
    }

    private static List<String> differences(JsonNode box) {
        return box.path("differences").valueStream().map(JsonNode::asString).toList();
    }

    private int list(String boxes) {
        return http.post("/jobs/1/checks/writes", "boxes", boxes)
                .json()
                .path("id")
                .asInt();
    }

    private JsonNode written(int list, boolean stops) {
        String at = "/jobs/1/checks/writes/" + list;
        if (stops) {
            http.post(at + "/arm", "stops", "on");
        } else {
            http.post(at + "/arm");
        }
        assertThat(http.post(at + "/write").status()).isEqualTo(200);
        Wait.until(
                "it is written without an end",
                () -> http.get(at).json().path("state").asString().equals("ended"));
        return http.get(at).json();
    }

    private static List<String> outcomes(JsonNode list) {
        return list.path("orders")
                .valueStream()
                .map(o -> o.path("outcome").asString())
                .toList();
    }

    @Test
    void nothingIsSaidOfBoxesThatNobodyAsked() {
        int job = http.post("/jobs", "name", "Another").json().path("job").asInt();
        http.post(
                "/jobs/" + job + "/boxes",
                "version",
                http.version(job),
                "name",
                "Node",
                "ip",
                "127.0.0.77",
                "ports",
                4);
        assertThat(http.get("/jobs/" + job + "/checks/boxes")
                        .json()
                        .path("boxes")
                        .path(0)
                        .path("state")
                        .asString())
                .isEqualTo("not asked yet");
        assertThat(http.post("/jobs/" + job + "/checks/writes", "boxes", "all").reasons())
                .contains("Look for boxes first");
    }

    @Test
    void boxesThatAreAsPlannedAndOnesThatAnswerAsLateAsTheyMay() {
        fault("Gate node", "slow", 1);
        JsonNode found = look();
        assertThat(box(found, "Quay node").path("state").asString()).isEqualTo("as planned");
        assertThat(box(found, "Gate node").path("state").asString()).isEqualTo("as planned");
        assertThat(box(found, "Quay node").path("facts").asString()).contains("firmware 1.04");
    }

    @Test
    void whatIsOffIsToldWithItsCauseAndWhatIsNotPlannedIsProposed() {
        fault("Gate node", "switched-off", 1);
        fault("Quay node", "other-ip", 1);
        fault("Quay node", "other-name", 1);
        JsonNode found = look();
        assertThat(box(found, "Gate node").path("state").asString()).isEqualTo("off");
        assertThat(differences(box(found, "Gate node")))
                .singleElement()
                .asString()
                .contains(" does not answer: ");
        JsonNode spare = ofThisRig(found, "Spare node");
        assertThat(spare.path("state").asString()).isEqualTo("not planned");
        String ip = spare.path("found").asString().split("/", 2)[0];
        Answer proposed = http.post("/jobs/1/checks/found", "boxes", ip);
        String at = "/jobs/1/found/" + proposed.json().path("proposal").asInt();
        Wait.until("it is not proposed", () -> http.get(at).json().path("lines").size() == 1);
        assertThat(http.post(at + "/apply").status()).isEqualTo(200);
        assertThat(box(http.get(BOXES).json(), "Spare node").path("state").asString())
                .isEqualTo("as planned");
    }

    @Test
    void whatDiffersIsProgrammedReadBackAndPutBack() {
        fault("Quay node", "port-is-input", 2);
        fault("Quay node", "takes-latest", 1);
        fault("Quay node", "zero-when-lost", 1);
        fault("Gate node", "other-ip", 1);
        fault("Gate node", "rdm-is-off", 1);
        JsonNode before = look();
        assertThat(differences(box(before, "Quay node"))).hasSize(3);
        assertThat(differences(box(before, "Gate node")))
                .singleElement()
                .asString()
                .contains("answers at");
        int list = list("all");
        JsonNode written = written(list, true);
        assertThat(outcomes(written)).hasSize(4).containsOnly("written");
        assertThat(box(http.get(BOXES).json(), "Quay node").path("state").asString())
                .isEqualTo("as planned");
        // Only now that it is where it is planned does it say what else is wrong with it.
        assertThat(differences(box(look(), "Gate node")))
                .singleElement()
                .asString()
                .contains("RDM off");
        assertThat(outcomes(written(list("all"), true))).containsExactly("written");
        assertThat(box(look(), "Gate node").path("state").asString()).isEqualTo("as planned");
        int back = http.post("/jobs/1/checks/writes/" + list + "/back")
                .json()
                .path("id")
                .asInt();
        assertThat(outcomes(written(back, true))).containsOnly("written");
        assertThat(differences(box(look(), "Quay node"))).hasSize(3);
    }

    @Test
    void aBoxThatDoesNotLetItselfBeProgrammedStopsTheList() {
        fault("Quay node", "port-is-input", 2);
        fault("Quay node", "takes-latest", 1);
        fault("Quay node", "locked", 1);
        look();
        JsonNode written = written(list("all"), true);
        assertThat(outcomes(written)).containsExactly("otherwise", "not-tried");
        assertThat(written.path("orders").path(0).path("says").asString()).isEqualTo("LTP, the latest");
        assertThat(outcomes(written(list("all"), false))).containsExactly("otherwise", "otherwise");
    }

    @Test
    void nothingIsSentToAnAddressThatTwoBoxesHave() {
        fault("Quay node", "twin", 1);
        fault("Quay node", "port-is-input", 2);
        JsonNode found = look();
        assertThat(differences(box(found, "Quay node"))).anyMatch(d -> d.contains("Another box, Spare node"));
        JsonNode list = http.get("/jobs/1/checks/writes/" + list("all")).json();
        assertThat(list.path("orders")).isEmpty();
        assertThat(list.path("left").path(0).path("why").asString()).contains("would change both");
    }

    @Test
    void aUnitThatNobodyPlannedIsTakenIntoThePlan() {
        JsonNode odd = new CheckedRig(http)
                .read()
                .path("lines")
                .valueStream()
                .filter(l -> l.path("verdict").asString().equals("unexpected"))
                .findFirst()
                .orElseThrow();
        String uid = odd.path("unit").asString().substring(0, 13);
        int id = http.post("/jobs/1/checks/found", "units", uid)
                .json()
                .path("proposal")
                .asInt();
        Wait.until(
                "it is not proposed",
                () -> http.get("/jobs/1/found/" + id).json().path("lines").size() == 1);
        assertThat(http.post("/jobs/1/found/" + id + "/apply").status()).isEqualTo(200);
        assertThat(http.get("/jobs/1/checks").json().path("lines").valueStream())
                .filteredOn(l -> l.path("unit").asString().startsWith(uid))
                .singleElement()
                .satisfies(l -> assertThat(l.path("verdict").asString()).isEqualTo("right"));
        assertThat(http.post("/jobs/1/checks/found", "boxes", "", "units", "").status())
                .isEqualTo(409);
    }
}
