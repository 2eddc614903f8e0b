package taxon.app.rig;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** Cells and layers as rows of the table, through the whole application: read, edited, grouped, printed, kept and taken back. */
class PartRowsHttpTest {
    private static final String ROWS = "/jobs/1/rows?parts=rows&cols=id,address,slots,name,parked,groups";

    private TaxonServer server = TaxonServer.empty();
    private Http http = server.http();

    @BeforeEach
    void hang() {
        http.post("/jobs", "name", "Parts");
        add("oxbow-curlew-12/37-channel", 401, "2.101");
        add("pellucid-bittern/2 layers", 501, "");
    }

    @AfterEach
    void stop() {
        server.close();
    }

    private void add(String type, int id, String address) {
        Answer answer = post(
                "/jobs/1/fixtures", "count", 1, "type", type, "position", "Pier", "firstId", id, "address", address);
        assertThat(answer.status()).isEqualTo(200);
    }

    private Answer post(String path, Object... fields) {
        Object[] all = new Object[fields.length + 2];
        all[0] = "version";
        all[1] = http.version(1);
        System.arraycopy(fields, 0, all, 2, fields.length);
        return http.post(path, all);
    }

    private Answer cell(String key, String column, String text) {
        return post("/jobs/1/cells", "key", key, "column", column, "text", text);
    }

    /** The texts of a row, its ID first. */
    private List<String> row(String key) {
        JsonNode rows = http.get(ROWS).json().path("rows");
        return rows.valueStream()
                .filter(r -> r.path(0).asString().equals(key))
                .findFirst()
                .orElseThrow()
                .valueStream()
                .skip(4)
                .map(JsonNode::asString)
                .toList();
    }

    @Test
    void theyAreRowsBelowTheirFixtureOnlyWhereThatIsWished() {
        assertThat(http.get("/jobs/1/rows").json().path("rows")).hasSize(2);
        List<String> ids = http.get(ROWS)
                .json()
                .path("rows")
                .valueStream()
                .map(r -> r.path(4).asString())
                .toList();
        assertThat(ids)
                .hasSize(2 + 12 + 2)
                .startsWith("401", "401, cell 1")
                .endsWith("501", "501, layer 1", "501, layer 2");
        assertThat(row("1/cell 2")).containsExactly("401, cell 2", "2.105", "3", "", "", "");
        assertThat(http.page("/jobs/1/rig?parts=rows").text()).contains("2 rows and 14 of cells and layers");
    }

    @Test
    void whatIsSaidOfThemOutlivesARestartAndIsTakenBackLikeAllElse() {
        post("/jobs/1/groups", "kind", "group", "name", "Ends", "id", 7);
        cell("1/cell 12", "name", "Stern end");
        cell("1/cell 12", "parked", "red = 255 house light");
        cell("1/cell 12", "groups", "ends");
        cell("2/layer 1", "address", "3.7");
        List<String> kept = List.of("401, cell 12", "2.135", "3", "Stern end", "red = 255 house light", "Ends");
        assertThat(row("1/cell 12")).isEqualTo(kept);
        Path data = server.data();
        String json = http.get("/jobs/1/fixtures").text();
        server.close();
        server = TaxonServer.on(data);
        http = server.http();
        assertThat(row("1/cell 12")).isEqualTo(kept);
        assertThat(row("2/layer 1")).startsWith("501, layer 1", "3.007");
        assertThat(http.get("/jobs/1/fixtures").text()).isEqualTo(json);
        for (int i = 0; i < 4; i++) {
            post("/jobs/1/undo");
        }
        assertThat(row("1/cell 12")).containsExactly("401, cell 12", "2.135", "3", "", "", "");
    }

    @Test
    void theFormsThatDoNotShowThemLeaveThemAlone() {
        post("/jobs/1/groups", "kind", "group", "name", "Ends", "id", 7);
        cell("1/cell 1", "groups", "Ends");
        cell("1/cell 1", "name", "Bow end");
        assertThat(post("/jobs/1/fixtures/1/traits", "purpose", "wash").status())
                .isEqualTo(200);
        assertThat(post("/jobs/1/groups/1", "kind", "group", "name", "Far ends", "id", 8)
                        .status())
                .isEqualTo(200);
        assertThat(row("1/cell 1")).containsExactly("401, cell 1", "2.102", "3", "Bow end", "", "Far ends");
        assertThat(post("/jobs/1/groups/1", "kind", "folder", "name", "Far ends")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void manyAreFilledAtOnceAfterALook() {
        int proposal = post(
                        "/jobs/1/cells/fill", "keys", "1/cell 1,1/cell 3,2", "column", "parked", "text", "red = 9 kept")
                .json()
                .path("proposal")
                .asInt();
        JsonNode look = http.get("/jobs/1/cells/" + proposal).json();
        assertThat(look.path("moves")).hasSize(3);
        assertThat(look.path("moves").get(0).path("part").asString()).isEqualTo("cell 1");
        post("/jobs/1/cells/" + proposal + "/apply");
        assertThat(row("1/cell 3")).contains("red = 9 kept");
        assertThat(row("1/cell 2")).doesNotContain("red = 9 kept");
        assertThat(row("2/layer 2")).contains("red = 9 kept");
    }

    @Test
    void whatBelongsToTheWholeFixtureIsRefusedWithTheWayOut() {
        Answer refused = cell("1/cell 2", "address", "4.001");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("is that of fixture 401, whose slot 5 it is");
        assertThat(cell("1/cell 99", "name", "x").text()).contains("There is no part cell 99");
        assertThat(cell("1/cell 0", "name", "x").status()).isEqualTo(422);
        assertThat(cell("1/nonsense", "name", "x").status()).isEqualTo(422);
    }

    @Test
    void papersAndTheTreeNameThem() {
        post("/jobs/1/groups", "kind", "group", "name", "Ends", "id", 7);
        cell("1/cell 1", "groups", "Ends");
        cell("1/cell 12", "groups", "Ends");
        cell("1/cell 12", "name", "Stern end");
        assertThat(http.page("/jobs/1/tree").text()).contains("401 cells 1, 12").contains("2 cells and layers");
        assertThat(http.page("/jobs/1/paperwork/groups").text())
                .contains("0 + 2 parts")
                .contains("401 cells 1, 12");
        assertThat(http.page("/jobs/1/paperwork/to-know").text()).contains("cell 1 to 12, 12 Stern end");
        assertThat(http.get("/jobs/1/groups").text()).contains("1/cell 12");
        assertThat(http.get("/jobs/1/choose?group=1").json().path("next").asString())
                .endsWith("sel=1");
    }
}
