package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import taxon.app.testing.HeardJob;
import taxon.app.testing.Http;
import taxon.app.testing.TakesLong;
import taxon.app.testing.Wait;
import taxon.core.network.Ipv4;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Carrier;
import taxon.core.reception.Watch;
import taxon.simrig.SimConsole;
import taxon.wire.link.CardLink;
import taxon.wire.link.LevelEar;
import tools.jackson.databind.JsonNode;

/** On universes of its own: what is driven by hand is heard by all of a machine. */
@TakesLong
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class RaiseHttpTest {
    private static final int FIRST = 8_101;
    private static final Carrier SENT = Carrier.of(new SacnUniverse(FIRST));
    private static final Carrier QUIET = Carrier.of(new SacnUniverse(FIRST + HeardJob.MISSING));

    private final Watch receiver = new Watch();
    private final ScheduledExecutorService pages = Executors.newSingleThreadScheduledExecutor();
    private HeardJob heard;
    private Http http;
    private String at;
    private CardLink line;
    private volatile String shown = "";

    @BeforeAll
    void start() throws IOException {
        heard = HeardJob.start(FIRST, 71);
        http = heard.http();
        at = heard.job() + "/checks/raise";
        heard.edit("/fixtures", "count", 2, "type", "fernglass-tern/16-channel", "position", "Pipe", "firstId", 101);
        heard.edit("/fixtures", "count", 1, "type", "pellucid-nightjar/14-channel", "position", "Pipe", "firstId", 801);
        address(1, "1.1");
        address(2, "2.1");
        address(3, "2.101");
        line = CardLink.open(Ipv4.of(127, 71, 0, 7), CardLink.Sharing.ALONE);
        line.join(new SacnUniverse(FIRST));
        line.join(new SacnUniverse(FIRST + HeardJob.MISSING));
        line.listen(new LevelEar(receiver));
        // As the page does, however slow this machine is.
        pages.scheduleWithFixedDelay(this::sayThatItIsThere, 0, 300, TimeUnit.MILLISECONDS);
    }

    private void sayThatItIsThere() {
        String path = shown;
        if (!path.isEmpty()) {
            new Http(heard.server().url()).post(path + "/alive");
        }
    }

    private void address(int fixture, String address) {
        Http.Answer placed = heard.edit("/fixtures/" + fixture + "/address", "block", 1, "address", address);
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
    }

    @AfterEach
    void letGo() {
        http.post("/let-go");
        shown = "";
        heard.desk().run(SimConsole.USUAL_RATE);
    }

    @AfterAll
    void stop() {
        pages.shutdownNow();
        line.close();
        heard.close();
    }

    private Http.Answer prepare(Object... what) {
        Object[] fields = java.util.Arrays.copyOf(what, what.length + 2);
        fields[what.length] = "minutes";
        fields[what.length + 1] = 5;
        return http.post(at, fields);
    }

    private JsonNode state(String path) {
        return http.get(path).json();
    }

    private void awaitState(String path, String state) {
        Wait.until(
                path + " does not become " + state + ": " + http.get(path).text(),
                () -> state(path).path("state").asString().equals(state));
    }

    /** Prepared and heard to its end: its path. */
    private String prepared(Object... what) {
        Http.Answer made = prepare(what);
        assertThat(made.status()).as(made.text()).isEqualTo(200);
        String path = at + "/" + made.json().path("id").asInt();
        awaitState(path, "ready");
        return path;
    }

    private String armed(Object... what) {
        String path = prepared(what);
        Http.Answer armed = http.post(path + "/arm");
        assertThat(armed.status()).as(armed.text()).isEqualTo(200);
        shown = path;
        return path;
    }

    private Optional<Integer> level(Carrier carrier, int slot) {
        return receiver.state(carrier, System.nanoTime())
                .filter(s -> !s.heard().isEmpty())
                .map(s -> s.slots().get(slot - 1).level());
    }

    private List<String> senders(Carrier carrier) {
        return receiver.state(carrier, System.nanoTime()).stream()
                .flatMap(s -> s.heard().stream())
                .map(h -> h.sender().name())
                .toList();
    }

    private void awaitLevel(Carrier carrier, int slot, int level) {
        Wait.until(
                "slot " + slot + " of " + carrier + " does not become " + level + ": " + senders(carrier),
                () -> level(carrier, slot).equals(Optional.of(level)));
    }

    @Test
    void oneUnitIsHeldWhileTheConsoleDrivesAllTheRestAndHasItBackWhenItIsLetGo() {
        http.as("Ann");
        String path = armed("sel", "1");
        JsonNode way = state(path).path("ways").get(0);
        assertThat(way.path("says").asString()).startsWith("Pageant desk sends it with priority 100.");
        assertThat(way.path("priority").asInt()).isEqualTo(101);
        Http.Answer set = http.post(path + "/set", "what", "slot", "slot", "1.1", "level", 200);
        assertThat(set.json().path("left").asInt()).isZero();
        awaitLevel(SENT, 1, 200);
        assertThat(senders(SENT)).contains("Pageant desk", "Taxon, Ann");
        int moved = level(SENT, 10).orElseThrow();
        Wait.until("the console drives slot 10 no more", () -> level(SENT, 10).orElse(moved) != moved);
        JsonNode held = http.get(path).json().path("held").get(0);
        assertThat(held.path("slot").asString()).isEqualTo("1.001");
        assertThat(held.path("who").asString()).isEqualTo("Ann");
        assertThat(http.page(heard.job() + "/rig").text()).contains("Ann holds 1 slot of universe 1 since");
        assertThat(http.page("/").text()).contains("Ann holds 1 slot of universe 1 since");
        http.post(path + "/let-go");
        Wait.until("Taxon is still heard", () -> senders(SENT).equals(List.of("Pageant desk")));
        awaitLevel(SENT, 1, 1);
        assertThat(http.page("/").text()).doesNotContain("Ann holds");
        assertThat(state(path).path("ended").asString()).isEqualTo("Ann let go.");
        http.as("");
    }

    @Test
    void armingOneUniverseSendsNoOther() {
        String path = armed("universes", "2");
        http.post(path + "/set", "what", "slot", "slot", "2.300", "level", 7);
        awaitLevel(QUIET, 300, 7);
        assertThat(senders(SENT)).containsExactly("Pageant desk");
        assertThat(http.post(path + "/set", "what", "slot", "slot", "1.1", "level", 9)
                        .json()
                        .path("told")
                        .asString())
                .isEqualTo("Left as it is: 1.001: it was not armed.");
        assertThat(state(path).path("heldCount").asInt()).isEqualTo(1);
    }

    @Test
    void nothingIsSentBeforeItIsArmed() {
        prepared("universes", "2");
        assertThat(senders(QUIET)).isEmpty();
    }

    @Test
    void whatWasNotToldIsNotArmed() {
        String path = prepared("universes", "1");
        heard.desk().stop();
        Wait.until("the console is still heard", () -> senders(SENT).isEmpty());
        Wait.until(
                "it was armed as if the console still sent",
                () -> http.post(path + "/arm").reasons().contains("not as it was told"));
        assertThat(state(path).path("ways").get(0).path("says").asString()).startsWith("Nobody sends it.");
        assertThat(http.post(path + "/arm").status()).isEqualTo(200);
    }

    @Test
    void whatSomebodyDrivesIsArmedByNobodyElse() {
        http.as("Ann");
        String first = prepared("universes", "2");
        String second = prepared("universes", "2");
        assertThat(http.post(first + "/arm").status()).isEqualTo(200);
        shown = first;
        http.as("Ben");
        Http.Answer refused = http.post(second + "/arm");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.reasons()).contains("Universe 2");
        http.as("");
    }

    @Test
    void aHazardRisesWithNobodyAndIsArmedByItsNameAlone() {
        String path = armed("universes", "2");
        Http.Answer all = http.post(path + "/set", "what", "slot", "slot", "2.101", "level", 255);
        assertThat(all.json().path("told").asString()).contains("801 can hurt people (laser)");
        Http.Answer other = http.post(path + "/hazard", "fixture", 3, "name", "102");
        assertThat(other.status()).isEqualTo(422);
        assertThat(other.reasons()).contains("type 801");
        assertThat(http.post(path + "/hazard", "fixture", 3, "name", "801").status())
                .isEqualTo(200);
        assertThat(level(QUIET, 102).orElse(0)).as("armed, not raised").isZero();
        JsonNode zone = http.post(path + "/set", "what", "name", "fixture", 3, "channel", "reset", "percent", 100)
                .json();
        assertThat(zone.path("told").asString()).contains("whose zone is not parked");
        http.post(path + "/set", "what", "name", "fixture", 3, "channel", "width", "percent", 40);
        Http.Answer parked = http.post(path + "/park", "fixture", 3);
        assertThat(parked.status()).as(parked.text()).isEqualTo(200);
        Wait.until(
                "the parked zone is not heeded",
                () -> http.post(path + "/set", "what", "name", "fixture", 3, "channel", "reset", "percent", 100)
                                .json()
                                .path("left")
                                .asInt(9)
                        == 0);
        assertThat(http.post(path + "/set", "what", "name", "fixture", 3, "channel", "width", "percent", 90)
                        .json()
                        .path("told")
                        .asString())
                .contains("is parked there at 102 (the zone, set by test pattern)");
        http.post(heard.job() + "/undo", "version", http.version(heard.job()));
    }

    @Test
    void steppingMakesOneUnitVisibleAndNoOther() {
        String path = armed("sel", "2");
        Http.Answer stepped = http.post(path + "/step", "to", "next");
        assertThat(stepped.status()).as(stepped.text()).isEqualTo(200);
        JsonNode now = state(path);
        assertThat(now.path("unit").path("label").asString()).isEqualTo("102");
        assertThat(now.path("unit").path("dark").asString()).isEmpty();
        assertThat(now.path("heldCount").asInt()).isPositive();
        http.post(path + "/release", "fixture", 2);
        assertThat(state(path).path("unit").path("dark").asString()).startsWith("Dark: ");
        assertThat(state(path).path("heldCount").asInt()).isZero();
        http.post(path + "/step", "seconds", 1);
        Wait.until(
                "it does not step by itself",
                () -> state(path).path("heldCount").asInt() > 0);
        http.post(path + "/step", "seconds", 0);
    }

    @Test
    void whenTheConsoleStopsSoDoesWhatWasHeldOverIt() {
        String path = armed("universes", "1");
        http.post(path + "/set", "what", "slot", "slot", "1.300", "level", 7);
        awaitLevel(SENT, 300, 7);
        heard.desk().stop();
        awaitState(path, "ended");
        assertThat(state(path).path("ended").asString())
                .isEqualTo("Pageant desk sends streaming ACN " + FIRST + " no more.");
        Wait.until("something is still sent", () -> senders(SENT).isEmpty());
    }

    @Test
    void aPageThatIsGoneLetsGo() {
        String path = armed("universes", "2");
        shown = "";
        awaitState(path, "ended");
        assertThat(state(path).path("ended").asString()).isEqualTo("No page that shows it answered any more.");
        assertThat(http.post(path + "/set", "what", "slot", "slot", "2.1", "level", 1)
                        .status())
                .isEqualTo(409);
    }

    @Test
    void aBoxThatIsSilentIsNotDriven() {
        String path = prepared("universes", "3");
        JsonNode way = state(path).path("ways").get(0);
        assertThat(way.path("allowed").asBoolean()).isFalse();
        Http.Answer refused = http.post(path + "/arm");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.reasons()).contains("Node port 3 does not answer");
    }

    @Test
    void whatCannotBePreparedSaysWhy() {
        assertThat(prepare().reasons()).contains("Nothing is chosen that has an address");
        assertThat(prepare("universes", "77").reasons()).contains("none is in the plan");
        assertThat(prepare("universes", "all of it").status()).isEqualTo(422);
        assertThat(http.post(at, "universes", "1", "minutes", 0).reasons()).contains("1 to 60");
        assertThat(http.post(at, "universes", "1", "minutes", 61).status()).isEqualTo(422);
        assertThat(http.get(at + "/9999").status()).isEqualTo(404);
        assertThat(http.post(at + "/9999/arm").status()).isEqualTo(404);
    }

    @Test
    void nothingLeavesThisMachineBeforeTheNetworkIsArmedToo() {
        Http.Answer box = heard.edit("/boxes", "kind", "node", "name", "Far", "ip", "10.81.0.9", "ports", 1);
        assertThat(box.status()).as(box.text()).isEqualTo(200);
        Http.Answer way = heard.edit(
                "/universes/4/ways", "protocol", "art-net", "carriedAs", 44, "outlet", "2/1", "delivery", "to-box");
        assertThat(way.status()).as(way.text()).isEqualTo(200);
        Http.Answer refused = prepare("universes", "4");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.reasons()).contains("Levels would leave this machine, to 10.81.0.9.");
        http.post(heard.job() + "/undo", "version", http.version(heard.job()));
        http.post(heard.job() + "/undo", "version", http.version(heard.job()));
    }

    @Test
    void badFieldsRaiseNothing() {
        String path = armed("universes", "2");
        for (Object[] fields : new Object[][] {
            {"what", "slot", "slot", "2.513", "level", 9},
            {"what", "slot", "slot", "2.1", "level", 256},
            {"what", "name", "channel", "", "percent", 50},
            {"what", "name", "channel", "zoom", "percent", 101},
            {"what", "channel", "fixture", 2, "block", 1, "index", 400, "value", 1},
            {"what", "channel", "fixture", 2, "block", 1, "index", 0, "value", 65_536},
            {"what", "visible", "part", "the left half"},
            {"what", "everything"},
            {}
        }) {
            assertThat(http.post(path + "/set", fields).status())
                    .as(java.util.Arrays.toString(fields))
                    .isEqualTo(422);
        }
        assertThat(http.post(path + "/set", "what", "name", "channel", "haze", "percent", 50)
                        .status())
                .isEqualTo(409);
        assertThat(http.post(path + "/step", "to", "sideways").status()).isEqualTo(422);
        assertThat(state(path).path("heldCount").asInt()).isZero();
    }

    /** The trial that tells causes apart is raised from the page that asks for it, and its line waits for what answered. */
    @Test
    void theNextTrialIsRaisedByAnArmingOfItsUniverse() {
        armed("universes", String.valueOf(1));
        String explain = heard.job() + "/checks/explain";
        Http.Answer raised = http.post(explain + "/raise", "slots", "1.003 to 1.005", "saw", "1.1: nothing");
        assertThat(raised.status()).as(raised.text()).isEqualTo(200);
        awaitLevel(SENT, 4, 255);
        assertThat(http.page(explain + "?saw=1.1:%20nothing").text()).contains("1.003 to 1.005: ?");
        Http.Answer there = http.get(explain + "?add=raised&saw=1.1:%20nothing");
        assertThat(there.response().headers().firstValue("Location").orElseThrow())
                .endsWith("saw=1.1%3A+nothing%0A1.003+to+1.005%3A+%3F");
        JsonNode waiting = http.get(explain + "?saw=1.003+to+1.005%3A+%3F").json();
        assertThat(waiting.path("faults").get(0).asString()).contains("say what answered");
        assertThat(http.post(explain + "/raise", "slots", "2.001").status())
                .as("another universe is not armed by that")
                .isEqualTo(409);
    }
}
