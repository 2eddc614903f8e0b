package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.app.testing.Http;
import taxon.app.testing.OneJob;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** A range for the job, an address for every box, and the card that Taxon speaks from. */
class IpPlanHttpTest {
    private static OneJob refusing;

    @BeforeAll
    static void start() {
        refusing = OneJob.shared("Refusing");
        nodes(refusing);
    }

    private static List<String> cards(OneJob job) {
        return job.get("/network")
                .json()
                .path("boxes")
                .valueStream()
                .map(b -> b.path("card").path("ip").asString() + "/"
                        + b.path("card").path("prefix").asInt())
                .toList();
    }

    private static void nodes(OneJob job) {
        job.edit("/boxes", "name", "Quay node", "ip", "2.0.0.7");
        job.edit("/boxes", "name", "Gate node", "ip", "2.0.0.7");
        job.edit("/boxes", "name", "Yard node", "ip", "10.0.0.12", "mask", "24");
    }

    private static String findings(OneJob job) {
        return job.page("/network").text();
    }

    @Test
    void allAreHandedOutAfterALookAndKeptAndTakenBack() {
        Path data = TaxonServer.readyStore();
        try (TaxonServer server = TaxonServer.on(data)) {
            OneJob job = new OneJob(server.http(), server.http().job("Addresses"));
            nodes(job);
            assertThat(findings(job)).contains("Quay node and Gate node have one IP address, 2.0.0.7");
            int id = job.edit("/ip-plan", "range", "10.0.0.0 255.255.255.0")
                    .json()
                    .path("proposal")
                    .asInt();
            JsonNode proposal = job.get("/ip-plan/" + id).json();
            assertThat(proposal.path("moves")).hasSize(2);
            assertThat(proposal.path("moves").get(0).path("why").asString()).isEqualTo("lies outside the range");
            assertThat(job.page("/ip-plan/" + id).text())
                    .contains("2 boxes are to be set anew, 1 stays", "10.0.0.13/24");
            assertThat(cards(job)).containsExactly("2.0.0.7/8", "2.0.0.7/8", "10.0.0.12/24");
            assertThat(job.post("/ip-plan/" + id + "/apply").status()).isEqualTo(200);
        }
        try (TaxonServer server = TaxonServer.on(data)) {
            OneJob job = new OneJob(server.http(), "/jobs/1");
            assertThat(cards(job)).containsExactly("10.0.0.11/24", "10.0.0.13/24", "10.0.0.12/24");
            assertThat(job.get("/network")
                            .json()
                            .path("network")
                            .path("ip")
                            .path("range")
                            .asString())
                    .isEqualTo("10.0.0.0/24");
            assertThat(findings(job)).doesNotContain("have one IP address");
            // A box that is added now gets the mask of the range without anybody saying it.
            job.edit("/boxes", "name", "New node", "ip", "10.0.0.40");
            assertThat(cards(job)).endsWith("10.0.0.40/24");
            job.edit("/undo");
            job.edit("/undo");
            assertThat(cards(job)).containsExactly("2.0.0.7/8", "2.0.0.7/8", "10.0.0.12/24");
        }
    }

    @Test
    void aDoubleAddressIsEndedByItsRemedy() {
        OneJob job = OneJob.shared("Addresses");
        nodes(job);
        assertThat(findings(job)).contains("Give Gate node 2.0.0.11/8");
        assertThat(job.edit("/remedies", "finding", "ip-twice:2.0.0.7").status())
                .isEqualTo(200);
        assertThat(cards(job)).containsExactly("2.0.0.7/8", "2.0.0.11/8", "10.0.0.12/24");
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
        Http.Answer answer = field.equals("range")
                ? refusing.edit("/ip-plan", field, value)
                : refusing.edit("/ip-plan", "range", "10.0.0.0/24", field, value);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).contains(reason);
        assertThat(answer.json().has("proposal")).isFalse();
    }

    @Test
    void theCardIsChosenPerJobAndRemindedOfAtTheHandover() {
        OneJob job = OneJob.shared("Addresses");
        nodes(job);
        assertThat(job.edit("/card", "card", "203.0.113.7").reasons()).contains("no card with the address 203.0.113.7");
        assertThat(job.edit("/card", "card", "127.0.0.1").status()).isEqualTo(200);
        assertThat(job.page("/handover").text()).contains("127.0.0.1. Set the computer back");
        assertThat(findings(job)).contains("value=\"127.0.0.1\" checked");
        assertThat(job.edit("/card", "card", "127.0.0.1", "also", "203.0.113.7").reasons())
                .contains("no card with the address 203.0.113.7");
        assertThat(job.edit("/card", "card", "127.0.0.1", "also", "127.9.0.1", "also", "127.0.0.1")
                        .status())
                .isEqualTo(200);
        assertThat(job.get("/job.json").text())
                .as("the card itself is none beside it")
                .containsPattern("\"cardsBeside\"\\s*:\\s*\\[\\s*\"127.9.0.1\"\\s*\\]");
        job.edit("/card", "card", "");
        assertThat(job.get("/job.json").text()).doesNotContain("cardsBeside");
        assertThat(job.page("/handover").text()).doesNotContain("Set the computer back");
    }
}
