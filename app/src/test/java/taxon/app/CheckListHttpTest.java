package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import taxon.app.testing.CheckedRig;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** The check list over HTTP: what was seen is noted, undone, and told where the job is handed over. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CheckListHttpTest {
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

    private String unit(String id) {
        return "/jobs/1/checks/list/" + new CheckedRig(http).key(id);
    }

    private String state(String id, String item) {
        for (JsonNode line : http.get(unit(id)).json().path("items")) {
            if (line.path("item").asString().equals(item)) {
                return line.path("state").asString();
            }
        }
        throw new AssertionError("no check " + item);
    }

    @Test
    void whatIsNotedIsInTheJobFileAndCanBeUndone() {
        assertThat(http.post(unit("204"), "item", "address", "seen", "right").status())
                .isEqualTo(200);
        assertThat(state("204", "address")).isEqualTo("moss");
        JsonNode job = http.get("/jobs/1/job.json").json();
        assertThat(job.path("checks").valueStream())
                .anyMatch(c -> c.path("item").asString().equals("address")
                        && c.path("fixture").asInt() == new CheckedRig(http).key("204"));
        assertThat(http.post("/jobs/1/undo", "version", http.version(1)).status())
                .isEqualTo(200);
        assertThat(state("204", "address")).isEqualTo("none");
    }

    @Test
    void anAxisThatGoesTheOtherWayRoundIsReversedAndThatIsInTheHistory() {
        assertThat(http.post(unit("204"), "item", "pan", "seen", "other-way").status())
                .isEqualTo(200);
        assertThat(http.get("/jobs/1/job.json").json().path("fixtures").valueStream())
                .filteredOn(f -> f.path("id").asInt() == 204)
                .singleElement()
                .satisfies(f -> assertThat(f.path("traits").path("panReversed").asBoolean())
                        .isTrue());
        assertThat(state("204", "pan")).isEqualTo("moss");
        assertThat(http.post(unit("204"), "item", "address", "seen", "other-way")
                        .reasons())
                .contains("Only pan and tilt");
    }

    @Test
    void whatIsWrongStopsTheHandOver() {
        http.post(unit("105"), "item", "address", "seen", "wrong-one", "note", "106");
        JsonNode list = http.get("/jobs/1/checks/list").json();
        assertThat(list.path("wrong").path(0).path("words").asString()).startsWith("105 address: wrong one moved, 106");
        assertThat(list.path("seen").valueStream()).anyMatch(l -> l.asString().endsWith(": 106"));
        assertThat(http.get("/jobs/1/handover").json().path("seenWrong").asInt())
                .isEqualTo(1);
        http.post(unit("105") + "/forget", "item", "address");
        assertThat(http.get("/jobs/1/checks/list").json().path("wrong")).isEmpty();
    }

    /** A form that was sent by Enter, or by a script that forgot it, says nothing of the unit. */
    @Test
    void whatIsNotSaidIsNotTakenForRight() {
        assertThat(http.post(unit("206"), "item", "address", "note", "105").reasons())
                .contains("Say what was seen");
        assertThat(http.post(unit("206"), "item", "address", "seen", "right", "note", "two\nlines")
                        .reasons())
                .contains("one line");
        assertThat(state("206", "address")).isEqualTo("none");
    }

    @Test
    void badFormsAreRefusedWithWhatTheyTake() {
        assertThat(http.post(unit("204"), "item", "soul", "seen", "right").reasons())
                .contains("204 has no check “soul”; it has there, address");
        assertThat(http.post(unit("204"), "item", "pan", "seen", "maybe").status())
                .isEqualTo(422);
        assertThat(http.post(unit("204"), "item", "pan", "seen", "right", "note", "x".repeat(201))
                        .reasons())
                .contains("201 characters");
        assertThat(http.post("/jobs/1/checks/list/99999", "item", "pan", "seen", "right")
                        .status())
                .isEqualTo(404);
        assertThat(http.post(unit("204") + "/raise", "item", "pan").reasons()).contains("Nothing is armed");
    }
}
