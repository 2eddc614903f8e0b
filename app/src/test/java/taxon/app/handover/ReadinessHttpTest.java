package taxon.app.handover;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Zips;
import tools.jackson.databind.JsonNode;

class ReadinessHttpTest {
    private static Http http;
    private String job;

    @BeforeAll
    static void start() {
        http = TaxonServer.shared().http();
    }

    /** Each test has a job of its own. */
    @BeforeEach
    void begin() {
        job = http.jobOfTerns("Lantern Pageant", 2);
        http.editOf(job, "/fixtures/1/address", "block", 1, "address", "1.1");
        http.editOf(job, "/fixtures/2/address", "block", 1, "address", "1.9");
    }

    private JsonNode page() {
        return http.get(job + "/handover").json();
    }

    private Answer sign(String side, String by) {
        return http.post(job + "/handover/sign", "version", http.version(job), "side", side, "by", by);
    }

    @Test
    void nothingIsSignedOffWhileSomethingStandsInTheWay() {
        assertThat(page().path("ready").asBoolean()).isFalse();
        assertThat(page().path("open").toString()).contains("stop").contains("not proved");
        assertThat(http.page(job + "/handover").text()).contains("It cannot be handed over yet");
        Answer refused = sign("crew", "Kim");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.reasons()).contains("in the way; close each, or take it over with a reason.");
        assertThat(page().path("signedOff").isEmpty()).isTrue();
    }

    @Test
    void whatIsTakenOverByNameLetsItBeSignedOffAndLaterEditsAreSaid() {
        String about = page().path("open").get(0).path("about").asString();
        assertThat(http.post(job + "/handover/take", "about", about, "reason", "", "by", "Kim")
                        .status())
                .isEqualTo(422);
        assertThat(http.post(job + "/handover/take", "about", about, "reason", "meant so", "by", "Kim")
                        .status())
                .isEqualTo(200);
        assertThat(sign("crew", "Kim").status()).isEqualTo(409);
        assertThat(http.post(job + "/handover/take", "all", 1, "reason", "as agreed", "by", "Kim")
                        .status())
                .isEqualTo(200);
        assertThat(page().path("ready").asBoolean()).isTrue();
        assertThat(sign("crew", "Kim").status()).isEqualTo(200);
        assertThat(sign("programmer", "Sam").status()).isEqualTo(200);
        assertThat(http.page(job + "/handover").text())
                .contains("Signed off for the programmer by Sam")
                .contains("as it is now");
        http.editOf(job, "/fixtures/1/address", "block", 1, "address", "2.1");
        assertThat(page().path("signedOff").get(0).path("since").asString()).isEqualTo("1 change since");
        assertThat(page().path("ready").asBoolean())
                .as("the other count of what is not proved is the same; the overlap is gone")
                .isEqualTo(page().path("open").isEmpty());
        assertThat(http.post(job + "/handover/give-back", "about", "x").status())
                .isEqualTo(409);
    }

    @Test
    void whatIsTakenOverIsOpenAgainOnceItSaysSomethingElse() {
        http.post(job + "/handover/take", "all", 1, "reason", "as agreed", "by", "Kim");
        assertThat(page().path("ready").asBoolean()).isTrue();
        http.editOf(
                job,
                "/fixtures",
                "count",
                1,
                "type",
                "fernglass-tern/16-channel",
                "position",
                "North quay",
                "firstId",
                103);
        http.editOf(job, "/fixtures/3/address", "block", 1, "address", "3.1");
        assertThat(page().path("open").toString()).contains("3 blocks of 3 are not proved");
    }

    @Test
    void anOpenComparisonStandsInTheWayUntilItIsDropped() {
        http.post(job + "/handover/take", "all", 1, "reason", "as agreed", "by", "Kim");
        Answer held = http.upload(
                job + "/compare/file", "list.csv", "ID;Address\n101;1.005\n".getBytes(StandardCharsets.UTF_8));
        assertThat(page().path("open").toString()).contains("The comparison with list.csv is open");
        String page = job + "/comparisons/" + held.json().path("comparison").asInt();
        assertThat(http.post(page + "/drop").status()).isEqualTo(200);
        assertThat(page().path("ready").asBoolean()).isTrue();
    }

    @Test
    void valuesStayWithTheTypeFromJobToJobAndNotesWithTheJob() {
        assertThat(http.post(job + "/handover/values", "type", "fernglass-tern", "name", "Slow strobe", "value", "40")
                        .status())
                .isEqualTo(200);
        assertThat(http.post(job + "/handover/notes", "about", "type fernglass-tern", "words", "Zoom is slow.")
                        .status())
                .isEqualTo(200);
        assertThat(http.post(job + "/handover/notes", "about", "type none", "words", "x")
                        .status())
                .isEqualTo(422);
        assertThat(http.post(job + "/handover/values", "type", "none", "name", "x", "value", "1")
                        .status())
                .isEqualTo(422);
        assertThat(http.page(job + "/handover").text()).contains("Slow strobe").contains("Zoom is slow.");
        String next = "/jobs/"
                + http.post(job + "/copies", "name", "Next", "fixtures", 1)
                        .json()
                        .path("job")
                        .asInt();
        assertThat(http.page(next + "/handover").text()).contains("Slow strobe").doesNotContain("Zoom is slow.");
        assertThat(http.page(next + "/types/fernglass-tern").text()).contains("Worth remembering", "Slow strobe");
        assertThat(http.page(next + "/types/fernglass-heron-380").text()).doesNotContain("Worth remembering");
        assertThat(http.get(next + "/types/fernglass-tern")
                        .json()
                        .path("remembered")
                        .path("Slow strobe")
                        .asString())
                .isEqualTo("40");
    }

    @Test
    void theBundleHasASummaryThatIsReadWithoutTaxonAndWhatComparisonsCameTo() {
        String comparison = http.upload(
                        job + "/compare/file", "list.csv", "ID;Address\n101;1.005\n".getBytes(StandardCharsets.UTF_8))
                .json()
                .path("next")
                .asString()
                .replace(job + "/", "");
        http.post(job + "/handover/take", "all", 1, "reason", "as agreed", "by", "Kim");
        sign("crew", "Kim");
        http.post(job + "/handover/values", "type", "fernglass-tern", "name", "Slow strobe", "value", "40");
        assertThat(http.post(job + "/revisions", "version", http.version(job), "note", "for Sam")
                        .status())
                .isEqualTo(200);
        Map<String, byte[]> files =
                Zips.entries(http.get(job + "/revisions/A.zip").bytes());
        String html = new String(files.get("summary.html"), StandardCharsets.UTF_8);
        assertThat(html)
                .contains("Lantern Pageant", "Revision A", "It can be handed over.", "as agreed", "Slow strobe: 40")
                .contains("Signed off for the crew by Kim")
                .doesNotContain("http://www.thymeleaf.org")
                .doesNotContain("src=", "href=");
        assertThat(new String(files.get(comparison + ".json"), StandardCharsets.UTF_8))
                .contains("1.005");
        assertThat(new String(files.get("summary.pdf"), 0, 5, StandardCharsets.ISO_8859_1))
                .isEqualTo("%PDF-");
    }
}
