package taxon.app.rig;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.OneJob;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** Cells and layers as rows of the table, through the whole application: read, edited, grouped, printed, kept and taken back. */
class PartRowsHttpTest {
    private static final String ROWS = "/rows?parts=rows&cols=id,address,slots,name,parked,groups";

    private OneJob job = OneJob.shared("Parts");

    @BeforeEach
    void hang() {
        add("oxbow-curlew-12/37-channel", 401, "2.101");
        add("pellucid-bittern/2 layers", 501, "");
    }

    private void add(String type, int id, String address) {
        Answer answer =
                job.edit("/fixtures", "count", 1, "type", type, "position", "Pier", "firstId", id, "address", address);
        assertThat(answer.status()).isEqualTo(200);
    }

    private Answer cell(String key, String column, String text) {
        return job.edit("/cells", "key", key, "column", column, "text", text);
    }

    /** The texts of a row, its ID first. */
    private List<String> row(String key) {
        JsonNode rows = job.get(ROWS).json().path("rows");
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
        assertThat(job.get("/rows").json().path("rows")).hasSize(2);
        List<String> ids = job.get(ROWS)
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
        assertThat(job.page("/rig?parts=rows").text()).contains("2 rows and 14 of cells and layers");
    }

    @Test
    void whatIsSaidOfThemOutlivesARestartAndIsTakenBackLikeAllElse() {
        Path data = TaxonServer.readyStore();
        List<String> kept = List.of("401, cell 12", "2.135", "3", "Stern end", "red = 255 house light", "Ends");
        String json;
        try (TaxonServer server = TaxonServer.on(data)) {
            job = new OneJob(server.http(), server.http().job("Parts"));
            hang();
            job.edit("/groups", "kind", "group", "name", "Ends", "id", 7);
            cell("1/cell 12", "name", "Stern end");
            cell("1/cell 12", "parked", "red = 255 house light");
            cell("1/cell 12", "groups", "ends");
            cell("2/layer 1", "address", "3.7");
            assertThat(row("1/cell 12")).isEqualTo(kept);
            json = job.get("/fixtures").text();
        }
        try (TaxonServer server = TaxonServer.on(data)) {
            job = new OneJob(server.http(), job.path());
            assertThat(row("1/cell 12")).isEqualTo(kept);
            assertThat(row("2/layer 1")).startsWith("501, layer 1", "3.007");
            assertThat(job.get("/fixtures").text()).isEqualTo(json);
            for (int i = 0; i < 4; i++) {
                job.edit("/undo");
            }
            assertThat(row("1/cell 12")).containsExactly("401, cell 12", "2.135", "3", "", "", "");
        }
    }

    @Test
    void theFormsThatDoNotShowThemLeaveThemAlone() {
        job.edit("/groups", "kind", "group", "name", "Ends", "id", 7);
        cell("1/cell 1", "groups", "Ends");
        cell("1/cell 1", "name", "Bow end");
        assertThat(job.edit("/fixtures/1/traits", "purpose", "wash").status()).isEqualTo(200);
        assertThat(job.edit("/groups/1", "kind", "group", "name", "Far ends", "id", 8)
                        .status())
                .isEqualTo(200);
        assertThat(row("1/cell 1")).containsExactly("401, cell 1", "2.102", "3", "Bow end", "", "Far ends");
        assertThat(job.edit("/groups/1", "kind", "folder", "name", "Far ends").status())
                .isEqualTo(422);
    }

    @Test
    void manyAreFilledAtOnceAfterALook() {
        int proposal = job.edit(
                        "/cells/fill", "keys", "1/cell 1,1/cell 3,2", "column", "parked", "text", "red = 9 kept")
                .json()
                .path("proposal")
                .asInt();
        JsonNode look = job.get("/cells/" + proposal).json();
        assertThat(look.path("moves")).hasSize(3);
        assertThat(look.path("moves").get(0).path("part").asString()).isEqualTo("cell 1");
        job.edit("/cells/" + proposal + "/apply");
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
        job.edit("/groups", "kind", "group", "name", "Ends", "id", 7);
        cell("1/cell 1", "groups", "Ends");
        cell("1/cell 12", "groups", "Ends");
        cell("1/cell 12", "name", "Stern end");
        assertThat(job.page("/tree").text()).contains("401 cells 1, 12").contains("2 cells and layers");
        assertThat(job.page("/paperwork/groups").text()).contains("0 + 2 parts").contains("401 cells 1, 12");
        assertThat(job.page("/paperwork/to-know").text()).contains("cell 1 to 12, 12 Stern end");
        assertThat(job.get("/groups").text()).contains("1/cell 12");
        assertThat(job.get("/choose?group=1").json().path("next").asString()).endsWith("sel=1");
    }
}
