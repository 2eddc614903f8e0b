package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import taxon.core.finding.Rule;
import tools.jackson.databind.JsonNode;

/** A job driven by forms alone, as a script would. */
class JobHttpTest {
    private static TaxonServer server;
    private static Http http;
    private int job;

    @BeforeAll
    static void start() {
        server = TaxonServer.empty();
        http = server.http();
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    @BeforeEach
    void makeJob() {
        job = http.post(
                        "/jobs",
                        "name",
                        "Harbour test",
                        "venue",
                        "Dock",
                        "from",
                        "2026-05-01",
                        "to",
                        "2026-05-06",
                        "note",
                        "")
                .json()
                .path("job")
                .asInt();
    }

    private Answer add(int count, String type, int firstId) {
        return http.post(
                "/jobs/" + job + "/fixtures",
                "version",
                http.version(job),
                "count",
                count,
                "type",
                type,
                "position",
                "Crane rail",
                "firstId",
                firstId);
    }

    @Test
    void jobsAreFoundByTheirWordsAndOrderedByAnyColumn() {
        http.post("/jobs", "name", "Alder night", "venue", "Weir", "from", "2026-12-01");
        http.post("/jobs", "name", "Zinc parade", "venue", "Weir", "from", "2026-12-24");
        assertThat(names("/?q=weir+2026-12")).containsExactly("Zinc parade", "Alder night");
        assertThat(names("/?q=weir&sort=name")).containsExactly("Alder night", "Zinc parade");
        assertThat(names("/?q=weir&sort=days")).containsExactly("Zinc parade", "Alder night");
        assertThat(names("/?q=nowhere")).isEmpty();
        assertThat(http.page("/?q=weir").text()).contains("2 of ", "2026-12-24").doesNotContain("12/24/26");
    }

    private static List<String> names(String path) {
        return http.get(path)
                .json()
                .path("jobs")
                .valueStream()
                .map(j -> j.path("name").asString())
                .toList();
    }

    @Test
    void whatAddedByHandRunsPastTheEndStaysWhereItWasTyped() {
        Answer added = http.post(
                "/jobs/" + job + "/fixtures",
                "version",
                http.version(job),
                "count",
                2,
                "type",
                "fernglass-tern/16-channel",
                "address",
                "1.490");
        assertThat(added.status()).isEqualTo(200);
        String rig = http.page("/jobs/" + job + "/rig").text();
        assertThat(rig).contains("1.490", "1.506", "Not yet placed").doesNotContain("2.001");
        assertThat(http.get("/jobs/" + job + "/findings").json().toString()).contains("past-end:2");
    }

    @Test
    void aNewJobHasItsSheetAndNoRevision() {
        JsonNode answer = http.get("/jobs/" + job).json();
        assertThat(answer.path("document").path("job").path("venue").asString()).isEqualTo("Dock");
        assertThat(answer.path("revision").asString()).isEqualTo("No revision yet, 0 edits");
    }

    @Test
    void theVersionAloneIsThatOfTheWholeJob() {
        long before = http.version(job);
        add(2, "generic-rgb/3-channel", 1);
        assertThat(http.version(job)).isGreaterThan(before);
        assertThat(http.get("/jobs/" + job).json().path("version").asLong()).isEqualTo(http.version(job));
        assertThat(http.get("/jobs/4711/version").status()).isEqualTo(404);
    }

    @Test
    void fixturesAreAddedPlacedMovedAndCleared() {
        add(8, "fernglass-tern/16-channel", 101);
        int proposal = http.post("/jobs/" + job + "/proposals", "scope", "unplaced", "from", "1.1", "gap", 0)
                .json()
                .path("proposal")
                .asInt();
        JsonNode seen = http.get("/jobs/" + job + "/proposals/" + proposal).json();
        assertThat(seen.path("moves").get(7).path("after").asString()).isEqualTo("1.113");
        assertThat(address(1)).as("a proposal moves nothing").isEmpty();
        assertThat(http.post("/jobs/" + job + "/proposals/" + proposal + "/apply")
                        .status())
                .isEqualTo(200);
        assertThat(address(1)).isEqualTo("1.001");
        http.post("/jobs/" + job + "/fixtures/1/address", "version", http.version(job), "block", 1, "address", "3/127");
        assertThat(address(1)).isEqualTo("3.127");
        http.post("/jobs/" + job + "/fixtures/1/address", "version", http.version(job), "block", 1, "address", "");
        assertThat(address(1)).isEmpty();
    }

    @Test
    void undoAndRedoGoThroughEveryStepByName() {
        JsonNode empty = document();
        add(2, "generic-rgb/3-channel", 1);
        JsonNode added = document();
        http.post("/jobs/" + job + "/fixtures/1/address", "version", http.version(job), "block", 1, "address", "1.1");
        JsonNode placed = document();
        assertThat(undo().json().path("told").asString()).isEqualTo("Undone: 1 to 1.001.");
        assertThat(document()).isEqualTo(added);
        undo();
        assertThat(document()).isEqualTo(empty);
        assertThat(undo().status()).isEqualTo(409);
        http.post("/jobs/" + job + "/redo", "version", http.version(job));
        http.post("/jobs/" + job + "/redo", "version", http.version(job));
        assertThat(document()).isEqualTo(placed);
    }

    @Test
    void aNewEditEndsWhatCouldBeDoneAgain() {
        add(1, "generic-rgb/3-channel", 1);
        undo();
        add(1, "generic-dimmer/1-channel", 2);
        assertThat(http.post("/jobs/" + job + "/redo", "version", http.version(job))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void undoOutlivesARestart() {
        add(3, "generic-rgb/3-channel", 1);
        server.close();
        server = TaxonServer.on(server.data());
        http = server.http();
        undo();
        assertThat(http.get("/jobs/" + job + "/fixtures").json().path("fixtures"))
                .isEmpty();
    }

    @Test
    void findingsComeWithEveryRuleAndARemedyCanBePressed() {
        add(2, "fernglass-tern/16-channel", 101);
        move(1, "2.1");
        move(2, "2.9");
        JsonNode rules = http.get("/jobs/" + job + "/findings").json().path("rules");
        assertThat(rules).hasSize(Rule.values().length);
        JsonNode overlap = rules.get(0).path("findings").get(0);
        assertThat(overlap.path("sentence").asString()).startsWith("Overlap at 2.009 to 2.016.");
        assertThat(overlap.path("remedy").asString()).isEqualTo("Move 102 to 2.017");
        http.post(
                "/jobs/" + job + "/remedies",
                "version",
                http.version(job),
                "finding",
                overlap.path("id").asString());
        assertThat(address(2)).isEqualTo("2.017");
    }

    @Test
    void anEditOfTheSheetIsNamedAndUndone() {
        http.post(
                "/jobs/" + job + "/sheet",
                "version",
                http.version(job),
                "name",
                "Other name",
                "venue",
                "",
                "note",
                "x");
        assertThat(document().path("job").path("name").asString()).isEqualTo("Other name");
        undo();
        assertThat(document().path("job").path("name").asString()).isEqualTo("Harbour test");
    }

    @Test
    void aTypeIsToBeHadAsJsonWithItsChannelsInOrder() {
        JsonNode type = http.get("/jobs/" + job + "/types/oxbow-curlew-12").json();
        JsonNode channels = type.path("modes").get(1).path("blocks").get(0).path("channels");
        assertThat(channels.get(0).path("attribute").asString()).isEqualTo("Dimmer");
        assertThat(channels.get(36).path("cell").asInt()).isEqualTo(12);
        assertThat(http.get("/jobs/" + job + "/types/none").status()).isEqualTo(404);
    }

    @Test
    void finding204ChoosesIt() {
        add(4, "generic-rgb/3-channel", 201);
        assertThat(http.get("/jobs/" + job + "/find?q=204")
                        .json()
                        .path("keys")
                        .get(0)
                        .asInt())
                .isEqualTo(4);
        assertThat(http.get("/jobs/" + job + "/find?q=crane").json().path("keys"))
                .hasSize(4);
        assertThat(http.get("/jobs/" + job + "/find?q=zzz").reasons()).contains("Nothing is called “zzz”");
    }

    private void move(int key, String address) {
        http.post(
                "/jobs/" + job + "/fixtures/" + key + "/address",
                "version",
                http.version(job),
                "block",
                1,
                "address",
                address);
    }

    private Answer undo() {
        return http.post("/jobs/" + job + "/undo", "version", http.version(job));
    }

    private JsonNode document() {
        return http.get("/jobs/" + job).json().path("document");
    }

    private String address(int key) {
        JsonNode fixtures = http.get("/jobs/" + job + "/fixtures").json().path("fixtures");
        for (JsonNode fixture : fixtures) {
            if (fixture.path("key").asInt() == key) {
                return fixture.path("blocks").get(0).path("address").asString("");
            }
        }
        throw new AssertionError("no fixture " + key);
    }
}
