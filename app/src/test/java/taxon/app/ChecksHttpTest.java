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
        JsonNode before = line("204");
        assertThat(before.path("found").asString()).startsWith("2.065");
        Answer unarmed = write(before);
        assertThat(unarmed.status()).isEqualTo(409);
        assertThat(unarmed.reasons()).contains("Nothing is armed");
        assertThat(line("204").path("found").asString()).startsWith("2.065");

        Answer armed = http.post(
                "/jobs/1/checks/arm", "fixture", before.path("fixture").asInt(), "block", 1);
        assertThat(armed.json().path("address").asString()).isEqualTo("2.085");
        Answer written = write(before);
        assertThat(written.json().path("told").asString())
                .contains("204 listens at slot 85 now, read back from unit 7FF0:");
        assertThat(line("204").path("verdict").asString()).isEqualTo("right");
        assertThat(standing("204")).isEqualTo("proved");
        assertThat(write(before).status()).as("armed for one write only").isEqualTo(409);
    }

    @Test
    void whatIsArmedCanBeDisarmed() {
        read();
        JsonNode line = line("204");
        http.post("/jobs/1/checks/arm", "fixture", line.path("fixture").asInt(), "block", 1);
        http.post("/jobs/1/checks/disarm");
        assertThat(write(line).status()).isEqualTo(409);
    }

    @Test
    void nothingIsArmedForAUnitThatDidNotAnswer() {
        read();
        Answer answer = http.post(
                "/jobs/1/checks/arm", "fixture", line("606").path("fixture").asInt(), "block", 1);
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.reasons()).contains("No unit answered for this fixture");
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

    private Answer write(JsonNode line) {
        return http.post("/jobs/1/checks/write", "fixture", line.path("fixture").asInt(), "block", 1);
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
