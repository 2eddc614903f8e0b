package taxon.app.rig;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;
import taxon.core.testing.Rigs;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;

/** A page that shows an older table fetches what differs, and shows then what it would show had it fetched everything. */
class FollowedRowsHttpTest {
    private static final int STOPPED = 3;
    /** The key of a batten with twelve cells. */
    private static final int CURLEW = 33;

    private static TaxonServer server;
    private static Http http;

    @BeforeAll
    static void start() {
        server = TaxonServer.demo();
        http = server.http();
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    @ParameterizedTest(name = "{0}")
    @ValueSource(
            strings = {
                "x=y",
                "sort=-address",
                "sort=position,-unit",
                "filter=heron",
                "filter=address:2.",
                "cols=id,standing,mirrors,groups",
                "parts=rows&cols=id,address,name,parked",
                "parts=rows&filter=cell&sort=-address"
            })
    void whatDiffersMakesOfTheOldTableTheNewOne(String view) {
        Random random = new Random(view.hashCode());
        Shown shown = new Shown(view);
        for (int i = 0; i < Rigs.seeds(40).count(); i++) {
            for (int edits = random.nextInt(3); edits >= 0; edits--) {
                edit(random);
            }
            shown.follow();
            assertThat(shown.rows()).isEqualTo(whole(view).path("rows"));
        }
        // A row that shows something of another fixture may differ though its own does not.
        boolean showsOthers = view.contains("mirrors");
        assertThat(shown.partly > 0).as("answers that gave only what differs").isEqualTo(!showsOthers);
    }

    @Test
    void whatOneCellChangesIsNotAnsweredWithTheWholeTable() {
        long before = http.version(1);
        edit(1, "name", "Followed " + before);
        JsonNode since = http.get("/jobs/1/rows?since=" + before).json();
        assertThat(since.path("rows")).hasSize(1);
        assertThat(since.has("columns")).isFalse();
    }

    @Test
    void aVersionThatIsUnknownOrTooOldGetsTheWholeTable() {
        assertThat(http.get("/jobs/1/rows?since=999999").json().has("columns")).isTrue();
        assertThat(http.get("/jobs/1/rows?since=nonsense").json().has("columns"))
                .isTrue();
    }

    @Test
    void thePageIsToldToFetchAllWhenMoreThanFixturesChanged() {
        long before = http.version(1);
        edit(2, "name", "Known " + before);
        assertThat(http.page("/jobs/1/rig/changed?since=" + before).text()).contains("data-part=\"tally\"");
        http.post("/jobs/1/positions", "version", http.version(1), "name", "New " + before, "kind", "truss");
        assertThat(http.page("/jobs/1/rig/changed?since=" + before).text()).doesNotContain("data-part");
    }

    private static JsonNode whole(String view) {
        return http.get("/jobs/1/rows?" + view).json();
    }

    private static void edit(Random random) {
        int key = 1 + random.nextInt(90);
        switch (random.nextInt(8)) {
            case 5 -> edit(CURLEW + "/cell " + (1 + random.nextInt(12)), "name", "end " + random.nextInt(9));
            case 6 -> edit(CURLEW + "/cell " + (1 + random.nextInt(12)), "parked", "red = 7 kept");
            case 0 -> edit(key, "address", 1 + random.nextInt(7) + "." + (1 + random.nextInt(400)));
            case 1 -> edit(key, "unit", 1 + random.nextInt(30));
            case 2 -> edit(key, "note", "note " + random.nextInt(99));
            case 3 -> edit(key, "position", "Crane rail");
            case 4 -> http.post("/jobs/1/undo", "version", http.version(1));
            default -> edit(key, "id", 100 + random.nextInt(900));
        }
    }

    private static void edit(Object key, String column, Object text) {
        http.post("/jobs/1/cells", "version", http.version(1), "key", key, "column", column, "text", text);
    }

    /** What a page holds, and how it takes over what differs. */
    private static final class Shown {
        private final String view;
        private JsonNode table;
        private int partly;

        Shown(String view) {
            this.view = view;
            table = whole(view);
        }

        JsonNode rows() {
            return table.path("rows");
        }

        void follow() {
            JsonNode answer = http.get("/jobs/1/rows?" + view + "&since="
                            + table.path("version").asLong())
                    .json();
            table = answer.has("order") ? merged(answer) : answer;
        }

        private JsonNode merged(JsonNode answer) {
            Map<String, JsonNode> known = new HashMap<>();
            rows().forEach(r -> known.put(r.path(0).asString(), r));
            answer.path("rows").forEach(r -> known.put(r.path(0).asString(), r));
            List<String> order =
                    answer.path("order").valueStream().map(JsonNode::asString).toList();
            if (!known.keySet().containsAll(order)) {
                return whole(view);
            }
            partly++;
            List<Integer> stopped =
                    answer.path("stopped").valueStream().map(JsonNode::asInt).toList();
            ArrayNode rows = Json.object().putArray("rows");
            for (String key : order) {
                ArrayNode row = (ArrayNode) known.get(key).deepCopy();
                row.set(STOPPED, stopped.contains(Integer.valueOf(key.split("/")[0])) ? 1 : 0);
                rows.add(row);
            }
            return Json.object().put("version", answer.path("version").asLong()).set("rows", rows);
        }
    }
}
