package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Wait;
import tools.jackson.databind.JsonNode;

/** The demo's rig read over real UDP, and one unit written to. */
class ChecksHttpTest {
    private TaxonServer server;
    private Http http;

    @BeforeEach
    void start() {
        server = TaxonServer.demo();
        http = server.http();
    }

    @AfterEach
    void stop() {
        server.close();
    }

    @Test
    void theDemoRigHasAtLeastOneOfEachVerdict() {
        JsonNode counts = read().path("counts");
        for (String verdict : List.of("right", "wrong-address", "wrong-mode", "missing", "unexpected")) {
            assertThat(counts.path(verdict).asInt()).as(verdict).isPositive();
        }
    }

    @Test
    void everyFixtureOfARoutedUniverseAndEveryUnitStandsOnOneLine() {
        JsonNode checks = read();
        int fixtures = 0;
        for (JsonNode line : checks.path("lines")) {
            fixtures += line.path("fixture").asInt() > 0 ? 1 : 0;
        }
        // 95 fixtures, less 12 on universe 7, which is routed nowhere, and 2 without an address.
        assertThat(fixtures).isEqualTo(81);
    }

    @Test
    void aReadingProvesAndMakesStale() {
        read();
        assertThat(line("102").path("verdict").asString()).isEqualTo("right");
        assertThat(standing("102")).isEqualTo("proved");
        assertThat(standing("204")).isEqualTo("stale");
        assertThat(standing("606")).as("silence proves nothing").isEqualTo("planned");
    }

    @Test
    void writingIsArmedFirstDoneOverRdmAndReadBack() {
        read();
        assertThat(line("204").path("found").asString()).startsWith("2.065");
        int list = list("204");
        JsonNode order =
                http.get("/jobs/1/checks/writes/" + list).json().path("orders").path(0);
        assertThat(order.path("words").asString()).endsWith("start address 65 → 85");
        Answer unarmed = http.post("/jobs/1/checks/writes/" + list + "/write");
        assertThat(unarmed.status()).isEqualTo(409);
        assertThat(unarmed.reasons()).contains("not armed");
        assertThat(line("204").path("found").asString()).startsWith("2.065");

        http.post("/jobs/1/checks/writes/" + list + "/arm", "stops", "on");
        http.post("/jobs/1/checks/writes/" + list + "/write");
        assertThat(ended(list).path("orders").path(0).path("outcome").asString())
                .isEqualTo("written");
        assertThat(line("204").path("verdict").asString()).isEqualTo("right");
        assertThat(standing("204")).isEqualTo("proved");
        assertThat(http.post("/jobs/1/checks/writes/" + list + "/write").status())
                .as("armed for one write only")
                .isEqualTo(409);
        assertThat(http.post("/jobs/1/checks/writes/" + list + "/arm").reasons())
                .contains("written already");
    }

    @Test
    void whatWasThereBeforeIsWrittenBack() {
        read();
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
        assertThat(line("204").path("found").asString()).startsWith("2.065");
        assertThat(standing("204")).isEqualTo("stale");
    }

    @Test
    void aListOfAPlanThatHasChangedIsNotArmed() {
        read();
        int list = list("204");
        moveSomewhereElse("204");
        Answer armed = http.post("/jobs/1/checks/writes/" + list + "/arm");
        assertThat(armed.status()).isEqualTo(409);
        assertThat(armed.reasons()).contains("The plan has changed since this list was made");
    }

    private void moveSomewhereElse(String label) {
        JsonNode fixture = fixture(label);
        http.post(
                "/jobs/1/fixtures/" + fixture.path("key").asInt() + "/address",
                "block",
                1,
                "address",
                "9.1",
                "version",
                http.get("/jobs/1").json().path("version").asInt());
        assertThat(fixture(label).toString()).contains("9.001");
    }

    @Test
    void whatIsArmedCanBeDisarmed() {
        read();
        int list = list("204");
        http.post("/jobs/1/checks/writes/" + list + "/arm");
        http.post("/jobs/1/checks/writes/" + list + "/disarm");
        assertThat(http.post("/jobs/1/checks/writes/" + list + "/write").status())
                .isEqualTo(409);
    }

    @Test
    void nothingIsWrittenToAUnitThatDidNotAnswer() {
        assertThat(prepare("606").reasons()).contains("The rig was not read since Taxon was started");
        read();
        JsonNode list = http.get("/jobs/1/checks/writes/" + list("606")).json();
        assertThat(list.path("orders")).isEmpty();
        assertThat(list.path("left").path(0).path("why").asString()).isEqualTo("no unit answered for it");
        assertThat(http.post("/jobs/1/checks/writes/" + list.path("id").asInt() + "/arm")
                        .reasons())
                .contains("Nothing of this list can be written");
    }

    /** Of a kind that nobody knows, nothing is asked for. */
    @Test
    void aWishThatIsNoneIsRefusedWithWhatItTakes() {
        read();
        assertThat(http.post("/jobs/1/checks/writes", "units", "all", "items", "soul")
                        .reasons())
                .contains("address, mode, label or axes");
        assertThat(http.post("/jobs/1/checks/writes", "units", "left half", "items", "address")
                        .reasons())
                .contains("left half");
        assertThat(http.get("/jobs/1/checks/units/7FF0-FFFFFFFF").status()).isEqualTo(404);
    }

    @Test
    void severalMakeThemselvesKnownAndNobodyAnyMore() {
        read();
        String chosen = key("201") + "," + key("202");
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
                "/jobs/1/checks/writes", "units", fixture(label).path("key").asInt(), "items", "address");
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
    void tickingOffSetsAndALaterMoveMakesItStale() {
        int key = key("201");
        http.post("/jobs/1/fixtures/" + key + "/set");
        assertThat(standing("201")).isEqualTo("set");
        http.post("/jobs/1/fixtures/" + key + "/address", "version", http.version(1), "block", 1, "address", "2.400");
        assertThat(standing("201")).isEqualTo("stale");
        http.post("/jobs/1/undo", "version", http.version(1));
        assertThat(standing("201"))
                .as("undo moves the plan back and leaves what is known")
                .isEqualTo("set");
    }

    @Test
    void ticksOfManyAreOneActAndAreTakenBackLikeAnyOther() {
        String two = key("201") + "," + key("202");
        assertThat(http.post("/jobs/1/fixtures/set", "sel", two).status()).isEqualTo(200);
        assertThat(List.of(standing("201"), standing("202"))).containsOnly("set");
        assertThat(http.page("/jobs/1/rig").text()).contains("Undo: 2 fixtures ticked off as set");
        http.post("/jobs/1/undo", "version", http.version(1));
        assertThat(List.of(standing("201"), standing("202"))).containsOnly("planned");
        http.post("/jobs/1/redo", "version", http.version(1));
        assertThat(List.of(standing("201"), standing("202"))).containsOnly("set");
        assertThat(http.post("/jobs/1/fixtures/set", "sel", "").status()).isEqualTo(422);
    }

    @Test
    void aTickIsNotTakenBackOnceTheUnitItselfWasHeard() {
        http.post("/jobs/1/fixtures/" + key("104") + "/set");
        read();
        assertThat(standing("104")).isEqualTo("stale");
        Answer undone = http.post("/jobs/1/undo", "version", http.version(1));
        assertThat(undone.status()).isEqualTo(422);
        assertThat(undone.reasons()).contains("cannot be taken back: something newer is known of the unit");
        assertThat(standing("104")).isEqualTo("stale");
        assertThat(http.post("/jobs/1/undo", "version", http.version(1)).status())
                .as("what was done before the tick can still be undone")
                .isEqualTo(200);
    }

    @Test
    void whatAUnitShowedBeforeIsRemembered() {
        http.post("/jobs/1/fixtures/" + key("201") + "/set", "showed", "065");
        assertThat(http.get("/jobs/1/job.json").text()).contains("showed 065 before");
        assertThat(http.post("/jobs/1/fixtures/" + key("201") + "/set", "showed", "x".repeat(30))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void whatMustBeTouchedAgainAndWhatWasNeverSetAreTwoLists() {
        JsonNode lists = http.get("/jobs/1/again").json();
        int never = lists.path("neverSet").size();
        assertThat(never).isPositive();
        http.post("/jobs/1/fixtures/" + key("201") + "/set");
        JsonNode after = http.get("/jobs/1/again").json();
        assertThat(after.path("neverSet").size()).isEqualTo(never - 1);
        assertThat(after.path("units").size()).isEqualTo(lists.path("units").size());
        assertThat(http.get("/jobs/1/never-set.csv").text()).contains("Position,Unit,Fixture,Type,Mode,Planned");
        assertThat(http.page("/jobs/1/again").text()).contains("Never set", (never - 1) + " units have an address");
    }

    @Test
    void nodesOutsideThisMachineAreNotAskedUnlessOutputIsArmed() {
        http.post("/jobs", "name", "Real network");
        http.post("/jobs/2/boxes", "version", 0, "name", "Far node", "ip", "10.0.0.20", "ports", 4);
        Answer answer = http.post("/jobs/2/checks/read");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).contains("10.0.0.20", "Arm output to them first");
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
        JsonNode checks = read();
        assertThat(differences(checks))
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
        assertThat(differences(read()))
                .containsExactly("Quay node port 3 is set to Port-Address 0·0·3; planned is 0·1·3, for universe 3.");
    }

    private static List<String> differences(JsonNode checks) {
        return checks.path("boxes")
                .valueStream()
                .flatMap(b -> b.path("differences").valueStream())
                .map(JsonNode::asString)
                .toList();
    }

    /** The rig has units that are set otherwise than planned; what they said is evidence. */
    @Test
    void whatWasReadCanBeExplained() {
        read();
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

    private JsonNode read() {
        http.post("/jobs/1/checks/read");
        Instant patience = Instant.now().plus(Duration.ofSeconds(30));
        JsonNode checks = http.get("/jobs/1/checks").json();
        while (!checks.path("reading").asString().equals("done")) {
            assertThat(Instant.now())
                    .as("the reading goes on and on: %s", checks.path("trouble"))
                    .isBefore(patience);
            checks = http.get("/jobs/1/checks").json();
        }
        return checks;
    }

    private JsonNode line(String label) {
        for (JsonNode line : http.get("/jobs/1/checks").json().path("lines")) {
            if (line.path("label").asString().equals(label)) {
                return line;
            }
        }
        throw new AssertionError("no line for " + label);
    }

    private JsonNode fixture(String id) {
        for (JsonNode fixture : http.get("/jobs/1/fixtures").json().path("fixtures")) {
            if (fixture.path("id").asString("").equals(id)) {
                return fixture;
            }
        }
        throw new AssertionError("no fixture " + id);
    }

    private int key(String id) {
        return fixture(id).path("key").asInt();
    }

    private String standing(String id) {
        return fixture(id).path("blocks").get(0).path("standing").asString();
    }
}
