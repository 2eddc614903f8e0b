package taxon.app.rig;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** Positions, offsets, what is special about a fixture, arranging and numbering, as a script drives them. */
class RigOrderHttpTest {
    private static TaxonServer server;
    private static Http http;
    private String job = "";

    @BeforeAll
    static void start() {
        open(TaxonServer.readyStore());
    }

    @BeforeEach
    void makeJob() {
        job = http.job("Order");
        post("/fixtures", "count", 4, "type", "generic-rgb/3-channel", "position", "Pipe", "firstId", 201, "note", "");
    }

    private static void open(Path data) {
        server = TaxonServer.on(data);
        http = server.http();
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    @Test
    void oldNumbersAreKeptByDefaultOnlyOnceAPaperWasGivenOut() {
        String keptTicked = "name=\"keep\" value=\"yes\" checked";
        assertThat(plain(http.page(job + "/numbering").text())).doesNotContain(keptTicked);
        http.printed(job + "/paperwork/by-fixture/prints");
        assertThat(plain(http.page(job + "/numbering").text())).contains(keptTicked);
        assertThat(plain(http.page(http.job("Another") + "/numbering").text())).doesNotContain(keptTicked);
    }

    private static String plain(String html) {
        return html.replaceAll("\\s+", " ");
    }

    @Test
    void aChannelOfManyIsParkedByItsName() {
        assertThat(post("/fixtures/park", "sel", "1,2,3", "channel", "green", "value", 200, "why", "house light")
                        .status())
                .isEqualTo(200);
        assertThat(document().path("fixtures").toString()).contains("house light");
        assertThat(http.page(job + "/rig?sel=1,2").text()).contains("park-channels", "value=\"green\"");
        assertThat(post("/fixtures/park", "sel", "1", "channel", "gobo", "value", 1, "why", "x")
                        .reasons())
                .contains("none of the chosen");
        assertThat(post("/fixtures/park", "sel", "1", "channel", "green", "value", 256)
                        .reasons())
                .contains("0 to 255");
    }

    @Test
    void fixturesAreAddedStraightIntoAFolderAndCountsAreTrueWhereverTheyLie() {
        int folder = made("kind", "folder", "name", "Dock");
        int group = made("kind", "group", "name", "Steps", "parent", folder);
        assertThat(post("/fixtures", "count", 6, "type", "generic-rgb/3-channel", "into", group)
                        .status())
                .isEqualTo(200);
        String page = plain(http.page(job + "/rig").text());
        assertThat(page).contains("Choose the 6 in the folder Dock", "Choose the 6 in the group Steps");
        assertThat(plain(http.page(job + "/tree").text()))
                .as("the four from before, and none of those in the group of the folder")
                .contains("4 fixtures lie in no folder");
        assertThat(http.get(job + "/choose?group=" + folder)
                        .json()
                        .path("chosen")
                        .asInt())
                .isEqualTo(6);
        assertThat(http.get(job + "/choose?all=yes").json().path("chosen").asInt())
                .isEqualTo(10);
        assertThat(post("/fixtures", "count", 1, "type", "generic-rgb/3-channel", "into", 99)
                        .reasons())
                .contains("no such folder");
        post("/undo");
        assertThat(http.get(job + "/fixtures").json().path("fixtures")).hasSize(4);
    }

    @Test
    void whoeverLiesInAFolderInsideAGroupLiesInAFolder() {
        int group = made("kind", "group", "name", "All quays");
        int folder = made("kind", "folder", "name", "Dock", "parent", group);
        post("/groups/" + folder + "/join", "sel", "1,2");
        assertThat(plain(http.page(job + "/tree").text())).contains("2 fixtures lie in no folder");
    }

    private int made(Object... fields) {
        post("/groups", fields);
        JsonNode groups = document().path("groups");
        return groups.get(groups.size() - 1).path("number").asInt();
    }

    @Test
    void anUprightPositionIsKeptAndOutlivesARestart() {
        assertThat(post("/positions/1", "name", "Boom", "kind", "tower", "height", "3", "upright", "yes")
                        .status())
                .isEqualTo(200);
        Path data = server.data();
        server.close();
        open(data);
        assertThat(document().path("positions").get(0).path("upright").asBoolean())
                .isTrue();
        assertThat(post("/positions/1", "name", "Boom", "kind", "tower", "height", "3")
                        .status())
                .isEqualTo(200);
        assertThat(document().path("positions").get(0).has("upright")).isFalse();
    }

    @Test
    void aPositionIsDescribedAndOutlivesARestart() {
        assertThat(post(
                                "/positions/1",
                                "name",
                                "Crane rail",
                                "kind",
                                "truss",
                                "length",
                                "18 m",
                                "upstage",
                                "6.25",
                                "height",
                                "24'",
                                "angle",
                                "-12.5")
                        .status())
                .isEqualTo(200);
        Path data = server.data();
        server.close();
        open(data);
        JsonNode position = document().path("positions").get(0);
        assertThat(position.path("name").asString()).isEqualTo("Crane rail");
        assertThat(position.path("kind").asString()).isEqualTo("truss");
        assertThat(position.path("length").asLong()).isEqualTo(18_000_000);
        assertThat(position.path("upstage").asLong()).isEqualTo(6_250_000);
        assertThat(position.path("height").asLong()).isEqualTo(7_315_200);
        assertThat(position.path("angle").asInt()).isEqualTo(-125);
        assertThat(http.post(job + "/undo", "version", http.version(job)).status())
                .isEqualTo(200);
        assertThat(document().path("positions").get(0).path("name").asString()).isEqualTo("Pipe");
    }

    @ParameterizedTest
    @CsvSource({
        "name, '', The name is empty",
        "length, wide, The length reads wide; it takes metres",
        "length, -3, a length of -3 m is none",
        "angle, 181, The angle reads 181; it takes degrees from -180 to 180",
        "height, 2000 m, The height reads 2000 m",
        "kind, cloud, 'The kind reads cloud; it takes one of unsaid, truss'"
    })
    void aPlaceThatIsNoneIsRefusedInItsField(String field, String value, String reason) {
        Answer answer = field.equals("name")
                ? post("/positions/1", "name", value)
                : post("/positions/1", "name", "Pipe", field, value);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons().toLowerCase(java.util.Locale.ROOT))
                .contains(reason.toLowerCase(java.util.Locale.ROOT));
    }

    @Test
    void aPositionThatIsNotThereOrInUseOrCalledAlikeIsRefused() {
        assertThat(post("/positions/9", "name", "X").reasons()).contains("There is no position 9");
        assertThat(post("/positions/1/remove").reasons()).contains("in use by 4 fixtures");
        post("/fixtures", "count", 1, "type", "generic-rgb/3-channel", "position", "Tower", "firstId", 300);
        assertThat(post("/positions/2", "name", "pipe").reasons()).contains("taken by another position");
    }

    @Test
    void whatIsSpecialAboutAFixtureIsKept() {
        Answer answer = post(
                "/fixtures/2/traits",
                "offset",
                "10'6\"",
                "colour",
                "amber gel",
                "panReversed",
                "yes",
                "mirrors",
                203,
                "parked",
                "1.2 = 255 house light\n1.3 = 0 never");
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        JsonNode fixture = document().path("fixtures").get(1);
        assertThat(fixture.path("offset").asLong()).isEqualTo(3_200_400);
        assertThat(fixture.path("traits").path("panReversed").asBoolean()).isTrue();
        assertThat(fixture.path("traits").path("mirrors").asInt()).isEqualTo(3);
        assertThat(fixture.path("traits").path("parked").get(0).path("why").asString())
                .isEqualTo("house light");
        assertThat(http.page(job + "/rig?sel=2").text())
                .contains("Pan reversed", "Mirrors 203", "Parked: slot 2 at 255, house light");
    }

    @ParameterizedTest
    @CsvSource({
        "offset, far, The offset reads far",
        "mirrors, 999, There is no other fixture 999",
        "mirrors, 202, There is no other fixture 202",
        "parked, 5 = 3, does not say block.slot",
        "parked, 1.600 = 3 why, slot 600 of a block is outside",
        "parked, 1.5 = 300 why, the value 300 is outside 0 to 255"
    })
    void whatCannotBeSoIsRefused(String field, String value, String reason) {
        Answer answer = post("/fixtures/2/traits", field, value);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons().toLowerCase(java.util.Locale.ROOT))
                .contains(reason.toLowerCase(java.util.Locale.ROOT));
    }

    @Test
    void aRunIsArrangedAsAProposalAndUndoneAsOneEdit() {
        int id = post("/arranging", "sel", "1,2,3,4", "way", "from-to", "from", "-3", "to", "3")
                .json()
                .path("proposal")
                .asInt();
        JsonNode proposal = http.get(job + "/arranging/" + id).json();
        assertThat(proposal.path("moves").get(1).path("after").asLong()).isEqualTo(-1_000_000);
        assertThat(document().path("fixtures").get(0).has("offset")).isFalse();
        assertThat(post("/arranging/" + id + "/apply").status()).isEqualTo(200);
        assertThat(document().path("fixtures").get(3).path("offset").asLong()).isEqualTo(3_000_000);
        assertThat(post("/arranging/" + id + "/apply").status()).isEqualTo(409);
        post("/undo");
        assertThat(document().path("fixtures").get(3).has("offset")).isFalse();
    }

    @ParameterizedTest
    @CsvSource({
        "from-to, '', 3, '', The first place reads empty",
        "pitch, 1, '', x, The pitch reads x",
        "centred, '', '', -1, a pitch of -1 m about the centre is none",
        "pitch, 900, '', 90, is outside -1000 to 1000 m",
        "sideways, '', '', '', The way is one of"
    })
    void anArrangementThatIsNoneIsRefused(String way, String from, String to, String pitch, String reason) {
        Answer answer = post("/arranging", "sel", "1,2,3,4", "way", way, "from", from, "to", to, "pitch", pitch);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons().toLowerCase(java.util.Locale.ROOT))
                .contains(reason.toLowerCase(java.util.Locale.ROOT));
    }

    @Test
    void pastedCopiesAreNumberedAlongThePipeInOneStep() {
        post("/fixtures", "count", 4, "type", "generic-rgb/3-channel", "position", "Pipe", "firstId", 201);
        for (int key = 1; key <= 8; key++) {
            post("/fixtures/" + key + "/traits", "offset", key <= 4 ? key : key - 4 + 0.5);
        }
        int id = post("/numbering", "families", "one", "first", 201, "room", "hundred", "keep", "yes", "units", "yes")
                .json()
                .path("proposal")
                .asInt();
        JsonNode proposal = http.get(job + "/numbering/" + id).json();
        assertThat(proposal.path("families").get(0).path("last").asInt()).isEqualTo(208);
        assertThat(post("/numbering/" + id + "/apply").status()).isEqualTo(200);
        assertThat(numbers()).isEqualTo("201 203 205 207 202 204 206 208");
        post("/undo");
        assertThat(numbers()).isEqualTo("201 202 203 204 201 202 203 204");
    }

    @Test
    void aFamilyWithTooFewNumbersSaysSoAndNothingIsProposed() {
        Answer answer = post("/numbering", "families", "by-type", "first", 99_998, "room", "none");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).contains("needs 4 numbers; 2 are free from 99998 to 99999");
        assertThat(post("/numbering", "first", "zero").reasons()).contains("The first number is zero");
        assertThat(post("/numbering", "scope", "chosen", "first", 1).reasons()).contains("No fixture is chosen");
    }

    @Test
    void numbersThatNoLongerSufficeAreAConflictAndTheirPageStillOpens() {
        int id = post("/numbering", "families", "one", "first", 99_995, "room", "none")
                .json()
                .path("proposal")
                .asInt();
        post("/fixtures", "count", 4, "type", "generic-rgb/3-channel", "position", "Pipe", "firstId", 99_996);
        // Those that came meanwhile were not asked for, so only 99995 is left of the four that are needed.
        assertThat(http.page(job + "/numbering/" + id).text()).contains("it cannot be done any more");
        Answer answer = post("/numbering/" + id + "/apply");
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.reasons()).contains("The job changed since");
    }

    private String numbers() {
        StringBuilder numbers = new StringBuilder();
        document()
                .path("fixtures")
                .forEach(f -> numbers.append(' ').append(f.path("id").asInt()));
        return numbers.substring(1);
    }

    private JsonNode document() {
        return http.get(job + "/job.json").json();
    }

    private Answer post(String path, Object... fields) {
        Object[] all = new Object[fields.length + 2];
        System.arraycopy(fields, 0, all, 2, fields.length);
        all[0] = "version";
        all[1] = http.version(job);
        return http.post(job + path, all);
    }
}
