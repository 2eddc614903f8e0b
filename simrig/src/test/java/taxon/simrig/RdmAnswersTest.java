package taxon.simrig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.LongStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.simrig.SimulatedRig.NodeSpec;
import taxon.wire.artnet.link.ArtNetController;
import taxon.wire.artnet.link.DeviceTable;
import taxon.wire.artnet.link.DeviceTable.Outlet;
import taxon.wire.artnet.link.RdmClient;
import taxon.wire.artnet.link.RdmClient.RdmException;
import taxon.wire.bytes.Bytes;
import taxon.wire.link.CardLink;
import taxon.wire.link.SendPolicy;
import taxon.wire.rdm.codec.CommandClass;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.RdmMessage;
import taxon.wire.rdm.codec.StatusMessage;
import taxon.wire.rdm.codec.Uid;

/** Units that answer late, in pieces, from a queue or for others (ANSI E1.20, 6.3 and 10.3, from memory). */
class RdmAnswersTest {
    private static final Ipv4 CONTROLLER = Ipv4.of(127, 82, 0, 1);
    private static final Ipv4 NODE = Ipv4.of(127, 82, 0, 2);
    private static final PortAddress PORT = new PortAddress(1);
    private static final Duration SHORT = Duration.ofMillis(500);

    private CardLink card;
    private ArtNetController controller;
    private Optional<SimulatedRig> rig = Optional.empty();

    @BeforeEach
    void start() throws IOException {
        card = CardLink.open(CONTROLLER, CardLink.Sharing.SHARED);
        controller = ArtNetController.over(card, SendPolicy.LOOPBACK_ONLY, SHORT);
    }

    @AfterEach
    void stop() {
        controller.close();
        card.close();
        rig.ifPresent(SimulatedRig::close);
    }

    private static SimUnit unit(long device) {
        List<SimPersonality> modes =
                List.of(new SimPersonality("short", List.of(3)), new SimPersonality("long", List.of(16)));
        return new SimUnit(new Uid(0x7FF0, device), "Oxbow", "Dunlin", "101", modes, 1, List.of(33), false);
    }

    private RdmClient client(SimUnit... units) throws IOException {
        rig = Optional.of(SimulatedRig.start(
                List.of(new NodeSpec(NODE, "Node", List.of(new SimPort(PORT, List.of(units)))))));
        return new RdmClient(controller, NODE, PORT);
    }

    /** After the time that it named, its answer is in its queue, or it is asked once more. */
    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void anAnswerThatTakesTimeIsWaitedFor(boolean withQueue) throws Exception {
        SimUnit slow = unit(1).takingTime(1, withQueue);
        RdmClient client = client(slow);
        assertThat(client.text(slow.uid(), Pid.DEVICE_MODEL_DESCRIPTION)).isEqualTo("Dunlin");
        client.setStartAddress(slow.uid(), 0, 77);
        assertThat(slow.startAddress(0)).isEqualTo(77);
        assertThat(client.deviceInfo(slow.uid(), 0).startAddress()).isEqualTo(77);
    }

    /** What is in the queue for another question is let go, and the own answer taken. */
    @Test
    void theOwnAnswerIsTakenOutOfTheQueue() throws Exception {
        SimUnit slow = unit(1).takingTime(1, true);
        RdmClient client = client(slow);
        slow.answer(RdmMessage.request(
                slow.uid(), new Uid(0x7FF1, 1), 1, 0, CommandClass.GET, Pid.MANUFACTURER_LABEL, Bytes.NONE));
        assertThat(client.text(slow.uid(), Pid.DEVICE_LABEL)).isEqualTo("101");
    }

    @Test
    void oneThatWantsMoreTimeThanAnyoneHasIsToldAndNotWaitedFor() throws Exception {
        SimUnit slow = unit(1).takingTime(600, true);
        RdmClient client = client(slow);
        assertThatThrownBy(() -> client.deviceInfo(slow.uid(), 0))
                .isInstanceOf(RdmException.class)
                .hasMessageContaining("wants 60 s for one answer");
    }

    @Test
    void allQuestionsToOneUnitTogetherHaveAnEnd() throws Exception {
        SimUnit slow = unit(1).takingTime(2, true);
        client(slow);
        RdmClient hurried = new RdmClient(controller, NODE, PORT, Duration.ofMillis(100));
        assertThatThrownBy(() -> hurried.deviceInfo(slow.uid(), 0)).hasMessageContaining("for all that it was asked");
        hurried.begin();
        assertThatThrownBy(() -> hurried.deviceInfo(slow.uid(), 0)).isInstanceOf(RdmException.class);
    }

    @Test
    void thePiecesOfALongAnswerAreJoined() throws Exception {
        SimUnit inPieces = unit(1).answeringInPieces(5).moving(false, true, false);
        RdmClient client = client(inPieces);
        assertThat(client.text(inPieces.uid(), Pid.DEVICE_MODEL_DESCRIPTION)).isEqualTo("Dunlin");
        assertThat(client.supported(inPieces.uid()))
                .contains(Pid.DEVICE_LABEL, Pid.PAN_INVERT, Pid.TILT_INVERT, Pid.DEVICE_HOURS);
        assertThat(client.deviceInfo(inPieces.uid(), 0).startAddress()).isEqualTo(33);
    }

    @Test
    void theDevicesBehindAProxyAreNamedByIt() throws Exception {
        List<SimUnit> behind =
                LongStream.range(10, 60).mapToObj(RdmAnswersTest::unit).toList();
        List<SimUnit> all = new ArrayList<>(behind);
        SimUnit proxy = unit(1).standingFor(behind.stream().map(SimUnit::uid).toList());
        all.add(proxy);
        RdmClient client = client(all.toArray(SimUnit[]::new));
        assertThat(controller.tableOfDevices(NODE, new Outlet(PORT, 1, 1)))
                .isEqualTo(new DeviceTable.Found(List.of(proxy.uid())));
        assertThat(client.proxied(proxy.uid()))
                .containsExactlyElementsOf(behind.stream().map(SimUnit::uid).toList());
        assertThat(client.proxied(behind.get(0).uid())).isEmpty();
    }

    @Test
    void whatAUnitReportsIsRead() throws Exception {
        StatusMessage hot = new StatusMessage(0, StatusMessage.WARNING, 0x0031, 4, -1);
        SimUnit unit = unit(1).reporting(List.of(hot), 1234);
        RdmClient client = client(unit);
        assertThat(StatusMessage.decode(
                        client.getIfAny(unit.uid(), 0, Pid.STATUS_MESSAGES, Bytes.of(StatusMessage.ADVISORY))
                                .orElseThrow()))
                .containsExactly(hot);
        assertThat(hot.words()).isEqualTo("warning 0x0031 (4, -1)");
        assertThat(client.getIfAny(unit.uid(), 0, Pid.LAMP_HOURS, Bytes.NONE)).isEmpty();
    }

    @Test
    void whileANodeDiscoversAnewItHasNoTableToGive() throws Exception {
        SimUnit unit = unit(1);
        client(unit);
        Outlet outlet = new Outlet(PORT, 1, 1);
        controller.discover(NODE, PORT);
        assertThat(controller.tableOfDevices(NODE, outlet)).isEqualTo(new DeviceTable.Refused());
        long end = System.nanoTime() + Duration.ofSeconds(20).toNanos();
        DeviceTable table = controller.tableOfDevices(NODE, outlet);
        while (!(table instanceof DeviceTable.Found) && System.nanoTime() < end) {
            table = controller.tableOfDevices(NODE, outlet);
        }
        assertThat(table).isEqualTo(new DeviceTable.Found(List.of(unit.uid())));
    }
}
