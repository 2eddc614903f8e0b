package taxon.app.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;

/** Who may ask, how much may be sent, and how what is refused reads. */
class AccessHttpTest {
    private static TaxonServer server;
    private static Http http;
    private static String job;

    @BeforeAll
    static void start() {
        server = TaxonServer.empty();
        http = server.http();
        job = http.job("Access");
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    private static Answer post(String... headers) {
        return http.send(http.request("/jobs")
                .headers(headers)
                .header("Accept", "application/json")
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(BodyPublishers.ofString("_csrf=test&name=Forged")));
    }

    private static int jobs() {
        return http.get("/jobs").json().path("jobs").size();
    }

    @ParameterizedTest
    @CsvSource({
        "Origin, http://127.0.0.1:9999",
        "Origin, http://localhost:9999",
        "Origin, https://elsewhere.example",
        "Origin, null",
        "Sec-Fetch-Site, same-site",
        "Sec-Fetch-Site, cross-site"
    })
    void anotherSiteOnThisMachineOrElsewhereChangesNothingEvenWithOurToken(String header, String value) {
        int before = jobs();
        Answer refused = post(header, value);
        assertThat(refused.status()).isEqualTo(403);
        assertThat(refused.reasons()).contains("did not come from a page of this Taxon");
        assertThat(jobs()).isEqualTo(before);
    }

    @Test
    void ourOwnPagesAndScriptsDo() {
        int before = jobs();
        assertThat(post("Origin", server.url(), "Sec-Fetch-Site", "same-origin").status())
                .isEqualTo(200);
        assertThat(post("X-Nothing", "special").status()).isEqualTo(200);
        assertThat(jobs()).isEqualTo(before + 2);
    }

    @Test
    void aLinkFromElsewhereOpensAPlainPageAndNothingThatCostsTime() {
        String[] link = {"Sec-Fetch-Site", "cross-site", "Sec-Fetch-Mode", "navigate", "Sec-Fetch-Dest", "document"};
        assertThat(asked(job + "/rig", link)).isEqualTo(200);
        assertThat(asked("/", link)).isEqualTo(200);
        assertThat(asked(job + "/advice?universes=1-8", link)).isEqualTo(403);
        assertThat(http.send(http.request(job + "/rig?sel=1")
                                .headers(link)
                                .header("Accept", "text/html")
                                .GET())
                        .text())
                .contains("Another site asked for this address", "put it into the address line");
        assertThat(asked(job + "/paperwork/fixtures.pdf", link)).isEqualTo(403);
        assertThat(asked(job + "/types/stand-in?order=Pan", link)).isEqualTo(403);
    }

    @Test
    void noOtherSiteReadsAPageInAFrameOrByAScript() {
        assertThat(asked(
                        job + "/rig",
                        "Sec-Fetch-Site",
                        "same-site",
                        "Sec-Fetch-Mode",
                        "navigate",
                        "Sec-Fetch-Dest",
                        "iframe"))
                .isEqualTo(403);
        assertThat(asked(
                        job + "/rig",
                        "Sec-Fetch-Site",
                        "cross-site",
                        "Sec-Fetch-Mode",
                        "no-cors",
                        "Sec-Fetch-Dest",
                        "image"))
                .isEqualTo(403);
        assertThat(asked("/jobs", "Origin", "http://127.0.0.1:9999")).isEqualTo(403);
    }

    private static int asked(String path, String... headers) {
        return http.send(http.request(path)
                        .headers(headers)
                        .header("Accept", "text/html")
                        .GET())
                .status();
    }

    @Test
    void halfSentPostsHoldUpNoPageAndAreGivenUp() throws IOException {
        List<Socket> half = new ArrayList<>();
        try {
            for (int n = 0; n < 70; n++) {
                half.add(halfSent());
            }
            for (int n = 0; n < 5; n++) {
                assertThat(http.get("/jobs").status()).isEqualTo(200);
            }
            // The server closes them; until then there is nothing to read.
            for (Socket socket : half) {
                socket.setSoTimeout(120_000);
                socket.getInputStream().readAllBytes();
            }
            assertThat(post("X-After", "them").status()).isEqualTo(200);
        } finally {
            for (Socket socket : half) {
                socket.close();
            }
        }
    }

    private static Socket halfSent() throws IOException {
        URI url = URI.create(server.url());
        Socket socket = new Socket(InetAddress.getLoopbackAddress(), url.getPort());
        socket.getOutputStream()
                .write(("POST /jobs HTTP/1.1\r\nHost: 127.0.0.1:" + url.getPort()
                                + "\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: 200\r\n\r\nname=Ha")
                        .getBytes(StandardCharsets.ISO_8859_1));
        return socket;
    }

    @ParameterizedTest
    @CsvSource({"/imports, 34, 33", "/sheet, 3, 2"})
    void whatIsTooLargeIsRefusedWithTheLimitThatWasPassed(String path, int mebibytes, int most) {
        Answer refused = http.upload(job + path, "large.csv", new byte[mebibytes << 20]);
        assertThat(refused.status()).isEqualTo(413);
        assertThat(refused.reasons()).contains("At most " + most + " MiB are taken here");
    }

    @Test
    void aBodyOfUnknownLengthIsRefusedBeforeItIsRead() {
        Answer refused = http.send(http.request("/jobs")
                .header("Accept", "application/json")
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(BodyPublishers.ofInputStream(() -> new ByteArrayInputStream(new byte[300]))));
        assertThat(refused.status()).isEqualTo(411);
        assertThat(http.get("/jobs").status()).isEqualTo(200);
    }

    @ParameterizedTest
    @ValueSource(strings = {"/jobs/99/rig", "/no/such/page", "/jobs/x/rig", "/jobs/1/revisions/Q.zip"})
    void aBrowserGetsAPageWhateverItSaysThatItAccepts(String path) {
        Answer answer = http.send(http.request(path).header("Accept", "*/*").GET());
        assertThat(answer.status()).isEqualTo(404);
        assertThat(answer.text()).contains("<html", "class=\"refused\"").doesNotStartWith("{");
    }

    @Test
    void aFormWithoutItsTokenIsRefusedInWords() {
        Answer page = http.send(http.request("/jobs")
                .header("Accept", "*/*")
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(BodyPublishers.ofString("name=Forged")));
        assertThat(page.status()).isEqualTo(403);
        assertThat(page.text()).contains("its token is old").startsWith("<!DOCTYPE html>");
    }

    @Test
    void aFieldThatIsTooLongIsRefusedAndNotCut() {
        Answer refused = http.post(job + "/sheet", "version", 0, "name", "Access", "venue", "x".repeat(25_000));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.reasons()).contains("25000 characters", "at most 20000");
    }

    @Test
    void scriptsAndStylesAreKeptForGoodUnderAddressesThatChangeWithThem() {
        List<String> named = Pattern.compile("(?:href|src)=\"(/(?:assets|webjars)/[^\"]+)\"")
                .matcher(http.page("/").text())
                .results()
                .map(m -> m.group(1))
                .toList();
        assertThat(named).hasSizeGreaterThan(5).allMatch(f -> f.matches("/(assets|webjars)/[0-9a-f]{8}/.+"));
        String folder = named.get(0).substring(0, "/assets/01234567".length());
        List<String> all = new ArrayList<>(named);
        all.add(folder + "/js/svg.js");
        all.add(folder + "/fonts/newsreader-latin-wght-normal.woff2");
        for (String file : all) {
            Answer kept = http.get(file);
            assertThat(kept.status()).as(file).isEqualTo(200);
            assertThat(kept.response().headers().firstValue("Cache-Control").orElse(""))
                    .contains("max-age=31536000");
        }
        assertThat(http.get("/assets/01234567/taxon.css").status()).isEqualTo(404);
    }
}
