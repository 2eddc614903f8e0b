package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Wait;
import tools.jackson.databind.JsonNode;

@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class ExplainHttpTest {
    private TaxonServer server;
    private Http http;

    @BeforeAll
    void start() {
        server = TaxonServer.empty();
        http = server.http();
        http.job("Explained");
        http.edit("/fixtures", "count", 6, "type", "brackwater-plover/6-channel", "position", "Pipe", "firstId", 101);
        for (int i = 1; i <= 6; i++) {
            http.edit("/fixtures/" + i + "/address", "block", 1, "address", "2." + (6 * i - 5));
        }
    }

    @AfterAll
    void stop() {
        server.close();
    }

    private static String path(String saw) {
        return "/jobs/1/checks/explain?saw=" + URLEncoder.encode(saw, StandardCharsets.UTF_8);
    }

    private JsonNode explained(String saw) {
        Wait.until(
                "not computed",
                () -> http.get(path(saw)).json().path("computed").asBoolean());
        return http.get(path(saw)).json();
    }

    @Test
    void aUnitThatIsOneOffIsFoundAndSoIsWhatToDoAboutIt() {
        JsonNode answer = explained("2.7: nothing\n2.8: 102 intensity\n2.9: 102 red");
        assertThat(answer.path("causes").get(0).path("cause").asString())
                .isEqualTo("102 listens at slot 8, 1 above its planned 7.");
        assertThat(answer.path("causes").get(0).path("remedy").asString()).isEqualTo("Set 102 to slot 7.");
        assertThat(answer.path("causes").get(0).path("percent").asInt()).isGreaterThan(50);
        assertThat(answer.path("seen").get(2).path("asPlanned").asBoolean()).isFalse();
        assertThat(answer.path("seen").get(2).path("expected").asString()).isEqualTo("2.009: 102 green");
        assertThat(http.page(path("2.7: nothing\n2.8: 102 intensity\n2.9: 102 red"))
                        .text())
                .contains("102 listens at slot 8, 1 above its planned 7.", "Set 102 to slot 7.");
    }

    @Test
    void whatTwoMistakesExplainAlikeIsToldApartByTheNextTrial() {
        JsonNode answer = explained("2.8: 102 intensity\n2.9: 102 red");
        assertThat(answer.path("causes")
                        .valueStream()
                        .map(c -> c.path("cause").asString())
                        .limit(2))
                .containsExactlyInAnyOrder(
                        "102 is in the mode 9-channel.", "102 listens at slot 8, 1 above its planned 7.");
        assertThat(answer.path("next").asString()).isNotEmpty();
    }

    @Test
    void whatIsAsPlannedHasNoCause() {
        JsonNode answer = explained("2.8: 102 red");
        assertThat(answer.path("seen").get(0).path("asPlanned").asBoolean()).isTrue();
        assertThat(answer.path("causes").size()).isZero();
    }

    @Test
    void whatIsNotUnderstoodIsSaidAndNothingIsLost() {
        JsonNode answer = explained("the red one\n2.8: 102 red\n2.4: 999");
        assertThat(answer.path("faults").size()).isEqualTo(2);
        assertThat(answer.path("seen").size()).isEqualTo(1);
        assertThat(http.page(path("the red one")).text())
                .contains(">the red one</textarea>", "it takes slots or a unit, a colon");
        assertThat(http.get(path("x".repeat(4_001))).status()).isEqualTo(422);
        assertThat(http.page(path("")).text()).doesNotContain("id=\"causes\"");
    }

    @Test
    void twoMistakesAtOnceAreToldAsOneSet() {
        JsonNode answer = explained("2.1: nothing\n2.2: 101 intensity\n2.3: 101 red\n104: nothing\n105: 105\n106: 106");
        assertThat(answer.path("causes").get(0).path("cause").asString())
                .contains("101 listens at slot 2", "And: 104 does nothing");
        assertThat(answer.path("causes").get(0).path("unexplained").asInt()).isZero();
    }

    @Test
    void whatUnitsSayCountsToo() {
        JsonNode answer = explained("103 says slot 20");
        assertThat(answer.path("causes").get(0).path("cause").asString()).startsWith("103 listens at slot 20");
        assertThat(answer.path("seen").get(0).path("expected").asString()).startsWith("103 says slot 13");
    }

    @Test
    void withoutAnArmingNothingIsRaisedAndWithoutAReadingNothingIsTaken() {
        assertThat(http.edit("/checks/explain/raise", "slots", "2.001 to 2.020", "saw", "2.7: nothing")
                        .status())
                .isEqualTo(409);
        assertThat(http.edit("/checks/explain/raise", "slots", "rubbish").status())
                .isEqualTo(422);
        assertThat(http.page(path("2.7: nothing")).text())
                .contains("To raise it from here, arm universe 2")
                .doesNotContain("id=\"take-read\"", "id=\"take-raised\"", "id=\"raise-next\"");
        assertThat(http.get(path("2.7: nothing") + "&add=read").status()).isEqualTo(302);
    }
}
