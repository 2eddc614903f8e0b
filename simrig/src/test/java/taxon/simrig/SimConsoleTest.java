package taxon.simrig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Carrier;
import taxon.core.reception.Happening;
import taxon.core.reception.Happening.Kind;
import taxon.core.reception.Sender.Protocol;
import taxon.core.reception.UniverseReception.Overview;
import taxon.core.reception.Watch;
import taxon.simrig.SimConsole.Output;
import taxon.wire.link.CardLink;
import taxon.wire.link.LevelEar;
import taxon.wire.link.LevelSender.Destination;

/** The console is heard by another link, and by a node, as they would hear any console. */
class SimConsoleTest {
    private static final Ipv4 DESK = Ipv4.of(127, 85, 0, 1);
    private static final Ipv4 LISTENER = Ipv4.of(127, 85, 0, 2);
    private static final Ipv4 NODE = Ipv4.of(127, 85, 0, 3);
    private static final Ipv4 SPARE = Ipv4.of(127, 85, 0, 4);
    private static final SacnUniverse UNIVERSE = new SacnUniverse(8_501);
    private static final Carrier SACN = Carrier.of(UNIVERSE);
    private static final PortAddress PORT = new PortAddress(5);

    private final Watch watch = new Watch();
    private CardLink card;
    private SimConsole console;

    private static byte[] show(int universe, long millis) {
        byte[] levels = new byte[512];
        levels[0] = (byte) universe;
        levels[511] = (byte) (millis / 50);
        return levels;
    }

    private static List<Output> outputs() {
        return List.of(
                new Output(1, Destination.group(UNIVERSE), 100),
                new Output(2, new Destination(Carrier.of(PORT), LISTENER), 100),
                new Output(3, new Destination(Carrier.of(PORT), NODE), 100));
    }

    @BeforeEach
    void start() throws IOException {
        card = CardLink.open(LISTENER, CardLink.Sharing.ALONE);
        card.listen(new LevelEar(watch));
        card.join(UNIVERSE);
        console = SimConsole.start(DESK, "Desk", outputs(), SimConsoleTest::show);
    }

    @AfterEach
    void stop() {
        console.close();
        card.close();
    }

    private List<Overview> heard() {
        return watch.overview(System.nanoTime());
    }

    private static void until(BooleanSupplier condition) {
        long deadline = System.nanoTime() + Duration.ofSeconds(60).toNanos();
        while (!condition.getAsBoolean()) {
            assertThat(System.nanoTime()).as("a minute is over").isLessThan(deadline);
            LockSupport.parkNanos(5_000_000);
        }
    }

    private boolean isHeard(Carrier carrier) {
        return heard().stream()
                .anyMatch(o -> o.carrier().equals(carrier) && !o.heard().isEmpty());
    }

    private int first(Carrier carrier) {
        return watch.state(carrier, System.nanoTime()).orElseThrow().levels().get(0);
    }

    @Test
    void itIsHeardByBothProtocols() throws Exception {
        until(() -> isHeard(SACN) && isHeard(Carrier.of(PORT)));
        assertThat(first(SACN)).isEqualTo(1);
        assertThat(first(Carrier.of(PORT))).isEqualTo(2);
        assertThat(heard()).allSatisfy(o -> assertThat(o.heard().get(0).lost()).isZero());
        assertThat(heard().get(0).heard().get(0).sender().name()).isEqualTo("Desk");
        assertThat(heard().get(1).heard().get(0).sender().id()).isEqualTo(DESK.toString());
    }

    @Test
    void itSaysWhatItSendsToWhomeverListens() throws Exception {
        card.joinDiscovery();
        console.run(40);
        until(() -> watch.announced(System.nanoTime()).contains(UNIVERSE));
    }

    @Test
    void oneThatIsStoppedSaysSoAndOneThatIsPulledOutDoesNot() throws Exception {
        until(() -> isHeard(SACN));
        console.stop();
        until(() -> !isHeard(SACN));
        assertThat(kinds()).containsExactly(Kind.ENDED, Kind.BEGAN);
        console.run(40);
        until(() -> isHeard(SACN));
        console.pullOut();
        assertThat(console.rate()).isZero();
        until(() -> !isHeard(SACN));
        assertThat(kinds()).containsExactly(Kind.LOST, Kind.BEGAN, Kind.ENDED, Kind.BEGAN);
    }

    private List<Kind> kinds() {
        return watch.happenings().stream()
                .filter(h -> h.carrier().protocol() == Protocol.SACN)
                .map(Happening::kind)
                .toList();
    }

    @Test
    void twoConsolesAreTwoSendersOfOneUniverse() throws Exception {
        try (SimConsole spare = SimConsole.start(SPARE, "Spare desk", outputs(), SimConsoleTest::show)) {
            until(() -> heard().stream()
                    .anyMatch(o -> o.carrier().equals(SACN) && o.heard().size() == 2));
            assertThat(spare.rate()).isEqualTo(SimConsole.USUAL_RATE);
        }
    }

    @Test
    void aNodeSendsDownItsLineWhatComesForItsPort() throws Exception {
        SimPort artNet = new SimPort(PORT, List.of());
        SimPort sacn = new SimPort(new PortAddress(6), List.of()).taking(UNIVERSE);
        try (SimNode node = SimNode.start(NODE, "Node", List.of(artNet, sacn), false)) {
            until(() -> node.levels(1).get(0) == 3 && node.levels(2).get(0) == 1);
            node.suffer(List.of(new SimFault.PortIsInput(1), new SimFault.PortIsOff(2)));
            assertThat(node.levels(1).get(0)).isZero();
            assertThat(node.levels(2).get(0)).isZero();
            node.suffer(List.of(new SimFault.OtherUniverse(1, new PortAddress(7))));
            assertThat(node.levels(1).get(0)).isZero();
            assertThat(node.levels(2).get(0)).isEqualTo(1);
        }
    }

    @Test
    void aRateThatNoConsoleHasIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> console.run(0));
        assertThatIllegalArgumentException().isThrownBy(() -> console.run(201));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> SimConsole.start(Ipv4.of(10, 0, 0, 1), "Desk", List.of(), SimConsoleTest::show));
    }
}
