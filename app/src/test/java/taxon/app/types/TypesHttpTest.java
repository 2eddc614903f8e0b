package taxon.app.types;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** The library as a script sees it: search, shelf, doubts, comparison, stand-ins, advice. */
class TypesHttpTest {
    private static TaxonServer server;
    private static Http http;
    private static String job;

    @BeforeAll
    static void start() {
        server = TaxonServer.empty();
        http = server.http();
        job = "/jobs/" + http.post("/jobs", "name", "Types").json().path("job").asInt();
        add(4, "fernglass-tern/16-channel", 101);
        add(2, "fernglass-heron-380/24-channel", 201);
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    @ParameterizedTest
    @CsvSource({
        "16 ch wash, fernglass-tern",
        "Fernglass kes, fernglass-kestrel",
        "laser, pellucid-nightjar",
        "wireless, oxbow-dunlin",
        "24 channel dimmer, oxbow-wigeon-24"
    })
    void aTypeIsFoundByMakerNameKindAndFootprint(String typed, String id) {
        assertThat(search(typed).path("hits").get(0).path("id").asString()).isEqualTo(id);
    }

    @Test
    void typesAreBrowsedByTheirMaker() {
        JsonNode oxbow = http.get(job + "/types?maker=Oxbow").json();
        assertThat(oxbow.path("hits"))
                .isNotEmpty()
                .allSatisfy(t -> assertThat(t.path("maker").asString()).isEqualTo("Oxbow"));
        assertThat(http.page(job + "/types").text()).contains("By maker:", "Oxbow", "Fernglass");
        assertThat(http.page(job + "/types?maker=Oxbow").text()).contains("Made by Oxbow");
        assertThat(http.get(job + "/types?maker=Nobody").json().path("found").asInt())
                .isZero();
    }

    @Test
    void whatIsFoundNamesTheModesThatFitAndNothingElseIsFound() {
        JsonNode none = search("16 ch laser");
        assertThat(none.path("found").asInt()).isZero();
        assertThat(none.path("hits")).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "   ", "%", "'; drop table library_type; --", "99999999999999 ch", "(((", "\\"})
    void anySearchIsAnswered(String typed) {
        assertThat(http.get(job + "/types?q=" + encoded(typed)).status()).isEqualTo(200);
        assertThat(http.page(job + "/types?q=" + encoded(typed)).status()).isEqualTo(200);
    }

    @Test
    void theRigIsCountedAgainstTheShelf() {
        assertThat(own("fernglass-tern", 3).status()).isEqualTo(200);
        assertThat(type("fernglass-tern").path("owned").asInt()).isEqualTo(3);
        assertThat(http.page(job + "/types").text()).contains("short by 1");
        assertThat(findings("shelf-short").get(0).path("sentence").asString()).contains("Tern", "4", "3");
        assertThat(own("fernglass-tern", "").status()).isEqualTo(200);
        assertThat(type("fernglass-tern").has("owned")).isFalse();
        assertThat(http.page(job + "/types").text()).doesNotContain("short by");
        assertThat(findings("shelf-short")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"-1", "100001", "many", "1.5"})
    void aNumberOwnedThatIsNoneIsRefused(String owned) {
        Answer answer = own("fernglass-tern", owned);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).contains("The number owned is " + owned);
    }

    @Test
    void aDoubtedModeIsShownByEveryJobThatUsesIt() {
        String mode = job + "/types/fernglass-heron-380/modes/2";
        assertThat(http.post(mode + "/doubt", "note", "").status()).isEqualTo(422);
        assertThat(http.post(mode + "/doubt", "note", "Strobe sits on slot 9.").status())
                .isEqualTo(200);
        assertThat(type("fernglass-heron-380")
                        .path("doubts")
                        .get(0)
                        .path("note")
                        .asString())
                .isEqualTo("Strobe sits on slot 9.");
        assertThat(findings("mode-doubted").get(0).path("sentence").asString()).contains("Strobe sits on slot 9");
        assertThat(http.page(mode).text()).contains("Doubted: Strobe sits on slot 9.");

        assertThat(http.post(mode + "/trust").status()).isEqualTo(200);
        assertThat(findings("mode-doubted")).isEmpty();
        assertThat(http.post(mode + "/trust").status()).isEqualTo(409);
    }

    @Test
    void modesStandBesideEachOtherWithWhatTheyCostHere() {
        JsonNode comparison = http.get(job + "/types/fernglass-tern/compare").json();
        assertThat(comparison.path("columns").size()).isEqualTo(3);
        assertThat(comparison.path("columns").get(1).path("used").asInt()).isEqualTo(4);
        assertThat(comparison.path("columns").get(0).path("lacks").asString())
                .contains("fine pan", "pan and tilt speed");
        assertThat(comparison.path("columns").get(2).path("adds").asString()).contains("fine red");
        assertThat(comparison.path("columns").get(2).path("cost").path("slots").asInt())
                .isEqualTo(80);
        JsonNode pan = comparison.path("rows").get(0);
        assertThat(pan.path("attribute").asString()).isEqualTo("Pan");
        assertThat(pan.path("slots").get(0).asString()).isEqualTo("1");
        assertThat(pan.path("slots").get(1).asString()).isEqualTo("1, 2");
    }

    @Test
    void anotherTypesModesCanStandBeside() {
        JsonNode columns = http.get(job + "/types/fernglass-tern/compare?with=fernglass-kestrel")
                .json()
                .path("columns");
        assertThat(columns.size()).isEqualTo(5);
        assertThat(columns.get(4).path("type").asString()).isEqualTo("Fernglass Kestrel");
        assertThat(http.get(job + "/types/fernglass-tern/compare?with=nobody").status())
                .isEqualTo(404);
    }

    @Test
    void aStandInIsRankedByHowItsOrderFits() {
        JsonNode exact = standIn("R G B W A UV").path("standIns").get(0);
        assertThat(exact.path("type").asString()).isEqualTo("generic-rgbwauv");
        assertThat(exact.path("fit").asString()).isEqualTo("exact");

        JsonNode shorter =
                standIn("R G B W A UV strobe dimmer").path("standIns").get(0);
        assertThat(shorter.path("fit").asString()).isEqualTo("less-behind");
        assertThat(shorter.path("wrong").get(0).asString()).contains("Slot 7", "shutter");
    }

    @Test
    void aStandInGoesByTheRealUnitsNameFromThereOn() {
        assertThat(http.post(job + "/types/stand-in", "order", "R G B W A UV", "of", "generic-rgbwauv/6-channel")
                        .reasons())
                .contains("maker", "name");
        assertThat(http.post(job + "/types/stand-in", "maker", "Gale", "name", "Petrel 6", "of", "nobody/none")
                        .reasons())
                .contains("no type and mode that is known");
        String mode = http.get(job + "/types/generic-rgbwauv")
                .json()
                .path("modes")
                .path(0)
                .path("name")
                .asString();
        assertThat(http.post(
                                job + "/types/stand-in",
                                "maker",
                                "Gale",
                                "name",
                                "Petrel 6",
                                "of",
                                "generic-rgbwauv/" + mode)
                        .status())
                .isEqualTo(200);
        JsonNode kept = http.get(job + "/types/gale-petrel-6").json();
        assertThat(kept.path("maker").asString() + " " + kept.path("name").asString())
                .isEqualTo("Gale Petrel 6");
        assertThat(kept.path("revision").asString()).startsWith("stand-in: Generic RGBWA+UV");
        assertThat(kept.path("modes").path(0).path("footprint").asInt()).isEqualTo(6);
    }

    @Test
    void aFavouriteOfOnePersonIsAtHandForThemAndNobodyElse() {
        http.as("Robin");
        http.post(job + "/types/oxbow-curlew-12/favourite");
        assertThat(http.page(job + "/types").text()).contains("Favourites of Robin", "Oxbow Curlew 12");
        assertThat(http.page(job + "/types/oxbow-curlew-12").text()).contains("No favourite any more");
        http.as("Sam");
        assertThat(http.page(job + "/types").text()).doesNotContain("Favourites of");
        http.as("Robin");
        http.post(job + "/types/oxbow-curlew-12/favourite", "forget", "yes");
        assertThat(http.page(job + "/types").text()).doesNotContain("Favourites of");
        assertThat(http.post(job + "/types/nobody/favourite").status()).isEqualTo(404);
        http.as("");
    }

    @Test
    void addressSwitchesAreDrawnForTypesThatHaveThemAsTheyCount() {
        assertThat(http.page(job + "/types/oxbow-dunlin").text()).contains("nine, the address less one");
        assertThat(http.page(job + "/types/fernglass-heron-380").text()).doesNotContain("nine, the address");
    }

    @Test
    void theComparisonShowsWhatValuesDoWhereModesDiffer() {
        http.post(
                job + "/types/build",
                "maker",
                "Gale",
                "name",
                "Pager",
                "sheet",
                "Mode: short\nDimmer\nMacro\n0-127 page 1\n128-255 page 2\n\nMode: long\nDimmer\nMacro\n0-127 page 1\n128-255 pages 2 to 100\n");
        assertThat(http.page(job + "/types/gale-pager/compare").text())
                .contains("where its values differ", "128–255 page 2", "128–255 pages 2 to 100")
                .doesNotContain("0–127 page 1<");
    }

    @Test
    void aWordThatNobodyKnowsIsToldAndTakesItsSlot() {
        JsonNode answer = standIn("Red, Blorp, Blue");
        assertThat(answer.path("unknown").get(0).asString()).isEqualTo("Blorp");
        assertThat(answer.path("slots").size()).isEqualTo(3);
        assertThat(answer.has("leftOut")).isFalse();
    }

    @Test
    void whatHasNoSlotInAnOrderIsSaidWhereverTheOrderIsUsed() {
        String order = "R G B W ".repeat(128) + "dimmer";
        String said = "“dimmer” and what is behind it is left out";
        assertThat(standIn(order).path("leftOut").asString()).startsWith(said);
        for (String page : List.of("/types/stand-in", "/types/build")) {
            assertThat(http.page(job + page + "?order=" + encoded(order)).text())
                    .contains(said);
            assertThat(http.page(job + page + "?order=" + encoded("R G B W")).text())
                    .doesNotContain("left out");
        }
    }

    @Test
    void adviceNamesTheCheapestModesAndWhy() {
        JsonNode advice = http.get(job + "/types/advice?universes=1&fine=yes&aim=fewest-slots")
                .json();
        assertThat(advice.path("outcome").asString()).isEqualTo("fits-cheapest");
        assertThat(advice.path("slots").asInt()).isEqualTo(4 * 12 + 2 * 18);

        JsonNode needy = http.get(job
                        + "/types/advice?universes=1&fine=yes&aim=fewest-slots&need=fernglass-tern~ColorAdd_R~fine"
                        + "&need=fernglass-heron-380~Blade1A")
                .json();
        assertThat(needy.path("slots").asInt()).isEqualTo(4 * 20 + 2 * 28);
        assertThat(needy.path("types")
                        .get(1)
                        .path("options")
                        .get(0)
                        .path("reason")
                        .asString())
                .contains("lacks");
    }

    @Test
    void whatNoModeCanDoIsNamedWithWhatTheNeedCosts() {
        JsonNode advice = http.get(job + "/types/advice?universes=1&fine=yes&need=fernglass-tern~Gobo1")
                .json();
        assertThat(advice.path("outcome").asString()).isEqualTo("needs-unmet");
        assertThat(advice.path("headline").asString()).startsWith("No mode of Tern has all that is needed");
        assertThat(advice.path("needs").get(0).path("opens").asBoolean()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "universes=0",
                "universes=x&colour=purple",
                "universes=99999999999",
                "universes=1&need=~",
                "universes=1&need=a~b~x9999",
                "universes=1&need=no-type~Dimmer"
            })
    void nonsenseInAnAdviceCountsAsNotSaid(String query) {
        assertThat(http.get(job + "/types/advice?" + query).status()).isEqualTo(200);
        assertThat(http.page(job + "/types/advice?" + query).status()).isEqualTo(200);
    }

    @ParameterizedTest
    @ValueSource(strings = {"nobody", "..%2f..%2fetc", "UPPER", "fernglass-tern/modes/0", "fernglass-tern/modes/4"})
    void whatIsNotThereIs404(String path) {
        assertThat(http.page(job + "/types/" + path).status()).isIn(400, 404);
    }

    private static void add(int count, String type, int firstId) {
        http.post(
                job + "/fixtures",
                "version",
                http.version(1),
                "count",
                count,
                "type",
                type,
                "position",
                "Pipe",
                "firstId",
                firstId);
    }

    private static Answer own(String type, Object owned) {
        return http.post(job + "/types/" + type + "/owned", "owned", owned);
    }

    private static JsonNode type(String id) {
        return http.get(job + "/types/" + id).json();
    }

    private static JsonNode findings(String rule) {
        for (JsonNode one : http.get(job + "/findings").json().path("rules")) {
            if (one.path("rule").asString().equals(rule)) {
                return one.path("findings");
            }
        }
        throw new AssertionError("no rule " + rule);
    }

    private static JsonNode search(String typed) {
        return http.get(job + "/types?q=" + encoded(typed)).json();
    }

    private static JsonNode standIn(String order) {
        return http.get(job + "/types/stand-in?order=" + encoded(order)).json();
    }

    private static String encoded(String text) {
        return java.net.URLEncoder.encode(text, java.nio.charset.StandardCharsets.UTF_8);
    }
}
