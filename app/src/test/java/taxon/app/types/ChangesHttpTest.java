package taxon.app.types;

import static org.assertj.core.api.Assertions.assertThat;

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

/** Changing type or mode: a proposal, its price, its edit and its undoing. */
class ChangesHttpTest {
    private static TaxonServer server;
    private static Http http;
    private String job = "";

    @BeforeAll
    static void start() {
        server = TaxonServer.empty();
        http = server.http();
    }

    @BeforeEach
    void makeJob() {
        job = http.job("Changes");
        http.post(
                job + "/fixtures",
                "version",
                0,
                "count",
                3,
                "type",
                "fernglass-tern/16-channel",
                "position",
                "Pipe",
                "firstId",
                101);
        for (int i = 1; i <= 3; i++) {
            post("/fixtures/" + i + "/address", "block", 1, "address", "1." + (1 + 16 * (i - 1)));
        }
        post("/fixtures/1/set");
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    @Test
    void aLongerModeIsProposedWithWhatCollidesAndWhatItCosts() {
        JsonNode proposal = propose("sel", "1,2,3", "to", "fernglass-tern/20-channel");
        assertThat(proposal.path("clashesIfStartsAreKept").get(0).asString())
                .isEqualTo("101 would run into 102 at 1.17 to 20.");
        assertThat(proposal.path("clashesIfStartsAreKept").size()).isEqualTo(2);
        assertThat(proposal.path("changed").get(0).path("slotsBefore").asInt()).isEqualTo(16);
        assertThat(proposal.path("changed").get(0).path("slotsAfter").asInt()).isEqualTo(20);
        assertThat(proposal.path("price").path("touched").asInt()).isEqualTo(1);
        assertThat(proposal.path("moves").size()).isEqualTo(1);
        assertThat(mode(1)).isEqualTo("16-channel");
    }

    @Test
    void itIsAppliedAsOneEditAndUndoneAsOne() {
        JsonNode proposal = propose("sel", "1,2,3", "to", "fernglass-tern/20-channel");
        String path = "/changes/" + proposal.path("proposal").asInt();
        assertThat(post(path + "/apply").status()).isEqualTo(200);
        assertThat(mode(3)).isEqualTo("20-channel");
        assertThat(post(path + "/apply").status()).isEqualTo(409);
        assertThat(post("/undo").status()).isEqualTo(200);
        assertThat(mode(1)).isEqualTo("16-channel");
        assertThat(mode(3)).isEqualTo("16-channel");
    }

    @Test
    void aChangeCanPlaceTogetherFromAnAddressAndGiveOneToThoseWithout() {
        http.post(
                job + "/fixtures",
                "version",
                http.version(job),
                "count",
                1,
                "type",
                "fernglass-tern/16-channel",
                "position",
                "Pipe");
        JsonNode proposal =
                propose("sel", "1,2,3,4", "to", "fernglass-tern/20-channel", "from", "5.101", "addressing", "yes");
        assertThat(proposal.path("style").asString()).isEqualTo("in-order");
        assertThat(proposal.path("moves").valueStream().map(m -> m.path("after").asString()))
                .containsExactly("5.101", "5.121", "5.141", "5.161");
        assertThat(post("/changes", "sel", "1,2,3", "to", "fernglass-tern/20-channel", "from", "5.1000")
                        .reasons())
                .contains("512");
        assertThat(post(
                                "/changes",
                                "sel",
                                "1",
                                "to",
                                "fernglass-tern/20-channel",
                                "from",
                                "5.1",
                                "style",
                                "keep-starts")
                        .reasons())
                .contains("A first address goes with");
    }

    @Test
    void aJobThatChangedMeanwhileIsNotOverwritten() {
        JsonNode proposal = propose("of", "fernglass-tern", "to", "fernglass-tern/20-channel");
        post("/fixtures/2/address", "block", 1, "address", "2.1");
        Answer answer = post("/changes/" + proposal.path("proposal").asInt() + "/apply");
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.reasons()).contains("102 to 2.001");
        assertThat(mode(1)).isEqualTo("16-channel");
    }

    @Test
    void anotherTypeComesWithItsDefinitionAndMayBeProposedInAnotherStyle() {
        JsonNode first = propose("sel", "2", "to", "fernglass-kestrel/18-channel");
        assertThat(first.path("styles").size()).isEqualTo(3);
        JsonNode kept = propose("again", first.path("proposal").asInt(), "style", "keep-starts");
        assertThat(kept.path("style").asString()).isEqualTo("keep-starts");
        assertThat(kept.path("moves")).isEmpty();
        post("/changes/" + kept.path("proposal").asInt() + "/apply");
        assertThat(http.get(job + "/types").json().path("types").toString()).contains("fernglass-kestrel");
        assertThat(http.get(job + "/findings").text()).contains("overlap");
    }

    @Test
    void aDroppedProposalChangesNothing() {
        JsonNode proposal = propose("sel", "1", "to", "fernglass-tern/12-channel");
        String path = "/changes/" + proposal.path("proposal").asInt();
        assertThat(post(path + "/drop").status()).isEqualTo(200);
        assertThat(post(path + "/apply").status()).isEqualTo(409);
        assertThat(mode(1)).isEqualTo("16-channel");
        assertThat(http.page(job + path).text()).contains("dropped");
    }

    @Test
    void theLibrarysNewerDefinitionIsTakenOverAsAChange() {
        String id = post(
                        "/types/build",
                        "maker",
                        "Oxbow",
                        "name",
                        "Ruff",
                        "sheet",
                        "Mode: A\nDimmer\nMode: B\nDimmer\nRed")
                .json()
                .path("type")
                .asString();
        post("/fixtures", "count", 1, "type", id + "/B", "position", "Pipe", "firstId", 900);
        post("/types/build", "from", id, "maker", "Oxbow", "name", "Ruff", "sheet", "Mode: A\nDimmer 16 bit");
        assertThat(http.page(job + "/types/" + id).text()).contains("earlier definition");
        JsonNode proposal = propose("renew", id);
        assertThat(proposal.path("changed").get(0).path("mode").asString()).isEqualTo("A");
        post("/changes/" + proposal.path("proposal").asInt() + "/apply");
        assertThat(http.page(job + "/types/" + id).text()).doesNotContain("earlier definition");
    }

    @Test
    void aRenewalThatWouldNowChangeMoreThanWasAskedForIsAConflictAndItsPageStillOpens() {
        String id = post("/types/build", "maker", "Oxbow", "name", "Dunlin B", "sheet", "Mode: A\nDimmer")
                .json()
                .path("type")
                .asString();
        post("/fixtures", "count", 1, "type", id + "/A", "position", "Pipe", "firstId", 900);
        post("/types/build", "from", id, "maker", "Oxbow", "name", "Dunlin B", "sheet", "Mode: A\nDimmer 16 bit");
        int proposal = propose("renew", id).path("proposal").asInt();
        post("/fixtures", "count", 1, "type", id + "/A", "position", "Pipe", "firstId", 901);
        assertThat(http.page(job + "/changes/" + proposal).text()).contains("it cannot be done any more");
        assertThat(http.get(job + "/changes/" + proposal).status()).isEqualTo(200);
        assertThat(post("/changes/" + proposal + "/apply").status()).isEqualTo(409);
    }

    @ParameterizedTest
    @CsvSource({
        "sel, 1, to, fernglass-tern/77-channel, no such type and mode",
        "sel, 1, to, nobody/1, no such type and mode",
        "sel, 1, to, '', no such type and mode",
        "sel, '', to, fernglass-tern/20-channel, No fixture is chosen",
        "sel, 99, to, fernglass-tern/20-channel, No fixture is chosen",
        "sel, 1, to, fernglass-tern/16-channel, Nothing would change",
        "renew, nobody, to, x, The library has no such type",
        "again, x, style, in-order, The proposal is x"
    })
    void aWishThatCannotBeGrantedIsRefusedWithAReason(
            String name, String value, String second, String value2, String reason) {
        Answer answer = post("/changes", name, value, second, value2);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).contains(reason);
    }

    @Test
    void aStyleThatIsNoneIsRefusedAndAProposalThatIsNoneIs404() {
        assertThat(post("/changes", "sel", "1", "to", "fernglass-tern/20-channel", "style", "fast")
                        .reasons())
                .contains("The style is one of");
        assertThat(http.get(job + "/changes/99").status()).isEqualTo(404);
        assertThat(post("/changes", "again", 99, "style", "in-order").status()).isEqualTo(404);
    }

    private JsonNode propose(Object... fields) {
        Answer made = post("/changes", fields);
        assertThat(made.status()).as(made.text()).isEqualTo(200);
        return http.get(job + "/changes/" + made.json().path("proposal").asInt())
                .json();
    }

    private Answer post(String path, Object... fields) {
        Object[] all = new Object[fields.length + 2];
        System.arraycopy(fields, 0, all, 2, fields.length);
        all[0] = "version";
        all[1] = http.version(job);
        return http.post(job + path, all);
    }

    private String mode(int key) {
        for (JsonNode fixture : http.get(job + "/job.json").json().path("fixtures")) {
            if (fixture.path("key").asInt() == key) {
                return fixture.path("mode").asString();
            }
        }
        throw new AssertionError("no fixture " + key);
    }
}
