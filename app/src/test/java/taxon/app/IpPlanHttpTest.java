package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** A range for the job, an address for every box, and the card that Taxon speaks from. */
class IpPlanHttpTest {
    private static TaxonServer refusing;

    @BeforeAll
    static void start() {
        refusing = TaxonServer.empty();
        nodes(refusing.http());
    }

    @AfterAll
    static void stop() {
        refusing.close();
    }

    private static List<String> cards(Http http) {
        return http.get("/jobs/1/network")
                .json()
                .path("boxes")
                .valueStream()
                .map(b -> b.path("card").path("ip").asString() + "/"
                        + b.path("card").path("prefix").asInt())
                .toList();
    }

    private static void nodes(Http http) {
        http.job("Addresses");
        http.edit("/boxes", "name", "Quay node", "ip", "2.0.0.7");
        http.edit("/boxes", "name", "Gate node", "ip", "2.0.0.7");
        http.edit("/boxes", "name", "Yard node", "ip", "10.0.0.12", "mask", "24");
    }

    private static String findings(Http http) {
        return http.page("/jobs/1/network").text();
    }

    @Test
    void allAreHandedOutAfterALookAndKeptAndTakenBack() {
        Path data = TaxonServer.readyStore();
        try (TaxonServer server = TaxonServer.on(data)) {
            Http http = server.http();
            nodes(http);
            assertThat(findings(http)).contains("Quay node and Gate node have one IP address, 2.0.0.7");
            int id = http.edit("/ip-plan", "range", "10.0.0.0 255.255.255.0")
                    .json()
                    .path("proposal")
                    .asInt();
            JsonNode proposal = http.get("/jobs/1/ip-plan/" + id).json();
            assertThat(proposal.path("moves")).hasSize(2);
            assertThat(proposal.path("moves").get(0).path("why").asString()).isEqualTo("lies outside the range");
            assertThat(http.page("/jobs/1/ip-plan/" + id).text())
                    .contains("2 boxes are to be set anew, 1 stays", "10.0.0.13/24");
            assertThat(cards(http)).containsExactly("2.0.0.7/8", "2.0.0.7/8", "10.0.0.12/24");
            assertThat(http.post("/jobs/1/ip-plan/" + id + "/apply").status()).isEqualTo(200);
        }
        try (TaxonServer server = TaxonServer.on(data)) {
            Http http = server.http();
            assertThat(cards(http)).containsExactly("10.0.0.11/24", "10.0.0.13/24", "10.0.0.12/24");
            assertThat(http.get("/jobs/1/network")
                            .json()
                            .path("network")
                            .path("ip")
                            .path("range")
                            .asString())
                    .isEqualTo("10.0.0.0/24");
            assertThat(findings(http)).doesNotContain("have one IP address");
            // A box that is added now gets the mask of the range without anybody saying it.
            http.edit("/boxes", "name", "New node", "ip", "10.0.0.40");
            assertThat(cards(http)).endsWith("10.0.0.40/24");
            http.edit("/undo");
            http.edit("/undo");
            assertThat(cards(http)).containsExactly("2.0.0.7/8", "2.0.0.7/8", "10.0.0.12/24");
        }
    }

    @Test
    void aDoubleAddressIsEndedByItsRemedy() {
        try (TaxonServer server = TaxonServer.empty()) {
            Http http = server.http();
            nodes(http);
            assertThat(findings(http)).contains("Give Gate node 2.0.0.11/8");
            assertThat(http.edit("/remedies", "finding", "ip-twice:2.0.0.7").status())
                    .isEqualTo(200);
            assertThat(cards(http)).containsExactly("2.0.0.7/8", "2.0.0.11/8", "10.0.0.12/24");
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "range|10.0.0.0|it takes 10.0.0.0/24",
                "range|10.0.0.0/31|it takes 10.0.0.0/24",
                "range|10.0.0.0 255.0.255.0|it takes 10.0.0.0/24",
                "range|010.0.0.0/24|it takes 10.0.0.0/24",
                "others|10.1.0.0|it takes 10.1.0.0/24",
                "others|10.1.0.0/24, 10.1.0.0/33|it takes 10.1.0.0/24",
                "others|10.0.0.128/25|have addresses in common",
                "first-node|0|1 to 254",
                "first-node|255|1 to 254"
            })
    void whatIsNoRangeIsRefusedAndNothingIsProposed(String field, String value, String reason) {
        Http http = refusing.http();
        Http.Answer answer = field.equals("range")
                ? http.edit("/ip-plan", field, value)
                : http.edit("/ip-plan", "range", "10.0.0.0/24", field, value);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).contains(reason);
        assertThat(answer.json().has("proposal")).isFalse();
    }

    @Test
    void theCardIsChosenPerJobAndRemindedOfAtTheHandover() {
        try (TaxonServer server = TaxonServer.empty()) {
            Http http = server.http();
            nodes(http);
            assertThat(http.edit("/card", "card", "203.0.113.7").reasons())
                    .contains("no card with the address 203.0.113.7");
            assertThat(http.edit("/card", "card", "127.0.0.1").status()).isEqualTo(200);
            assertThat(http.page("/jobs/1/handover").text()).contains("127.0.0.1. Set the computer back");
            assertThat(findings(http)).contains("value=\"127.0.0.1\" checked");
            assertThat(http.edit("/card", "card", "127.0.0.1", "also", "203.0.113.7")
                            .reasons())
                    .contains("no card with the address 203.0.113.7");
            assertThat(http.edit("/card", "card", "127.0.0.1", "also", "127.9.0.1", "also", "127.0.0.1")
                            .status())
                    .isEqualTo(200);
            assertThat(http.get("/jobs/1/job.json").text())
                    .as("the card itself is none beside it")
                    .containsPattern("\"cardsBeside\"\\s*:\\s*\\[\\s*\"127.9.0.1\"\\s*\\]");
            http.edit("/card", "card", "");
            assertThat(http.get("/jobs/1/job.json").text()).doesNotContain("cardsBeside");
            assertThat(http.page("/jobs/1/handover").text()).doesNotContain("Set the computer back");
        }
    }
}
