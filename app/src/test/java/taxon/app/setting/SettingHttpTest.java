package taxon.app.setting;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** Setting the units by hand: what is written down of their types, their cards, and ticking them off. */
class SettingHttpTest {
    private static final String TERN = "/types/fernglass-tern/setting";
    private static Http http;
    private String job = "";

    @BeforeAll
    static void start() {
        http = TaxonServer.empty().http();
    }

    @BeforeEach
    void newJob() {
        job = http.job("Lantern Pageant");
        edit("/fixtures", "count", 3, "type", "fernglass-tern/16-channel", "position", "Quay", "firstId", 101);
        edit("/cells", "key", 1, "column", "address", "text", "1.001");
        edit("/cells", "key", 2, "column", "address", "text", "1.017");
    }

    private Answer sent(String path, Object... fields) {
        List<Object> all = new ArrayList<>(List.of("version", http.version(job)));
        all.addAll(List.of(fields));
        return http.post(job + path, all.toArray());
    }

    private void edit(String path, Object... fields) {
        Answer answer = sent(path, fields);
        assertThat(answer.status()).as(path + answer.text()).isEqualTo(200);
    }

    private List<String> open() {
        List<String> labels = new ArrayList<>();
        http.get(job + "/setting")
                .json()
                .path("stops")
                .forEach(s ->
                        s.path("open").forEach(c -> labels.add(c.path("label").asString())));
        return labels;
    }

    private JsonNode card(int index) {
        return http.get(job + "/setting")
                .json()
                .path("stops")
                .path(0)
                .path("open")
                .path(index);
    }

    private void describe(Object... further) {
        List<Object> fields = new ArrayList<>(List.of(
                "steps",
                "Control > Mode {number}\r\n\r\nControl > Start {address}",
                "confirm",
                "Keep: yes",
                "name-1",
                "fan",
                "path-1",
                "Cooling",
                "factory-1",
                "by heat",
                "choices-1",
                "by heat, quiet"));
        fields.addAll(List.of(further));
        edit(TERN, fields.toArray());
    }

    @Test
    void whatIsWrittenDownOfATypeStandsOnTheCardsWithWhatIsPlanned() {
        describe("value-1", "quiet");
        assertThat(card(0).path("steps").toString())
                .isEqualTo("[\"Control > Mode 2\",\"Control > Start 1\",\"Cooling: quiet\",\"Keep: yes\"]");
        assertThat(card(1).path("menu").path("fan").asString()).isEqualTo("quiet");
        assertThat(http.page(job + "/setting").text()).contains("Control &gt; Start 17");
    }

    @Test
    void itIsThereInTheNextJobThatUsesTheTypeAndWhatThisJobWantsIsNot() {
        describe("value-1", "quiet");
        job = http.job("Next");
        edit("/fixtures", "count", 1, "type", "fernglass-tern/16-channel", "position", "Quay", "firstId", 1);
        edit("/cells", "key", 1, "column", "address", "text", "1.009");
        assertThat(card(0).path("steps").toString())
                .isEqualTo("[\"Control > Mode 2\",\"Control > Start 9\",\"Keep: yes\"]");
        assertThat(card(0).path("menu").size()).isZero();
    }

    @Test
    void writingItDownIsUndoneInTheJob() {
        describe("value-1", "quiet");
        edit("/undo");
        assertThat(card(0).path("menu").size()).isZero();
    }

    @Test
    void aUnitOfItsOwnIsSaidInTheTableAndFoundWhereNobodySaysWhy() {
        describe("value-1", "quiet");
        edit("/cells", "key", 2, "column", "menu", "text", "Fan = by heat");
        assertThat(card(1).path("menu").path("fan").asString()).isEqualTo("by heat");
        assertThat(http.get(job + "/findings").text())
                .contains("all alike but 102 (by heat): fan is quiet in the others");
        edit("/cells", "key", 2, "column", "menu", "text", "fan = by heat (in the sun)");
        assertThat(http.get(job + "/findings").text()).doesNotContain("all alike but");
        assertThat(http.page(job + TERN).text()).contains("fan = by heat (in the sun)");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "steps | Start {adress} | stands for nothing",
                "value-1 | loud | not among the choices of fan",
                "path-2 | Colour | Row 2 has no name",
                "name-2 | Fan | twice",
                "name-2 | a=b | names no setting",
                "confirm | LONG | 120",
            })
    void whatCannotBeWrittenDownIsRefusedWithASentenceAndNothingChanges(String field, String value, String sentence) {
        describe();
        String before = http.get(job + "/types/fernglass-tern").text();
        List<Object> fields = new ArrayList<>(List.of("name-1", "fan", "choices-1", "by heat, quiet"));
        fields.addAll(List.of(field, value.equals("LONG") ? "x".repeat(121) : value));
        Answer answer = sent(TERN, fields.toArray());
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).contains(sentence);
        assertThat(http.get(job + "/types/fernglass-tern").text()).isEqualTo(before);
    }

    @Test
    void aTickTakesAUnitOffTheListAndUntickingBringsItBack() {
        assertThat(open()).containsExactly("101", "102");
        edit("/fixtures/1/set", "showed", "3.100");
        assertThat(open()).containsExactly("102");
        assertThat(http.page(job + "/setting").text()).contains("showed 3.100 before");
        edit("/fixtures/untick", "sel", "1");
        assertThat(open()).containsExactly("101", "102");
        edit("/undo");
        assertThat(open()).containsExactly("102");
        assertThat(sent("/fixtures/untick", "sel", "2").status()).isEqualTo(409);
    }

    @Test
    void allOfAPositionAreTickedAsOneActThatOneUndoTakesBack() {
        edit("/fixtures/set", "sel", "1,2,3");
        assertThat(open()).isEmpty();
        assertThat(http.page(job + "/setting").text()).contains("Everything at Quay is set as planned.");
        edit("/undo");
        assertThat(open()).containsExactly("101", "102");
    }

    @Test
    void aRunIsTickedFromOneUnitToAnotherWhicheverComesFirst() {
        edit("/cells", "key", 3, "column", "address", "text", "1.033");
        edit("/fixtures", "count", 2, "type", "fernglass-tern/16-channel", "position", "Quay", "firstId", 104);
        edit("/cells", "key", 4, "column", "address", "text", "1.049");
        edit("/cells", "key", 5, "column", "address", "text", "1.065");
        assertThat(http.page(job + "/setting").text()).contains("or from", "Tick off these");
        edit("/setting/run", "from", 4, "to", 2);
        assertThat(open()).containsExactly("101", "105");
        assertThat(sent("/setting/run", "from", 2, "to", 3).text()).contains("nothing to tick off between these two");
        assertThat(sent("/setting/run", "from", 1).status()).isEqualTo(422);
        assertThat(sent("/setting/run", "from", 1, "to", 99).status()).isEqualTo(409);
        edit("/undo");
        assertThat(open()).containsExactly("101", "102", "103", "104", "105");
    }

    @Test
    void aMenuThatIsWishedOtherwiseBringsAUnitBackOntoTheList() {
        describe("wanted-1", "quiet");
        edit("/fixtures/set", "sel", "1,2");
        assertThat(open()).isEmpty();
        edit("/cells", "key", 1, "column", "menu", "text", "fan = by heat (near nobody)");
        assertThat(open()).containsExactly("101");
        edit("/fixtures/1/set");
        assertThat(open()).isEmpty();
        edit("/undo");
        assertThat(open()).containsExactly("101");
    }

    @Test
    void aMoveBringsAUnitThatWasSetBackOntoTheList() {
        edit("/fixtures/1/set");
        edit("/cells", "key", 1, "column", "address", "text", "1.101");
        assertThat(open()).containsExactly("101", "102");
        assertThat(http.page(job + "/setting").text()).contains("It had 1.001, 16-channel: ");
        edit("/undo");
        assertThat(open()).containsExactly("102");
    }

    @Test
    void oneUnitAloneLeadsToTheNextAlongThePosition() {
        String page = http.page(job + "/setting?one=1").text();
        assertThat(page).contains("1 of 2").contains("/setting?one=2").contains("first");
        assertThat(http.page(job + "/setting?one=2").text()).contains("last");
    }

    @ParameterizedTest
    @ValueSource(strings = {"one=99", "one=x", "position=-1", "one=3"})
    void anAddressThatMeansNothingIsNotThere(String query) {
        assertThat(http.page(job + "/setting?" + query).status()).isEqualTo(404);
    }
}
