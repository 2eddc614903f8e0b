package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.app.testing.HeardJob;
import taxon.app.testing.Http;
import taxon.app.testing.TakesLong;
import taxon.app.testing.TaxonProcess;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Wait;
import taxon.core.network.Ipv4;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Carrier;
import taxon.core.reception.Happening;
import taxon.core.reception.Watch;
import taxon.simrig.SimConsole;
import taxon.wire.link.CardLink;
import taxon.wire.link.LevelEar;

/** A process of its own that is killed, and two servers on one universe, which no other test has: what they send is heard by all of a machine. */
@TakesLong
class RaiseProcessTest {
    private static final int FIRST = 8_301;
    private static final int HOST = 73;
    private static final Carrier SENT = Carrier.of(new SacnUniverse(FIRST));

    private final Watch receiver = new Watch();
    private final ScheduledExecutorService pages = Executors.newSingleThreadScheduledExecutor();
    private SimConsole desk;
    private CardLink line;

    @BeforeEach
    void start() throws IOException {
        desk = HeardJob.desk(FIRST, HOST);
        line = CardLink.open(Ipv4.of(127, HOST, 0, 7), CardLink.Sharing.ALONE);
        line.join(new SacnUniverse(FIRST));
        line.listen(new LevelEar(receiver));
    }

    @AfterEach
    void stop() {
        pages.shutdownNow();
        line.close();
        desk.close();
    }

    private static String ready(Http http, String job) {
        Http.Answer made = http.post(job + "/checks/raise", "universes", "1", "minutes", 5);
        assertThat(made.status()).as(made.text()).isEqualTo(200);
        String path = job + "/checks/raise/" + made.json().path("id").asInt();
        Wait.until(
                "not ready",
                () -> http.get(path).json().path("state").asString().equals("ready"));
        return path;
    }

    private String holding(Http http, String job) {
        String path = ready(http, job);
        Http.Answer armed = http.post(path + "/arm");
        assertThat(armed.status()).as(armed.text()).isEqualTo(200);
        pages.scheduleWithFixedDelay(() -> http.post(path + "/alive"), 0, 300, TimeUnit.MILLISECONDS);
        http.post(path + "/set", "what", "slot", "slot", "1.1", "level", 200);
        awaitFirst(200);
        return path;
    }

    private void awaitFirst(int level) {
        Wait.until(
                "slot 1 does not become " + level,
                () -> receiver.state(SENT, System.nanoTime())
                        .map(s -> s.slots().get(0).level())
                        .equals(Optional.of(level)));
    }

    private List<String> senders() {
        return receiver.state(SENT, System.nanoTime()).stream()
                .flatMap(s -> s.heard().stream())
                .map(h -> h.sender().name())
                .toList();
    }

    private List<Happening.Kind> ends() {
        return receiver.happenings().stream()
                .filter(h -> h.sender().name().startsWith("Taxon, "))
                .map(Happening::kind)
                .filter(k -> k != Happening.Kind.BEGAN)
                .toList();
    }

    @Test
    void theConsoleHasTheUnitBackWhenTheProcessIsKilledWhileHolding() {
        TaxonProcess process = TaxonProcess.on(TaxonServer.readyStore());
        Http http = process.http();
        holding(http, HeardJob.planned(http, FIRST, HOST));
        process.kill();
        // A receiver takes 2.5 s of silence for the end of a source (E1.31, 6.7.1, from memory): no word of it came.
        awaitFirst(1);
        assertThat(senders()).containsExactly("Pageant desk");
        assertThat(ends()).containsExactly(Happening.Kind.LOST);
    }

    @Test
    void aProcessThatIsStoppedInOrderSaysThatItStops() {
        TaxonProcess process = TaxonProcess.on(TaxonServer.readyStore());
        Http http = process.http();
        holding(http, HeardJob.planned(http, FIRST, HOST));
        process.close();
        awaitFirst(1);
        assertThat(ends()).containsExactly(Happening.Kind.ENDED);
    }

    @Test
    void aSecondTaxonSeesThatTheUniverseIsHeldAndDoesNotArmIt() {
        try (TaxonServer one = TaxonServer.empty();
                TaxonServer second = TaxonServer.empty()) {
            Http first = one.http();
            String path = holding(first, HeardJob.planned(first, FIRST, HOST));
            Http other = second.http();
            String refused = ready(other, HeardJob.planned(other, FIRST, HOST));
            Http.Answer answer = other.post(refused + "/arm");
            assertThat(answer.status()).isEqualTo(409);
            assertThat(answer.reasons()).contains("driven by hand already (Taxon, ");
            assertThat(first.get(path).json().path("state").asString()).isEqualTo("armed");
        }
    }
}
