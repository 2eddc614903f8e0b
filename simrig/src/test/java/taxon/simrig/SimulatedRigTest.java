package taxon.simrig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.simrig.SimulatedRig.NodeSpec;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.artnet.link.ArtNetController;
import taxon.wire.artnet.link.RdmClient;
import taxon.wire.artnet.link.RdmClient.RdmException;
import taxon.wire.artnet.link.SendForbiddenException;
import taxon.wire.artnet.link.SendPolicy;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.Uid;

/** Controller and nodes over real UDP on loopback addresses that nothing else uses. */
class SimulatedRigTest {
    private static final Ipv4 CONTROLLER = Ipv4.of(127, 83, 0, 1);
    private static final Ipv4 NODE = Ipv4.of(127, 83, 0, 2);
    private static final Ipv4 NOBODY = Ipv4.of(127, 83, 0, 9);
    private static final PortAddress FIRST = new PortAddress(1);
    private static final PortAddress SECOND = new PortAddress(2);
    private static final Uid HERON = uid(1);
    private static final Uid SILENT = uid(2);

    private SimulatedRig rig;
    private ArtNetController controller;

    @BeforeEach
    void start() throws IOException {
        List<SimPersonality> modes = List.of(
                new SimPersonality("24-channel", List.of(24)),
                new SimPersonality("24-channel with shutters", List.of(24, 4)));
        SimUnit heron = new SimUnit(HERON, "Fernglass", "Heron 380", "201", modes, 2, List.of(73, 300), false);
        SimUnit silent = new SimUnit(SILENT, "Fernglass", "Heron 380", "202", modes, 1, List.of(1), true);
        List<SimUnit> many = LongStream.range(100, 260)
                .mapToObj(n -> new SimUnit(uid(n), "Oxbow", "Dunlin", "", modes, 1, List.of(1), false))
                .toList();
        rig = SimulatedRig.start(List.of(new NodeSpec(
                NODE, "Quay node", List.of(new SimPort(FIRST, List.of(heron, silent)), new SimPort(SECOND, many)))));
        controller = ArtNetController.open(CONTROLLER, SendPolicy.LOOPBACK_ONLY, Duration.ofMillis(150));
    }

    @AfterEach
    void stop() {
        controller.close();
        rig.close();
    }

    @Test
    void aNodeDescribesItselfAndItsPorts() throws Exception {
        List<PollReply> replies = controller.poll(NODE);
        assertThat(replies).singleElement().extracting(PollReply::shortName).isEqualTo("Quay node");
        assertThat(replies.get(0).portAddress(1)).isEqualTo(SECOND);
    }

    @Test
    void aNodeOfMoreThanFourPortsAnswersSeveralTimesInOrder() throws Exception {
        Ipv4 large = Ipv4.of(127, 83, 0, 4);
        List<SimPort> ports = LongStream.range(1, 11)
                .mapToObj(n -> new SimPort(new PortAddress((int) n), List.of()))
                .toList();
        try (SimNode node = SimNode.start(large, "Ten ports", ports)) {
            List<PollReply> replies = controller.poll(node.ip());
            assertThat(replies).extracting(PollReply::bindIndex).containsExactly(1, 2, 3);
            assertThat(replies.get(2).ports()).hasSize(2);
            assertThat(replies.get(2).portAddress(1)).isEqualTo(new PortAddress(10));
        }
    }

    @Test
    void aNodeThatIsNotThereGivesNoReply() throws Exception {
        assertThat(controller.poll(NOBODY)).isEmpty();
        assertThat(controller.tableOfDevices(NOBODY, FIRST)).isEmpty();
    }

    @Test
    void eachPortGivesItsTableOfDevices() throws Exception {
        assertThat(controller.tableOfDevices(NODE, FIRST)).contains(List.of(HERON, SILENT));
        assertThat(controller.tableOfDevices(NODE, SECOND).orElseThrow()).hasSize(160);
    }

    @Test
    void aUnitTellsItsAddressPersonalityAndLabel() throws Exception {
        RdmClient client = new RdmClient(controller, NODE, FIRST);
        assertThat(client.deviceInfo(HERON, 0).startAddress()).isEqualTo(73);
        assertThat(client.deviceInfo(HERON, 1).footprint()).isEqualTo(4);
        assertThat(client.personality(HERON, 2).name()).isEqualTo("24-channel with shutters");
        assertThat(client.text(HERON, Pid.DEVICE_LABEL)).isEqualTo("201");
    }

    @Test
    void anAddressThatWasSetIsReadBack() throws Exception {
        RdmClient client = new RdmClient(controller, NODE, FIRST);
        client.setStartAddress(HERON, 1, 401);
        assertThat(client.deviceInfo(HERON, 1).startAddress()).isEqualTo(401);
        assertThat(client.deviceInfo(HERON, 0).startAddress()).isEqualTo(73);
    }

    @Test
    void aSlotThatDoesNotExistIsRefusedByTheUnit() {
        RdmClient client = new RdmClient(controller, NODE, FIRST);
        assertThatThrownBy(() -> client.setStartAddress(HERON, 0, 513))
                .isInstanceOf(RdmException.class)
                .hasMessageContaining("refused: data out of range");
        assertThatThrownBy(() -> client.deviceInfo(HERON, 2)).hasMessageContaining("sub device out of range");
        assertThatThrownBy(() -> client.text(HERON, 0x0400)).hasMessageContaining("unknown pid");
    }

    @Test
    void aUnitThatDoesNotAnswerIsNamed() {
        RdmClient client = new RdmClient(controller, NODE, FIRST);
        assertThatThrownBy(() -> client.deviceInfo(SILENT, 0)).hasMessage("unit 7FF0:00000002 did not answer");
    }

    @Test
    void nothingIsSentOffTheMachineUnlessThePolicyAllowsIt() {
        assertThatThrownBy(() -> controller.poll(Ipv4.of(10, 0, 0, 1)))
                .isInstanceOf(SendForbiddenException.class)
                .hasMessageContaining("10.0.0.1 is not armed");
    }

    @Test
    void twoNodesNeverShareAnAddress() {
        assertThatThrownBy(() ->
                        SimulatedRig.start(List.of(new NodeSpec(NODE, "Twin", List.of(new SimPort(FIRST, List.of()))))))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("UDP port 6454 on 127.83.0.2 cannot be had");
    }

    private static Uid uid(long device) {
        return new Uid(0x7FF0, device);
    }
}
