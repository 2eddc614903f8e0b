package taxon.app.rig;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** Folders and groups, the jot line, the history, and following a job. */
class RigPeopleHttpTest {
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
        job = http.job("Groups");
        http.post(
                job + "/fixtures",
                "version",
                0,
                "count",
                8,
                "type",
                "fernglass-heron-380/24-channel",
                "position",
                "Crane rail",
                "firstId",
                201);
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    private Answer jot(String line, String chosen) {
        return http.post(job + "/jot", "version", http.version(job), "q", line, "sel", chosen);
    }

    private JsonNode groups() {
        return http.get(job + "/groups").json().path("groups");
    }

    @Test
    void aGroupIsMadeChangedFilledEmptiedAndTakenAway() {
        http.post(job + "/groups", "version", http.version(job), "kind", "folder", "name", "Rail");
        Answer made = http.post(
                job + "/groups", "version", http.version(job), "name", "Odd", "id", 7, "parent", 1, "sel", "1,3");
        assertThat(made.status()).isEqualTo(200);
        assertThat(groups().get(0).path("members").toString()).isEqualTo("[1,3]");
        assertThat(groups().get(0).path("folders").toString()).isEqualTo("[\"Rail\"]");
        http.post(job + "/groups/2/join", "version", http.version(job), "sel", "5");
        http.post(job + "/groups/2/leave", "version", http.version(job), "sel", "1");
        assertThat(groups().get(0).path("members").toString()).isEqualTo("[3,5]");
        http.post(job + "/groups/2", "version", http.version(job), "name", "Odd", "id", 8, "rulePosition", 1);
        assertThat(groups().get(0).path("members").size()).isEqualTo(8);
        assertThat(http.page(job + "/tree").text()).contains("all on Crane rail", "Groups that come by themselves");
        assertThat(http.page(job + "/paperwork/groups").text()).contains("Odd", "201–208", "all of a type");
        http.post(job + "/groups/2/remove", "version", http.version(job));
        assertThat(groups().valueStream().map(g -> g.path("origin").asString()))
                .containsExactly("per-type", "per-position");
        http.post(job + "/undo", "version", http.version(job));
        assertThat(groups().get(0).path("name").asString()).isEqualTo("Odd");
    }

    @Test
    void whatAGroupCannotBeIsToldInItsForm() {
        assertThat(http.post(job + "/groups", "version", http.version(job), "name", "", "id", "x")
                        .reasons())
                .contains("group number is x", "name");
        assertThat(http.post(job + "/groups", "version", http.version(job), "kind", "folder", "name", "F", "id", 4)
                        .reasons())
                .contains("neither a number of its own nor rules");
        assertThat(http.post(job + "/groups", "version", http.version(job), "name", "G", "parent", 99)
                        .reasons())
                .contains("There is no folder or group 99");
        assertThat(http.post(job + "/groups/5/join", "version", http.version(job), "sel", "")
                        .reasons())
                .contains("No fixture is chosen");
        assertThat(http.post(job + "/groups", "version", http.version(job), "name", "G", "rule", "@x")
                        .reasons())
                .contains("names a position by its number");
    }

    @Test
    void theJotLineShowsWhatItWouldDoAndThenDoesIt() {
        JsonNode shown =
                http.get(job + "/jot?q=add+2+tern+in+16+on+Deck+as+101").json();
        assertThat(shown.path("kind").asString()).isEqualTo("changes");
        assertThat(shown.path("remarks").toString()).contains("Deck is a new position.");
        assertThat(http.get(job + "/fixtures").json().path("fixtures").size()).isEqualTo(8);
        Answer done = jot("add 2 tern in 16 on Deck as 101", "");
        assertThat(done.json().path("next").asString()).isEqualTo(job + "/rig?sel=9,10");
        assertThat(jot("number chosen from 501", "9,10").json().path("told").asString())
                .isEqualTo("2 fixtures numbered from 501.");
        assertThat(jot("choose 501-502, 201", "").json().path("sel").asString()).isEqualTo("1,9,10");
        assertThat(jot("undo", "").json().path("told").asString()).startsWith("Undone: 2 fixtures numbered");
    }

    @Test
    void aJotLineThatCannotBeDoneStaysWithItsReason() {
        assertThat(jot("add 2 zebra", "").reasons())
                .isEqualTo("No type is called “zebra”; look in Types, or build it there.");
        assertThat(jot("add 2", "").reasons()).isEqualTo("The line is not whole: which type is missing.");
        assertThat(jot("x".repeat(401), "").reasons()).contains("at most 400");
        Answer page =
                http.postPage(job + "/jot", "version", http.version(job), "q", "move 201 to", "back", job + "/rig");
        assertThat(page.status()).isEqualTo(422);
        assertThat(page.text()).contains("value=\"move 201 to\"", "to which position is missing");
        assertThat(http.page(job + "/jot-line").text()).contains("add 8 Heron in 24-channel on Crane rail");
    }

    @Test
    void aJotLineOnAPlanThatOthersHaveChangedIsNotDone() {
        long seen = http.version(job);
        jot("name 201 as Bow", "");
        Answer late = http.post(job + "/jot", "version", seen, "q", "name 202 as Stern");
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.reasons()).contains("Name of 201");
    }

    @Test
    void theHistorySaysWhoDidWhatWhenAndWhatItChanged() {
        Answer said = http.post("/who", "name", "Ada of the dock");
        String cookie = said.response().headers().firstValue("Set-Cookie").orElseThrow();
        assertThat(cookie).contains("who=Ada+of+the+dock", "HttpOnly");
        http.send(http.request(job + "/cells")
                .header("Cookie", cookie.substring(0, cookie.indexOf(';')))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(BodyPublishers.ofString("_csrf=test&version=1&key=1&column=address&text=3.1")));
        assertThat(http.page(job + "/sheet").text()).contains("Ada of the dock", "Address of 201");
        JsonNode entry = http.get(job + "/history/2").json();
        assertThat(entry.path("who").asString()).isEqualTo("Ada of the dock");
        assertThat(entry.path("changes").get(0).path("after").asString()).isEqualTo("3.001");
        assertThat(http.page(job + "/history/2").text()).contains("Address of 201", "3.001");
        assertThat(http.get(job + "/history/99").status()).isEqualTo(404);
        assertThat(http.post("/who", "name", "x".repeat(41)).reasons()).contains("at most 40");
    }

    @Test
    void whoFollowsAJobIsToldOfEveryEdit() throws Exception {
        HttpClient client = HttpClient.newHttpClient();
        try (BufferedReader lines =
                new BufferedReader(new InputStreamReader(followed(client), StandardCharsets.UTF_8))) {
            assertThat(data(lines)).contains("\"version\":1");
            jot("name 201 as Bow", "");
            assertThat(data(lines)).contains("\"version\":2", "\"title\":\"Name of 201\"");
            http.post(job + "/undo", "version", 2);
            assertThat(data(lines)).contains("\"version\":3", "Undone: Name of 201");
        }
        assertThat(http.send(http.request("/jobs/999/follow").GET()).status()).isEqualTo(404);
    }

    /** A browser goes from page to page faster than the server notices that the last one was closed. */
    @Test
    void aPageIsNeverRefusedForThoseThatWereClosed() throws Exception {
        HttpClient client = HttpClient.newHttpClient();
        List<InputStream> before = new ArrayList<>();
        try {
            for (int page = 0; page < 205; page++) {
                before.add(followed(client));
            }
            assertThat(data(new BufferedReader(new InputStreamReader(before.get(204), StandardCharsets.UTF_8))))
                    .contains("\"version\":1");
            assertThat(before.get(0).readAllBytes())
                    .as("the oldest was ended in order")
                    .isNotEmpty();
        } finally {
            for (InputStream page : before) {
                page.close();
            }
        }
    }

    private InputStream followed(HttpClient client) throws Exception {
        var response = client.send(
                HttpRequest.newBuilder(URI.create(server.url() + job + "/follow"))
                        .GET()
                        .build(),
                BodyHandlers.ofInputStream());
        assertThat(response.statusCode()).isEqualTo(200);
        return response.body();
    }

    private static String data(BufferedReader lines) throws Exception {
        return CompletableFuture.supplyAsync(() -> {
                    try {
                        String line = lines.readLine();
                        while (line != null && !line.startsWith("data:")) {
                            line = lines.readLine();
                        }
                        return String.valueOf(line);
                    } catch (IOException e) {
                        throw new AssertionError(e);
                    }
                })
                .get(20, TimeUnit.SECONDS);
    }
}
