package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest.BodyPublishers;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;

/** Bad input gets a clear sentence and the right status, and costs nothing. */
class BadInputHttpTest {
    private static TaxonServer server;
    private static Http http;
    private static int job;

    @BeforeAll
    static void start() {
        server = TaxonServer.empty();
        http = server.http();
        job = http.post("/jobs", "name", "Bad input").json().path("job").asInt();
        http.post(
                "/jobs/" + job + "/fixtures",
                "version",
                0,
                "count",
                1,
                "type",
                "generic-rgb/3-channel",
                "position",
                "Pipe",
                "firstId",
                1);
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    @ParameterizedTest
    @CsvSource({
        "0.1, The universe is 0; it takes 1 to 63999.",
        "64000.1, The universe is 64000; it takes 1 to 63999.",
        "1.0, The slot is 0; it takes 1 to 512.",
        "1.513, The slot is 513; it takes 1 to 512.",
        "nowhere, 'The address reads nowhere; it takes 2.073, 2/73 or the absolute number.'"
    })
    void anAddressOutOfRangeIsRefusedWithTheRange(String address, String sentence) {
        Answer answer = http.post(
                "/jobs/" + job + "/fixtures/1/address", "version", http.version(job), "block", 1, "address", address);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).isEqualTo(sentence);
    }

    @ParameterizedTest
    @CsvSource({"0", "-3", "1001", "many", "''"})
    void aNumberOfFixturesOutOfRangeIsRefused(String count) {
        Answer answer = add(count, "generic-rgb/3-channel", "Pipe");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).contains("The number of fixtures is", "1 to 1000");
    }

    @Test
    void whatWasTypedStaysInTheFormWithTheReasonBesideIt() {
        Answer answer = http.postPage(
                "/jobs/" + job + "/fixtures",
                "version",
                http.version(job),
                "count",
                "-3",
                "type",
                "generic-rgb/3-channel",
                "position",
                "Far pipe",
                "note",
                "keep me",
                "back",
                "/jobs/" + job + "/rig");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text())
                .contains(
                        "value=\"-3\"", "value=\"Far pipe\"", "value=\"keep me\"", "it takes a whole number, 1 to 1000")
                .contains("<h1>Rig</h1>");
    }

    @Test
    void aNameOfTenThousandCharactersIsRefused() {
        Answer answer = http.post("/jobs", "name", "x".repeat(10_000));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).isEqualTo("The job name has 10000 characters; it takes at most 120.");
    }

    @Test
    void aNameOfHtmlIsShownAsText() {
        String name = "<script>alert(1)</script><b>Bold</b>";
        int made = http.post("/jobs", "name", name).json().path("job").asInt();
        assertThat(http.page("/jobs/" + made + "/rig").text())
                .contains("&lt;script&gt;alert(1)&lt;/script&gt;")
                .doesNotContain("<script>alert");
    }

    @Test
    void anEmptyListABinaryFileAndFiftyThousandRowsAreRefused() {
        byte[] noise = new byte[100_000];
        new Random(5).nextBytes(noise);
        assertThat(give(new byte[0]).reasons()).startsWith("The file is empty.");
        assertThat(give(noise).reasons()).startsWith("The file is neither text nor an XLSX workbook");
        Answer many = give(("Qty,Type\n" + "1,Tern\n".repeat(50_001)).getBytes(StandardCharsets.UTF_8));
        assertThat(many.status()).isEqualTo(422);
        assertThat(many.reasons()).contains("more than 50000 rows");
    }

    @Test
    void rowsOfNoneAndOfMinusThreeFixturesCostTheGoodRowNothing() {
        int id = give("Qty,Type,Mode,Position\n0,Tern,16,Quay\n-3,Tern,16,Quay\n2,Tern,16,Quay\n"
                        .getBytes(StandardCharsets.UTF_8))
                .json()
                .path("import")
                .asInt();
        var lines = http.get("/jobs/" + job + "/imports/" + id).json().path("lines");
        assertThat(lines.get(0).path("faults").get(0).path("sentence").asString())
                .isEqualTo("The quantity is 0; it takes 1 to 1000.");
        assertThat(lines.get(1).path("line").asInt()).isEqualTo(3);
        assertThat(lines.get(2).path("adds").asInt()).isEqualTo(2);
        http.post("/jobs/" + job + "/imports/" + id + "/drop");
    }

    @Test
    void aJobFileThatIsNoneIsRefusedAndMakesNoJob() {
        int before = http.get("/jobs").json().path("jobs").size();
        Answer answer =
                http.upload("/jobs/import", "job.json", "{\"format\":\"other\"}".getBytes(StandardCharsets.UTF_8));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).contains("At ");
        assertThat(http.get("/jobs").json().path("jobs")).hasSize(before);
    }

    @Test
    void whatDoesNotExistIs404WithASentence() {
        assertThat(http.get("/jobs/999").reasons()).isEqualTo("There is no job 999.");
        assertThat(http.get("/jobs/999").status()).isEqualTo(404);
        assertThat(http.get("/jobs/" + job + "/proposals/77").status()).isEqualTo(404);
        assertThat(http.page("/jobs/" + job + "/paperwork/by-moon").status()).isEqualTo(404);
        assertThat(http.get("/jobs/nine").status()).isEqualTo(404);
        assertThat(http.post("/jobs/" + job + "/fixtures/0/address", "version", 1, "address", "1.1")
                        .status())
                .isEqualTo(404);
        assertThat(http.post("/jobs/" + job + "/fixtures/-1/set").status()).isEqualTo(404);
        assertThat(http.post("/jobs/" + job + "/boxes/7", "version", 1, "name", "x", "ip", "10.0.0.1", "ports", 1)
                        .status())
                .isEqualTo(404);
        assertThat(http.post("/jobs/" + job + "/boxes/7/remove", "version", 1).reasons())
                .contains("no box 7");
        assertThat(http.post("/jobs/" + job + "/reserved/7/release", "version", 1)
                        .status())
                .isEqualTo(422);
    }

    @Test
    void aFormWithoutAVersionIsRefused() {
        Answer answer = http.post("/jobs/" + job + "/undo");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).contains("The version of the job is empty");
    }

    @Test
    void aPostWithoutItsTokenIsForbidden() {
        Answer answer = http.send(http.request("/jobs")
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(BodyPublishers.ofString("name=Forged")));
        assertThat(answer.status()).isEqualTo(403);
    }

    @Test
    void aRedirectNeverLeavesOurPages() {
        Answer answer = http.post("/jobs", "name", "Redirect", "back", "https://elsewhere.example/");
        assertThat(answer.json().path("next").asString()).startsWith("/jobs/");
    }

    @Test
    void aPolicyAllowsNothingFromElsewhereAndNoInlineScript() {
        String policy = http.page("/")
                .response()
                .headers()
                .firstValue("Content-Security-Policy")
                .orElseThrow();
        assertThat(policy).contains("default-src 'self'").doesNotContain("unsafe");
    }

    private static Answer add(String count, String type, String position) {
        return http.post(
                "/jobs/" + job + "/fixtures",
                "version",
                http.version(job),
                "count",
                count,
                "type",
                type,
                "position",
                position);
    }

    private static Answer give(byte[] content) {
        return http.upload("/jobs/" + job + "/imports", "list.csv", content);
    }
}
