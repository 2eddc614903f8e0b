package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import taxon.app.testing.CheckedRig;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** Units that were set by hand and ticked off; each test has fixtures of its own. */
class TicksHttpTest {
    private static TaxonServer server;
    private static Http http;
    private static CheckedRig rig;

    @BeforeAll
    static void start() {
        server = TaxonServer.demo();
        http = server.http();
        rig = new CheckedRig(http);
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    @Test
    void tickingOffSetsAndALaterMoveMakesItStale() {
        int key = rig.key("201");
        http.post("/jobs/1/fixtures/" + key + "/set");
        assertThat(rig.standing("201")).isEqualTo("set");
        http.post("/jobs/1/fixtures/" + key + "/address", "version", http.version(1), "block", 1, "address", "2.400");
        assertThat(rig.standing("201")).isEqualTo("stale");
        http.post("/jobs/1/undo", "version", http.version(1));
        assertThat(rig.standing("201"))
                .as("undo moves the plan back and leaves what is known")
                .isEqualTo("set");
    }

    @Test
    void ticksOfManyAreOneActAndAreTakenBackLikeAnyOther() {
        String two = rig.key("206") + "," + rig.key("207");
        assertThat(http.post("/jobs/1/fixtures/set", "sel", two).status()).isEqualTo(200);
        assertThat(List.of(rig.standing("206"), rig.standing("207"))).containsOnly("set");
        assertThat(http.page("/jobs/1/rig").text()).contains("Undo: 2 fixtures ticked off as set");
        http.post("/jobs/1/undo", "version", http.version(1));
        assertThat(List.of(rig.standing("206"), rig.standing("207"))).containsOnly("planned");
        http.post("/jobs/1/redo", "version", http.version(1));
        assertThat(List.of(rig.standing("206"), rig.standing("207"))).containsOnly("set");
        assertThat(http.post("/jobs/1/fixtures/set", "sel", "").status()).isEqualTo(422);
    }

    @Test
    void whatAUnitShowedBeforeIsRemembered() {
        http.post("/jobs/1/fixtures/" + rig.key("203") + "/set", "showed", "065");
        assertThat(http.get("/jobs/1/job.json").text()).contains("showed 065 before");
        assertThat(http.post("/jobs/1/fixtures/" + rig.key("203") + "/set", "showed", "x".repeat(30))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void whatMustBeTouchedAgainAndWhatWasNeverSetAreTwoLists() {
        JsonNode lists = http.get("/jobs/1/again").json();
        int never = lists.path("neverSet").size();
        assertThat(never).isPositive();
        http.post("/jobs/1/fixtures/" + rig.key("205") + "/set");
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
}
