package taxon.app.variants;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

class VariantsHttpTest {
    private static Http http;
    private String job;

    @BeforeAll
    static void start() {
        http = TaxonServer.shared().http();
    }

    /** Each test has a job of its own. */
    @BeforeEach
    void begin() {
        job = http.jobOfTerns("Lantern Pageant", 3);
        http.editOf(job, "/fixtures/1/address", "block", 1, "address", "1.1");
    }

    private String variant(String name) {
        Answer made = http.post(job + "/variants", "name", name);
        assertThat(made.status()).as(made.text()).isEqualTo(200);
        return "/jobs/" + made.json().path("job").asInt();
    }

    private String fixture(String of, int index) {
        return http.get(of).json().path("document").path("fixtures").get(index).toString();
    }

    @Test
    void aVariantIsEditedFreelyAndTakenOverInParts() {
        String variant = variant("all on two");
        assertThat(http.get(variant).json().path("document").path("job").toString())
                .contains("Lantern Pageant: all on two");
        long before = http.version(job);
        http.editOf(variant, "/fixtures/1/address", "block", 1, "address", "2.1");
        http.editOf(variant, "/fixtures/2/address", "block", 1, "address", "2.17");
        assertThat(http.version(job)).as("the job stays").isEqualTo(before);
        JsonNode list = http.get(job + "/variants").json().path("variants");
        assertThat(list.get(0).path("otherwise").asInt()).isEqualTo(2);
        assertThat(http.page(job + "/variants").text()).contains("2 parts");
        assertThat(http.page(variant + "/variants").text()).contains("This is a variant of");
        int id = http.post(job + "/take-overs", "from", "variant", "which", variant.substring(6))
                .json()
                .path("takeOver")
                .asInt();
        String page = job + "/take-overs/" + id;
        assertThat(http.get(page).json().path("parts").size()).isEqualTo(2);
        assertThat(http.post(page + "/parts", "part", "FIXTURE 2").status()).isEqualTo(200);
        assertThat(http.page(page).text()).contains("1 part taken over, 1 left");
        assertThat(http.post(page + "/apply", "version", before).status()).isEqualTo(200);
        assertThat(fixture(job, 1)).contains("\"slot\":17");
        assertThat(fixture(job, 0)).contains("\"universe\":1");
        assertThat(http.version(job)).isEqualTo(before + 1);
        assertThat(http.post(job + "/undo", "version", before + 1).status()).isEqualTo(200);
        assertThat(fixture(job, 1)).doesNotContain("\"slot\":17");
    }

    @Test
    void aVariantIsDroppedAndNoVariantHasVariants() {
        String variant = variant("short");
        assertThat(http.post(variant + "/variants", "name", "more").status()).isEqualTo(409);
        assertThat(http.post(job + "/variants", "name", "").status()).isEqualTo(422);
        assertThat(http.post(job + "/take-overs", "from", "variant", "which", 99)
                        .status())
                .isEqualTo(422);
        assertThat(http.post(variant + "/place", "place", "thrown-away").status())
                .isEqualTo(200);
        assertThat(http.get(job + "/variants").json().path("variants").isEmpty())
                .isTrue();
    }

    @Test
    void aRevisionIsRestoredAsAnEdit() {
        assertThat(http.post(job + "/revisions", "version", http.version(job), "note", "first")
                        .status())
                .isEqualTo(200);
        http.editOf(job, "/fixtures/1/address", "block", 1, "address", "4.1");
        http.editOf(job, "/fixtures/remove", "keys", 3);
        int id = http.post(job + "/take-overs", "from", "revision", "which", "A")
                .json()
                .path("takeOver")
                .asInt();
        assertThat(http.post(job + "/take-overs/" + id + "/apply", "version", http.version(job))
                        .status())
                .isEqualTo(200);
        assertThat(fixture(job, 0)).contains("\"universe\":1");
        assertThat(fixture(job, 2)).contains("103");
    }

    @Test
    void aNewJobBeginsFromAnOldOne() {
        Answer made = http.post(
                job + "/copies",
                "name",
                "Next stop",
                "venue",
                "Harbour",
                "fixtures",
                1,
                "positions",
                1,
                "numbering",
                1);
        assertThat(made.status()).as(made.text()).isEqualTo(200);
        String next = "/jobs/" + made.json().path("job").asInt();
        assertThat(fixture(next, 0)).contains("101").doesNotContain("\"universe\"");
        assertThat(http.post(job + "/copies", "name", "").status()).isEqualTo(422);
    }

    @Test
    void aJobIsPutAwayThrownAwayAndHadBack() {
        try (TaxonServer alone = TaxonServer.empty()) {
            isPutAwayThrownAwayAndHadBack(alone.http());
        }
    }

    private static void isPutAwayThrownAwayAndHadBack(Http http) {
        String job = http.job("Lantern Pageant");
        assertThat(http.post(job + "/place", "place", "put-away").status()).isEqualTo(200);
        assertThat(http.page("/").text()).contains("Put away 1");
        assertThat(http.get("/").json().path("jobs").isEmpty()).isTrue();
        assertThat(http.get("/?show=put-away").json().path("jobs").size()).isEqualTo(1);
        assertThat(http.post(job + "/place", "place", "thrown-away").status()).isEqualTo(200);
        assertThat(http.page("/?show=thrown-away").text()).contains("Have it back");
        assertThat(http.post(job + "/place", "place", "in-use").status()).isEqualTo(200);
        assertThat(http.get("/").json().path("jobs").size()).isEqualTo(1);
        assertThat(http.post(job + "/place", "place", "nowhere").status()).isEqualTo(422);
    }
}
