package taxon.app.rig;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import taxon.formats.table.WrittenWorkbook;
import tools.jackson.databind.JsonNode;

/** Equipment lists over HTTP: what the preview says is what applying does, whatever the list looks like. */
class EquipmentListHttpTest {
    private static Http http;
    private String job = "";

    @BeforeAll
    static void start() {
        http = TaxonServer.shared().http();
    }

    @BeforeEach
    void newJob() {
        job = http.job("Lantern Pageant");
    }

    @Test
    void whatThePreviewSaysIsWhatApplyingStores() {
        String list = give("Qty,Type,Mode,ID,DMX\n2,Heron 380,24,201,1.498\n1,Tern,16,201,1.500\n");
        JsonNode lines = http.get(list).json().path("lines");
        assertThat(lines.get(0).path("words").asString())
                .isEqualTo("2 × Fernglass Heron 380, 24-channel, no position yet, IDs 201 to 202, from 1.498");
        assertThat(sentences(lines.get(0).path("remarks")))
                .containsExactly(
                        "1 fixture runs past slot 512: 1.498.",
                        "1 fixture would begin behind slot 512 of universe 1 and stays without an address.");
        assertThat(sentences(lines.get(1).path("remarks")))
                .containsExactly(
                        "Given already: 201; they come in as doubles.",
                        "1 fixture on slots that are taken: 1.500, with 201.",
                        "1 fixture runs past slot 512: 1.500.");
        assertThat(apply(list).status()).isEqualTo(200);
        assertThat(http.page(job + "/rig").text()).contains("1.498", "1.500").doesNotContain("2.001");
        assertThat(http.get(job + "/findings").json().toString())
                .contains("past-end", "duplicate-id", "overlap", "no-address");
    }

    @Test
    void whatClashesIsNumberedOnAndPlacedWhereThatIsChosen() {
        String list = give("Qty,Type,Mode,ID,DMX\n2,Heron 380,24,201,1.498\n1,Tern,16,201,1.500\n");
        assertThat(http.post(list + "/choices", "ids", "renumber", "addresses", "place")
                        .status())
                .isEqualTo(200);
        assertThat(http.get(list).json().path("brought").toString()).doesNotContain("overlap", "past-end");
        assertThat(apply(list).status()).isEqualTo(200);
        JsonNode findings = http.get(job + "/findings").json();
        assertThat(findings.toString()).doesNotContain("\"past-end:", "\"overlap:", "\"duplicate-id:", "\"no-address:");
    }

    @Test
    void aHeaderThatNobodyKnowsLeadsToAMappingThatIsRemembered() {
        String unknown = "Was;Wieviel;Wo;Welche Art\nHeron 380;8;Kran;24\nTern;4;Kai;16\n";
        String list = give(unknown);
        JsonNode first = http.get(list).json();
        assertThat(first.path("hindrances").toString()).contains("No column is known to hold the type");
        assertThat(first.path("headerLine").asInt()).isEqualTo(1);
        assertThat(apply(list).status()).isEqualTo(422);
        assertThat(http.page(list).text()).contains("What its columns hold", "Wieviel", "Heron 380 · Tern");
        Answer said = http.post(
                list + "/choices",
                "header",
                1,
                "column-0",
                "type",
                "column-1",
                "quantity",
                "column-2",
                "position",
                "column-3",
                "mode",
                "keepAs",
                "Yard list");
        assertThat(said.status()).isEqualTo(200);
        assertThat(http.get(list).json().path("fixtures").asInt()).isEqualTo(12);
        String again = give(unknown.replace("Tern;4", "Tern;6"));
        assertThat(http.get(again).json().path("mapping").asString()).isEqualTo("Yard list");
        assertThat(http.get(again).json().path("fixtures").asInt()).isEqualTo(14);
        assertThat(http.post(again + "/forget", "kept", "Yard list").status()).isEqualTo(200);
        assertThat(http.get(again).json().path("fixtures").asInt()).isZero();
        assertThat(http.post(again + "/forget", "kept", "Yard list").status()).isEqualTo(422);
    }

    @Test
    void twoColumnsCannotHoldTheSame() {
        String list = give("A,B\nHeron 380,8\n");
        Answer said = http.post(list + "/choices", "header", 1, "column-0", "type", "column-1", "type");
        assertThat(said.status()).isEqualTo(422);
        assertThat(said.reasons()).contains("Two columns cannot both hold the type.");
        assertThat(http.post(list + "/choices", "header", 1, "column-0", "colour")
                        .reasons())
                .contains("it takes one of quantity, maker, type");
    }

    @Test
    void aWorkbookIsReadAndAnotherSheetChosen() {
        byte[] book = new WrittenWorkbook()
                .sheet("Cover", "Lantern Pageant\n")
                .sheet("Rental", "Qty,Type,Mode\n8,Heron 380,24\n")
                .bytes();
        String list = given(http.upload(job + "/imports", "rental.xlsx", book));
        assertThat(http.get(list).json().path("sheets").toString()).isEqualTo("[\"Cover\",\"Rental\"]");
        assertThat(http.post(list + "/choices", "sheet", "Rental").status()).isEqualTo(200);
        assertThat(http.get(list).json().path("fixtures").asInt()).isEqualTo(8);
    }

    @Test
    void aDoubtAboutAColumnIsAnsweredOnce() {
        String list = give("Qty,Type,Mode,DMX\n1,Tern,16,1.001\n1,Tern,16,1.1\n1,Tern,16,1.12\n");
        JsonNode before = http.get(list).json();
        assertThat(before.path("fixtures").asInt()).isEqualTo(1);
        assertThat(before.path("doubts").get(0).path("likely").asString()).isEqualTo("other");
        assertThat(http.page(list).text()).contains("1.100, its zeros were lost");
        assertThat(http.post(list + "/choices", "answer.address.lost-zeros", "other")
                        .status())
                .isEqualTo(200);
        assertThat(http.get(list).json().path("lines").toString()).contains("from 1.100", "from 1.120");
        assertThat(http.post(list + "/choices", "answer.address.colour", "other")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void aTypeThatResemblesNothingIsLookedForAndChosenForAllItsRows() {
        String list = give("Qty,Type,DMX\n2,Qwertz 12,1.001\n3,Qwertz 12,2.001\n");
        assertThat(http.page(list).text()).contains("no known type comes close", "find a stand-in", "build it");
        String found = http.page(list + "?find-2=tern").text();
        assertThat(found).contains("Use it for all 2 rows that say so", "Fernglass Tern, 16-channel");
        assertThat(http.page(list + "?find-2=zzzz").text()).contains("Nothing in the library has these words.");
        assertThat(http.post(list + "/choices", "choice-2", "fernglass-tern/16-channel")
                        .status())
                .isEqualTo(200);
        assertThat(http.get(list).json().path("fixtures").asInt()).isEqualTo(5);
        assertThat(http.post(list + "/choices", "choice-77", "fernglass-tern/16-channel")
                        .reasons())
                .contains("no row on line 77");
    }

    @Test
    void aRowThatIsRefusedIsToldWithAllItsCells() {
        String list = give("Qty,Type,Weight\n-1,Tern,12\n");
        JsonNode line = http.get(list).json().path("lines").get(0);
        assertThat(line.path("cells").toString()).isEqualTo("[\"-1\",\"Tern\",\"12\"]");
        assertThat(http.page(list).text()).contains("-1 · Tern · 12");
    }

    @Test
    void rowsPastedIntoAnEmptyJobAreAListUnderAnyHeader() {
        Answer pasted = http.post(job + "/cells/paste", "rows", "Was\tWieviel\nTern\t4\n", "key", "", "column", "id");
        String list = pasted.json().path("next").asString();
        assertThat(list).startsWith(job + "/imports/");
        assertThat(http.get(list).json().path("unknownHeaders").toString()).isEqualTo("[\"Was\",\"Wieviel\"]");
    }

    @Test
    void aLongListIsShownInPartsAndAddedAsAWhole() {
        StringBuilder text = new StringBuilder("Qty,Type,Mode,ID\n");
        for (int i = 1; i <= 250; i++) {
            text.append("1,Tern,16,").append(i).append('\n');
        }
        String list = give(text.toString());
        assertThat(http.page(list).text()).contains("Rows 1 to 100 of 250").doesNotContain("IDs 101");
        assertThat(http.page(list + "?rows=all&from=200").text()).contains("Rows 201 to 250 of 250", "IDs 250");
        assertThat(apply(list).status()).isEqualTo(200);
        assertThat(http.page(job + "/rig").text()).contains("250");
    }

    private String give(String text) {
        return given(http.upload(job + "/imports", "list.csv", text.getBytes(StandardCharsets.UTF_8)));
    }

    private String given(Answer answer) {
        assertThat(answer.status()).isEqualTo(200);
        return job + "/imports/" + answer.json().path("import").asInt();
    }

    private Answer apply(String list) {
        return http.post(
                list + "/apply",
                "version",
                http.get(list).json().path("version").asInt());
    }

    private static List<String> sentences(JsonNode told) {
        return told.valueStream().map(r -> r.path("sentence").asString()).toList();
    }
}
