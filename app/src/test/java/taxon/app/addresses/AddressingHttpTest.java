package taxon.app.addresses;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** Wishes, prices, moving by hand, locks, shares, slots and what to touch again, as a script asks for them. */
class AddressingHttpTest {
    private static Http http;

    private int job;

    @BeforeAll
    static void start() {
        http = TaxonServer.shared().http();
    }

    /** 101 to 108 of three slots from 1.001, and 201 to 204 of 24 without address. */
    @BeforeEach
    void rig() {
        job = http.post("/jobs", "name", "Addresses").json().path("job").asInt();
        post("fixtures", "count", 8, "type", "generic-rgb/3-channel", "position", "Pipe", "firstId", 101);
        place("all", "in-order");
        post("fixtures", "count", 4, "type", "fernglass-heron-380/24-channel", "position", "Rail", "firstId", 201);
    }

    private Answer post(String path, Object... fields) {
        List<Object> all = new ArrayList<>(List.of("version", http.version(job)));
        all.addAll(List.of(fields));
        return http.post("/jobs/" + job + "/" + path, all.toArray());
    }

    private JsonNode get(String path) {
        return http.get("/jobs/" + job + "/" + path).json();
    }

    private JsonNode propose(Object... fields) {
        int id = post("proposals", fields).json().path("proposal").asInt();
        return get("proposals/" + id);
    }

    private void place(String scope, String style) {
        int id = post("proposals", "scope", scope, "style", style)
                .json()
                .path("proposal")
                .asInt();
        assertThat(post("proposals/" + id + "/apply").status()).isEqualTo(200);
    }

    private String address(int key) {
        for (JsonNode fixture : get("fixtures").path("fixtures")) {
            if (fixture.path("key").asInt() == key || fixture.path("fixture").asInt() == key) {
                return fixture.toString();
            }
        }
        throw new AssertionError("no fixture " + key + " in " + get("fixtures"));
    }

    @Test
    void theFourStylesArePricedSideBySide() {
        JsonNode styles = get("addresses/prices?scope=all").path("styles");
        assertThat(styles).hasSize(4);
        assertThat(styles.toString())
                .contains("\"style\":\"least-change\",\"touched\":0,\"plannedOnly\":0,\"first\":4");
        assertThat(styles.toString())
                .contains("1 universe, the fewest there can be", "price 0, the least there can be");
    }

    /** Two types that keep apart have one universe: nobody says that they lie in order, or that all is well. */
    @Test
    void ofAStyleThatLeavesSomebodyOutItIsSaidWhetherMoreCouldBePlaced() {
        String prices = http.page("/jobs/" + job + "/addresses/prices?scope=all&split=type&universes=1")
                .text();
        assertThat(prices).contains("another plan may place more of them").doesNotContain("as the order has it");
        assertThat(http.page("/jobs/" + job + "/addresses/prices?scope=all").text())
                .contains("as the order has it");
    }

    @Test
    void aWishIsHeededExplainedAndProved() {
        JsonNode proposal = propose("scope", "all", "style", "fewest-universes", "split", "position");
        assertThat(proposal.path("proof").asString()).isEqualTo("2 universes, the fewest there can be");
        assertThat(proposal.path("breaks").toString()).contains("Rail shares no universe with Pipe");
        assertThat(proposal.path("totals").path("universes").asInt()).isEqualTo(2);
    }

    @Test
    void aWishInForceIsCheckedAndCanBeKeptTakenUpForgottenAndLifted() {
        assertThat(post("wishes", "gap", 2, "wishName", "Touring").status()).isEqualTo(200);
        JsonNode rules = get("findings").path("rules");
        assertThat(rules.toString()).contains("the wish in force keeps 2 slots free between neighbours");
        assertThat(post("wishes", "gap", 0).status()).isEqualTo(200);
        assertThat(get("findings").toString()).doesNotContain("the wish in force");
        assertThat(post("wishes/1/enforce").status()).isEqualTo(200);
        assertThat(get("findings").toString()).contains("the wish in force");
        assertThat(post("wishes/lift").status()).isEqualTo(200);
        assertThat(get("findings").toString()).doesNotContain("the wish in force");
        assertThat(post("wishes/1/forget").status()).isEqualTo(200);
        assertThat(post("wishes/1/enforce").status()).isEqualTo(409);
        assertThat(post("undo").status()).isEqualTo(200);
    }

    @Test
    void aRemedyThatMovesSeveralOpensAProposal() {
        post("wishes", "gap", 2);
        String id = get("findings").path("rules").findValuesAsString("id").stream()
                .filter(i -> i.startsWith("gap-short"))
                .findFirst()
                .orElseThrow();
        int proposal = post("remedies", "finding", id).json().path("proposal").asInt();
        assertThat(post("proposals/" + proposal + "/apply").status()).isEqualTo(200);
        assertThat(get("findings").toString()).doesNotContain("\"" + id + "\"");
    }

    @Test
    void whatIsHeldFitsOnlyWhereItIsFree() {
        JsonNode fits = get("addresses/fits?held=2&sel=2");
        assertThat(fits.path("length").asInt()).isEqualTo(3);
        assertThat(fits.path("starts").path("1").toString()).isEqualTo("[[4,4],[25,510]]");
        assertThat(fits.path("starts").path("2").toString()).isEqualTo("[[1,510]]");
    }

    @Test
    void oneUnitIsPutDownAtOnceAndNothingOnTopOfAnother() {
        assertThat(post("addresses/shift", "held", 2, "sel", 2, "to", "1.100").status())
                .isEqualTo(200);
        assertThat(address(2)).contains("1.100");
        Answer clash = post("addresses/shift", "held", 2, "sel", 2, "to", "1.008");
        assertThat(clash.status()).isEqualTo(422);
        assertThat(clash.reasons())
                .isEqualTo("1.008 to 1.010 is not free: 103 takes 1.007 to 9, 104 takes 1.010 to 12."
                        + " The next free place is 1.025.");
        assertThat(address(2)).contains("1.100");
    }

    @Test
    void severalMovedByHandAreAProposalAndKeepTheirDistances() {
        int id = post("addresses/shift", "held", 2, "sel", "1,2", "to", "3.104")
                .json()
                .path("proposal")
                .asInt();
        JsonNode proposal = get("proposals/" + id);
        assertThat(proposal.path("moves").toString())
                .contains("\"after\":\"3.101\"", "\"after\":\"3.104\"", "put there by hand");
        assertThat(post("proposals/" + id + "/apply").status()).isEqualTo(200);
        assertThat(address(1)).contains("3.101");
    }

    @Test
    void noClashIsMadeWithoutBeingTold() {
        String clash = "It brought 1 stop: Overlap at 1.001 to 1.003.";
        assertThat(post("fixtures/2/address", "block", 1, "address", "1.001")
                        .json()
                        .path("told")
                        .asString())
                .contains(clash);
        post("undo");
        assertThat(post("cells", "key", 2, "column", "address", "text", "1.001")
                        .json()
                        .path("brought")
                        .asString())
                .startsWith(clash);
        Answer undone = post("undo");
        assertThat(undone.json().path("told").asString()).doesNotContain("brought");
        assertThat(post("redo").json().path("told").asString()).contains(clash);
    }

    @Test
    void whatSharesOnPurposeIsNeitherReportedNorRepairedUntilItParts() {
        assertThat(post("shares", "sel", "1,2").status()).isEqualTo(200);
        assertThat(get("findings").toString()).doesNotContain("Overlap");
        JsonNode proposal = propose("scope", "all", "style", "least-change");
        assertThat(proposal.path("price").path("plannedOnly").asInt()).isZero();
        post("fixtures/2/address", "block", 1, "address", "1.300");
        assertThat(get("findings").toString()).contains("A shared address has come apart: 101 at 1.001, 102 at 1.300.");
        assertThat(post("shares/part", "sel", "2").status()).isEqualTo(200);
        assertThat(get("findings").toString()).doesNotContain("come apart");
    }

    @Test
    void aSharedSlotIsNoClashWhereItIsReadAndTheCardNamesTheOther() {
        post("shares", "sel", "1,2", "why", "both behind the door");
        assertThat(http.get("/jobs/" + job + "/universes/1.csv").text())
                .contains("\r\n1,\"101 and 102, shared on purpose\",")
                .contains("\r\n7,103,");
        String page = http.page("/jobs/" + job + "/universes/1").text();
        assertThat(page).contains("101+102").doesNotContain(" torn").doesNotContain("stopped");
        assertThat(http.page("/jobs/" + job + "/addresses?sel=1").text())
                .contains("Shares its address with 102: both behind the door.");
        post("fixtures/3/address", "block", 1, "address", "1.001");
        assertThat(http.page("/jobs/" + job + "/universes/1").text()).contains(" torn", "stopped");
    }

    @Test
    void aLockedFixtureStaysWhateverIsAskedFor() {
        post("fixtures/lock", "sel", "1");
        JsonNode proposal = propose("scope", "all", "style", "in-order", "from", "2.001");
        assertThat(proposal.path("stays").toString()).contains("1.1");
        assertThat(proposal.path("moves").toString()).doesNotContain("\"fixture\":1,");
        String locked = "The fixture 101 is locked at 1.001; unlock it first.";
        assertThat(post("addresses/shift", "held", 1, "to", "3.001").reasons()).contains(locked);
        assertThat(post("fixtures/1/address", "block", 1, "address", "1.004").reasons())
                .contains(locked);
        assertThat(post("fixtures/1/address", "block", 1, "address", "3.001").reasons())
                .contains(locked);
        post("fixtures/lock", "sel", "1", "locked", "no");
        assertThat(propose("scope", "all", "from", "2.001").path("moves").toString())
                .contains("\"fixture\":1,");
    }

    @Test
    void aUniverseIsReadSlotBySlotAndAsAFile() {
        String csv = http.get("/jobs/" + job + "/universes/1.csv").text();
        assertThat(csv).contains("Slot,Fixture,Type,Drives,Byte,At rest", "\r\n4,102,");
        assertThat(csv.lines()).hasSize(513);
        assertThat(http.get("/jobs/" + job + "/universes/9.csv").status()).isEqualTo(404);
        assertThat(http.page("/jobs/" + job + "/universes/1").text()).contains("Universe 1", "id=\"slots\"");
    }

    @Test
    void whatWasSetAndHasMovedSinceIsOnTheWalk() {
        post("fixtures/1/set");
        assertThat(get("again").path("units")).isEmpty();
        post("fixtures/1/address", "block", 1, "address", "1.400");
        JsonNode unit = get("again").path("units").get(0);
        assertThat(unit.path("position").asString()).isEqualTo("Pipe");
        assertThat(unit.path("set").asString()).isEqualTo("address");
        assertThat(unit.path("is").asString()).startsWith("1.001");
        assertThat(http.get("/jobs/" + job + "/again.csv").text()).contains("Pipe,1,101,");
    }

    @ParameterizedTest
    @CsvSource({
        "gap, 512, 'The gap is 512; it takes a whole number, 0 to 511.'",
        "headroom, 100 %, 'The room at each end reads “100 %”; it takes 0 to 511 slots, or 0 % to 99 %.'",
        "universes, 8-1, 'The universes read “8-1”; they are written 1-8, 12, each 1 to 63999. Empty means any.'",
        "unitsPerLine, 0, 'The number of units a line is 0; it takes a whole number, 1 to 512.'",
        "every, 0, 'The number of slots from start to start is 0; it takes a whole number, 1 to 512.'",
        "split, colour, 'The split reads colour; it takes one of none, position, type, line, group, purpose.'",
        "from, 1.600, 'The slot is 600; it takes 1 to 512.'"
    })
    void aWishThatCannotBeIsRefusedWithTheRange(String field, String value, String sentence) {
        Answer answer = post("proposals", "scope", "all", field, value);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).isEqualTo(sentence);
    }

    @Test
    void theNextOfTheTrayGoesWhereItIsPointedAtOrNowhere() {
        assertThat(post("addresses/tray", "to", "2.101").status()).isEqualTo(200);
        assertThat(get("fixtures").path("fixtures").path(8).path("addresses").toString())
                .contains("\"universe\":2,\"slot\":101");
        assertThat(post("addresses/tray", "to", "2.110").reasons()).contains("201 takes 2.101 to 124");
        assertThat(post("addresses/tray", "to", "2.500").reasons()).contains("the universe ends at 512");
        assertThat(post("addresses/tray", "to", "2.110", "sel", "10").reasons())
                .contains("The next free place is 2.125");
    }

    @Test
    void severalOfTheTrayAreProposedFromThere() {
        int id = post("addresses/tray", "to", "3.5", "sel", "10,11")
                .json()
                .path("proposal")
                .asInt();
        assertThat(get("proposals/" + id).toString()).contains("3.005", "3.029");
    }

    @Test
    void whenAllIsPlacedNothingWaits() {
        place("unplaced", "in-order");
        assertThat(post("addresses/tray", "to", "5.1").reasons()).contains("Everything has an address already");
    }

    @Test
    void whereOneOfTheTrayMayBeginIsAnsweredLikeForAnyOther() {
        JsonNode fits = get("addresses/fits?held=9");
        assertThat(fits.path("length").asInt()).isEqualTo(24);
        assertThat(fits.path("starts").path("1").path(0).toString()).isEqualTo("[25,489]");
        assertThat(fits.path("starts").path("2").path(0).toString()).isEqualTo("[1,489]");
    }
}
