package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import taxon.app.testing.HeardJob;
import taxon.app.testing.Http;
import taxon.app.testing.Wait;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.simrig.SimConsole;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.bytes.Bytes;
import taxon.wire.link.CardLink;
import taxon.wire.link.SendPolicy;
import tools.jackson.databind.JsonNode;

/** A console on this machine is heard by a job; the numbers are those of no other test, since a group is heard by all of a machine. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class SeenHttpTest {
    private static final int FIRST = 8_701;
    private static final int FOUND = FIRST + HeardJob.FOUND;

    private HeardJob heard;
    private Http http;
    private String job;
    private SimConsole desk;

    @BeforeAll
    void start() throws IOException {
        heard = HeardJob.start(FIRST, 74);
        http = heard.http();
        job = heard.job();
        desk = heard.desk();
    }

    @AfterEach
    void endListening() {
        http.post(job + "/checks/seen/end");
        desk.run(SimConsole.USUAL_RATE);
    }

    @AfterAll
    void stop() {
        heard.close();
    }

    /** Gives the card. */
    private String listen() {
        Http.Answer begun = http.post(job + "/checks/seen/listen");
        assertThat(begun.status()).as(begun.text()).isEqualTo(200);
        return begun.json().path("card").asString();
    }

    private JsonNode seen() {
        return http.get(job + "/checks/seen").json();
    }

    private Optional<JsonNode> universe(String key) {
        return seen().path("universes")
                .valueStream()
                .filter(u -> u.path("key").asString().equals(key))
                .findFirst();
    }

    private void until(String key, Predicate<JsonNode> so) {
        Wait.until(
                key + " does not become so: " + seen(),
                () -> universe(key).filter(so).isPresent());
    }

    private static List<String> kinds(JsonNode universe) {
        return universe.path("remarks")
                .valueStream()
                .map(r -> r.path("kind").asString())
                .toList();
    }

    @Test
    void untilSomebodyBeginsNothingIsHeard() {
        assertThat(seen().path("listening").asBoolean()).isFalse();
        assertThat(seen().has("universes")).isFalse();
        assertThat(http.page(job + "/checks/seen").text()).contains("Nobody listens.");
    }

    @Test
    void whatComesIsHeldAgainstThePlan() {
        listen();
        until("sacn-8701", u -> u.path("asPlanned").asBoolean());
        JsonNode sender = universe("sacn-8701").orElseThrow().path("senders").get(0);
        assertThat(sender.path("name").asString()).isEqualTo("Pageant desk");
        assertThat(sender.path("wins").asBoolean()).isTrue();
        assertThat(sender.path("priority").asInt()).isEqualTo(100);
        assertThat(kinds(universe("sacn-8702").orElseThrow())).containsExactly("missing");
        until("art-net-74", u -> u.path("heard").asBoolean());
        assertThat(seen().path("missing").asInt()).isEqualTo(1);
    }

    @Test
    void aUniverseThatIsAnnouncedIsHeardOnceItIsAskedFor() {
        listen();
        desk.run(SimConsole.USUAL_RATE);
        Wait.until(
                "it is not announced",
                () -> seen().path("announced").valueStream().anyMatch(n -> n.asInt() == FOUND));
        assertThat(universe("sacn-8709")).isEmpty();
        assertThat(http.post(job + "/checks/seen/join", "universe", FOUND).status())
                .isEqualTo(200);
        until("sacn-8709", u -> kinds(u).contains("unplanned"));
        assertThat(seen().path("announced").valueStream().map(JsonNode::asInt)).doesNotContain(FOUND);
    }

    @Test
    void aConsoleThatStopsIsMissingAndTheLogSaysHow() {
        listen();
        until("sacn-8701", u -> u.path("heard").asBoolean());
        desk.stop();
        until("sacn-8701", u -> kinds(u).contains("missing"));
        assertThat(seen().path("log")
                        .valueStream()
                        .map(l -> l.path("universe").asString() + ": "
                                + l.path("words").asString()))
                .contains("streaming ACN 8701: Pageant desk said that it stops");
    }

    @Test
    void oneUniverseIsShownSlotBySlot() {
        listen();
        until("sacn-8701", u -> u.path("heard").asBoolean());
        JsonNode one = http.get(job + "/checks/seen/sacn-8701").json();
        assertThat(one.path("levels")).hasSize(512);
        assertThat(one.path("levels").get(0).asInt()).isEqualTo(1);
        assertThat(one.path("movedTenthsAgo").get(0).asInt()).isEqualTo(255);
        Wait.until("slot 10 does not move", () -> {
            JsonNode now = http.get(job + "/checks/seen/sacn-8701").json();
            return now.path("most").get(9).asInt() > now.path("least").get(9).asInt();
        });
        assertThat(http.post(job + "/checks/seen/sacn-8701/forget").status()).isEqualTo(200);
        assertThat(http.page(job + "/checks/seen/sacn-8701").text()).contains("planned as universe 1");
    }

    @Test
    void whatTheLevelsSayToAFixtureAndWhatKeepsItDarkIsSaid() {
        heard.edit("/fixtures", "count", 1, "type", "fernglass-tern/16-channel", "position", "Pipe", "firstId", 101);
        heard.edit("/fixtures/1/address", "block", 1, "address", "1.200");
        listen();
        until("sacn-8701", u -> u.path("heard").asBoolean());
        JsonNode one = http.get(job + "/checks/seen/sacn-8701").json();
        assertThat(one.path("dark").valueStream().map(JsonNode::asString))
                .containsExactly(
                        "Dark: intensity is at nothing; shutter is at \"closed\"; no colour is up (red, green, blue"
                                + " and white).");
        assertThat(one.path("channels").size()).isGreaterThan(8);
        assertThat(http.page(job + "/checks/seen/sacn-8701").text()).contains(">101<", "intensity");
        heard.edit("/fixtures/remove", "keys", 1);
    }

    @Test
    void aWayThatIsPlannedWhileOneListensIsHeardFromThenOn() {
        listen();
        heard.edit(
                "/universes/4/ways", "protocol", "sacn", "carriedAs", 8_709, "outlet", "1/4", "delivery", "to-group");
        until("sacn-8709", u -> u.path("asPlanned").asBoolean());
        heard.edit("/universes/4/ways/remove", "outlet", "1/4");
    }

    @Test
    void whatIsNoUniverseIsRefused() {
        assertThat(http.get(job + "/checks/seen/sacn-0").status()).isEqualTo(404);
        assertThat(http.get(job + "/checks/seen/art-net-32768").status()).isEqualTo(404);
        assertThat(http.get(job + "/checks/seen/dmx").status()).isEqualTo(404);
        assertThat(http.get("/jobs/99/checks/seen").status()).isEqualTo(404);
        assertThat(http.post(job + "/checks/seen/join", "universe", 64_000).status())
                .isEqualTo(422);
        assertThat(http.post(job + "/checks/seen/join", "universe", 5).status()).isEqualTo(409);
    }

    /** The bound is from below: a slow machine makes it longer, never shorter. */
    @Test
    void aLivePageIsToldAtMostTenTimesASecond() throws IOException {
        listen();
        until("sacn-8701", u -> u.path("heard").asBoolean());
        int events = 0;
        long begun = System.nanoTime();
        try (BufferedReader stream = new BufferedReader(new InputStreamReader(
                URI.create(heard.server().url() + job + "/checks/seen/sacn-8701/follow")
                        .toURL()
                        .openStream(),
                StandardCharsets.UTF_8))) {
            while (events < 21) {
                String line = stream.readLine();
                events += line.startsWith("event:now") ? 1 : 0;
            }
        }
        assertThat(System.nanoTime() - begun)
                .isGreaterThan(Duration.ofSeconds(2).toNanos());
    }

    /** What is sent to a second card of this computer alone is heard too, once that is ticked, and the page says by which cards it listens. */
    @Test
    void aSecondCardIsListenedToAsWell() throws IOException {
        Ipv4 second = Ipv4.of(127, 74, 9, 9);
        PortAddress address = new PortAddress(0x0871);
        try (CardLink sender = CardLink.open(Ipv4.of(127, 74, 9, 8), CardLink.Sharing.ALONE)) {
            String first = listen();
            assertThat(heard.edit("/card", "card", first, "also", second.toString())
                            .status())
                    .isEqualTo(200);
            listen();
            assertThat(seen().path("cards").valueStream().map(JsonNode::asString))
                    .containsExactly(first, second.toString());
            Wait.until("the second card is not heard: " + seen(), () -> {
                send(sender, second, address);
                return universe("art-net-2161")
                        .filter(u -> u.path("heard").asBoolean())
                        .isPresent();
            });
        } finally {
            heard.edit("/card", "card", "");
        }
    }

    private static void send(CardLink by, Ipv4 to, PortAddress address) {
        try {
            by.send(new ArtPacket.Dmx(0, 0, address, Bytes.of(new byte[512])), to, SendPolicy.LOOPBACK_ONLY);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
