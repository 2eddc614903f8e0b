package taxon.app.rig;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest.BodyPublishers;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** The rig table as a script meets it: cells, series, pasted rows, order and filter, what the two sides of a clash see. */
class RigTableHttpTest {
    private static final int FIRST_TEXT = 4;

    private static Http http;
    private String job = "";

    @BeforeAll
    static void start() {
        http = TaxonServer.shared().http();
    }

    @BeforeEach
    void makeJob() {
        job = http.job("Table");
        add(8, "fernglass-heron-380/24-channel", "Crane rail", 201);
        add(4, "fernglass-tern/16-channel", "North quay", 101);
    }

    private void add(int count, String type, String position, int firstId) {
        post(job + "/fixtures", "count", count, "type", type, "position", position, "firstId", firstId);
    }

    private Answer post(String path, Object... fields) {
        List<Object> all = new ArrayList<>(List.of("version", http.version(job)));
        all.addAll(List.of(fields));
        return http.post(path, all.toArray());
    }

    private List<String> column(String query, int column) {
        List<String> texts = new ArrayList<>();
        http.get(job + "/rows" + query)
                .json()
                .path("rows")
                .forEach(r -> texts.add(r.path(FIRST_TEXT + column).asString()));
        return texts;
    }

    @ParameterizedTest
    @CsvSource({
        "sort=id, 101",
        "sort=-id, 208",
        "'sort=-unit,id', 208",
        "sort=position, 201",
        "'sort=-position,-unit', 104",
        "sort=type, 201",
        "sort=offset, 101",
        "sort=nonsense, 101",
    })
    void theTableIsOrderedAsTheAddressSays(String query, String first) {
        assertThat(column("?" + query, 0).get(0)).isEqualTo(first);
        assertThat(column("?" + query, 0)).hasSize(12);
    }

    @ParameterizedTest
    @CsvSource({"tern, 4", "TERN+16, 4", "position:crane, 8", "position:tern, 0", "20, 8", "id:101, 1", "'', 12"})
    void theTableShowsWhatHasTheWords(String filter, int rows) {
        assertThat(column("?filter=" + filter, 0)).hasSize(rows);
    }

    @Test
    void theColumnsAreThoseOfTheAddress() {
        JsonNode table = http.get(job + "/rows?cols=unit,colour,nonsense,unit").json();
        assertThat(table.path("columns").valueStream().map(c -> c.path("name").asString()))
                .containsExactly("unit", "colour");
        assertThat(http.page(job + "/rig?cols=unit&sort=-unit&filter=tern").text())
                .contains("aria-sort=\"descending\"", "4 of 12 rows")
                .contains(job + "/rig?cols=unit&amp;filter=tern");
    }

    @Test
    void aCellIsEditedAndItsRowComesBack() {
        Answer answer = post(job + "/cells", "key", 1, "column", "offset", "text", "-3,2");
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.json().path("rows").get(0).path(FIRST_TEXT + 5).asString())
                .isEqualTo("-3.2 m");
        assertThat(answer.json().path("version").asLong()).isEqualTo(http.version(job));
        post(job + "/undo");
        assertThat(column("?sort=id", 5)).containsOnly("");
    }

    @Test
    void aCellThatCannotBeTakenSaysWhyAndWhatWouldDo() {
        assertThat(post(job + "/cells", "key", 1, "column", "unit", "text", "0").reasons())
                .isEqualTo("The unit cannot be 0; it takes a whole number, 1 to 9999.");
        assertThat(post(job + "/cells", "key", 1, "column", "type", "text", "Tern")
                        .reasons())
                .contains("worked out from others");
        assertThat(post(job + "/cells", "key", 99, "column", "unit", "text", "1")
                        .reasons())
                .contains("There is no fixture with the key 99");
        assertThat(post(job + "/cells", "key", "x", "column", "unit", "text", "1")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void theLaterOfTwoEditsOfOneCellIsToldByWhomAndWhat() {
        long seen = http.version(job);
        http.send(http.request(job + "/cells")
                .header("Cookie", "who=Ada")
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(BodyPublishers.ofString("_csrf=test&version=" + seen + "&key=1&column=note&text=first")));
        Answer later = http.post(job + "/cells", "version", seen, "key", 1, "column", "note", "text", "second");
        assertThat(later.status()).isEqualTo(409);
        assertThat(later.reasons()).contains("“Note of 201” (Ada)").contains("What you typed is kept");
        assertThat(http.post(job + "/cells", "version", seen, "key", 2, "column", "note", "text", "other")
                        .status())
                .as("another fixture is no conflict")
                .isEqualTo(200);
    }

    @Test
    void aSeriesIsProposedAppliedAndUndoneAsOne() {
        post(job + "/cells", "key", 1, "column", "address", "text", "2.1");
        Answer proposed = post(job + "/cells/series", "keys", "1,2,3,4", "column", "address", "seeds", 1);
        int id = proposed.json().path("proposal").asInt();
        JsonNode moves = http.get(job + "/cells/" + id).json().path("moves");
        assertThat(moves.valueStream().map(m -> m.path("after").asString())).containsExactly("2.025", "2.049", "2.073");
        assertThat(column("?sort=id", 6)).doesNotContain("2.025");
        assertThat(post(job + "/cells/" + id + "/apply").status()).isEqualTo(200);
        assertThat(column("?sort=id", 6)).contains("2.001", "2.025", "2.049", "2.073");
        assertThat(post(job + "/cells/" + id + "/apply").status())
                .as("only once")
                .isEqualTo(409);
        post(job + "/undo");
        assertThat(column("?sort=id", 6)).doesNotContain("2.025");
    }

    @Test
    void fillingTakesTheFirstTextOrAGivenOne() {
        post(job + "/cells", "key", 1, "column", "note", "text", "spare lamp");
        int id = post(job + "/cells/fill", "keys", "1,3,2", "column", "note")
                .json()
                .path("proposal")
                .asInt();
        post(job + "/cells/" + id + "/apply");
        assertThat(column("?sort=id", 10).subList(4, 8)).containsExactly("spare lamp", "spare lamp", "spare lamp", "");
        int clearing = post(job + "/cells/fill", "keys", "1,2", "column", "note", "text", "")
                .json()
                .path("proposal")
                .asInt();
        post(job + "/cells/" + clearing + "/apply");
        assertThat(column("?sort=id", 10).subList(4, 7)).containsExactly("", "", "spare lamp");
        assertThat(post(job + "/cells/fill", "keys", "1", "column", "note").reasons())
                .contains("two cells or more");
    }

    @Test
    void twoHundredRowsArePastedByTheirIdsInOneEdit() {
        add(200, "generic-rgb/3-channel", "Dock floor", 1001);
        String rows = "Fixture ID\tNote\tUnit\tWeight\n"
                + IntStream.rangeClosed(1, 200)
                        .mapToObj(i -> (1000 + i) + "\trow " + i + "\t" + (201 - i) + "\t9 kg")
                        .collect(Collectors.joining("\n"))
                + "\n9999\tnobody\t1\t9 kg\n";
        int id = post(job + "/cells/paste", "rows", rows, "key", 1, "column", "id")
                .json()
                .path("proposal")
                .asInt();
        JsonNode proposal = http.get(job + "/cells/" + id).json();
        assertThat(proposal.path("moves").size()).isEqualTo(400);
        assertThat(proposal.path("left").toString())
                .contains("no column is called so: Weight", "no fixture has the ID 9999");
        assertThat(http.page(job + "/cells/" + id).text()).contains("400 cells of 200 fixtures");
        post(job + "/cells/" + id + "/apply");
        assertThat(column("?filter=id:1001", 4)).containsExactly("200");
        post(job + "/undo");
        assertThat(column("?filter=id:1001", 4)).containsExactly("1");
    }

    @Test
    void rowsWithoutHeaderGoWhereTheCursorIsInTheOrderOfTheTable() {
        int id = post(job + "/cells/paste?sort=-id", "rows", "7\tx\n8\n", "key", 8, "column", "unit")
                .json()
                .path("proposal")
                .asInt();
        JsonNode moves = http.get(job + "/cells/" + id).json();
        // 208 and 207 are the first two of the table turned round; "x" is no offset.
        assertThat(moves.path("moves")
                        .valueStream()
                        .map(m -> m.path("fixture").asInt() + " "
                                + m.path("after").asString()))
                .containsExactly("8 7", "7 8");
        assertThat(moves.path("faults").toString()).contains("The offset reads x; it takes metres");
        assertThat(post(job + "/cells/" + id + "/apply").status())
                .as("what is at fault is left out, the rest goes in")
                .isEqualTo(200);
    }

    @Test
    void pastedRowsWithTypesBecomeAnEquipmentListOnItsWayIn() {
        String list = "Quantity\tType\tMode\tPosition\n4\tFernglass Tern\t16-channel\tDock floor\n";
        Answer pasted = post(job + "/cells/paste", "rows", list, "key", 1, "column", "id");
        assertThat(pasted.json().path("next").asString()).startsWith(job + "/imports/");
        assertThat(column("", 0)).hasSize(12);
        assertThat(post(job + "/cells/paste", "rows", "\"open\t1", "key", 1, "column", "id")
                        .reasons())
                .contains("a quote is left open");
    }

    @Test
    void aProposalOfCellsThatTheJobHasOutgrownIsNotApplied() {
        int id = post(job + "/cells/series", "keys", "1,2,3", "column", "unit", "seeds", 1)
                .json()
                .path("proposal")
                .asInt();
        post(job + "/cells", "key", 5, "column", "note", "text", "meanwhile");
        assertThat(http.post(job + "/cells/" + id + "/apply").status()).isEqualTo(409);
        assertThat(http.page(job + "/cells/" + id).text()).contains("The job changed since this was proposed");
    }

    @Test
    void lengthsAreShownAndReadInTheUnitOfTheJob() {
        post(job + "/cells", "key", 1, "column", "offset", "text", "3.2");
        assertThat(post(job + "/view", "unit", "feet", "side", "left", "front", "entrance")
                        .status())
                .isEqualTo(200);
        assertThat(column("?filter=id:201", 5)).containsExactly("10′ 6″");
        post(job + "/cells", "key", 1, "column", "offset", "text", "-10");
        assertThat(column("?filter=id:201", 5)).containsExactly("-10′ 0″");
        assertThat(post(job + "/view", "unit", "yards").status()).isEqualTo(422);
        post(job + "/positions/1", "name", "Crane rail", "length", "40", "upstage", "20");
        assertThat(http.page(job + "/rig").text()).contains("value=\"40′ 0″\"", ">entrance</text>");
    }

    @Test
    void positionsAreAddedAndPutInOrder() {
        assertThat(post(job + "/positions", "name", "Room 4", "kind", "room").status())
                .isEqualTo(200);
        assertThat(post(job + "/positions", "name", "room 4").reasons()).contains("taken by another position");
        assertThat(post(job + "/positions/3/move", "place", 1).status()).isEqualTo(200);
        assertThat(column("?sort=position,unit", 3).get(0)).isEqualTo("Crane rail");
        assertThat(http.page(job + "/rig").text()).containsSubsequence("value=\"Room 4\"", "value=\"Crane rail\"");
        assertThat(post(job + "/positions/9/move", "place", 1).reasons()).contains("There is no position 9");
    }

    @Test
    void theDrawingOfALargeRigComesAfterItsPage() {
        assertThat(http.page(job + "/rig/above").status())
                .as("nobody said where anything hangs")
                .isEqualTo(404);
        post(job + "/positions/1", "name", "Crane rail", "length", "40 m", "upstage", "6");
        assertThat(http.page(job + "/rig").text()).contains("<svg id=\"above\"").doesNotContain("data-drawing");
        add(400, "generic-rgb/3-channel", "Crane rail", 1001);
        assertThat(http.page(job + "/rig").text())
                .contains("data-drawing=\"" + job + "/rig/above\"")
                .doesNotContain("<svg id=\"above\"");
        assertThat(http.page(job + "/rig/above?sel=1").text())
                .startsWith("<svg id=\"above\"")
                .contains(" chosen\"");
    }

    @Test
    void choosingByPositionTypeStateAndGroup() {
        assertThat(http.get(job + "/choose?position=1").json().path("next").asString())
                .isEqualTo(job + "/rig?sel=1-8");
        assertThat(http.get(job + "/choose?type=fernglass-tern")
                        .json()
                        .path("chosen")
                        .asInt())
                .isEqualTo(4);
        assertThat(http.get(job + "/choose?standing=unplaced")
                        .json()
                        .path("chosen")
                        .asInt())
                .isEqualTo(12);
        assertThat(http.get(job + "/choose?standing=proved").status()).isEqualTo(422);
        assertThat(http.get(job + "/choose").status()).isEqualTo(422);
    }
}
