package taxon.simrig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.simrig.SimulatedRig.NodeSpec;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.artnet.link.ArtNetController;
import taxon.wire.artnet.link.DeviceTable;
import taxon.wire.artnet.link.DeviceTable.Outlet;
import taxon.wire.artnet.link.RdmClient;
import taxon.wire.artnet.link.RdmClient.RdmException;
import taxon.wire.artnet.link.RollCall;
import taxon.wire.link.CardLink;
import taxon.wire.link.SendForbiddenException;
import taxon.wire.link.SendPolicy;
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

    private static final Duration PATIENCE = Duration.ofSeconds(20);

    private SimulatedRig rig;
    private CardLink card;
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
        card = CardLink.open(CONTROLLER, CardLink.Sharing.SHARED);
        controller = ArtNetController.over(card, SendPolicy.LOOPBACK_ONLY, Duration.ofMillis(150));
    }

    @AfterEach
    void stop() {
        controller.close();
        card.close();
        rig.close();
    }

    private static List<PollReply> only(List<List<PollReply>> devices) {
        assertThat(devices).hasSizeLessThanOrEqualTo(1);
        return devices.isEmpty() ? List.of() : devices.get(0);
    }

    private SimNode node() {
        return rig.node("Quay node").orElseThrow();
    }

    private ArtPacket.Port port(int number) throws Exception {
        return only(controller.poll(NODE)).get(0).ports().get(number - 1);
    }

    private Ipv4 mask() throws Exception {
        try (RollCall call = RollCall.over(card, SendPolicy.LOOPBACK_ONLY)) {
            call.poll(NODE);
            call.askMask(NODE);
            call.hear(PATIENCE, () -> call.knowsMask(NODE) && !call.at(NODE).isEmpty());
            return call.at(NODE).get(0).mask().orElseThrow();
        }
    }

    private DeviceTable tableOfFirst() throws Exception {
        return controller.tableOfDevices(NODE, new Outlet(FIRST, 1, 1));
    }

    @Test
    void aBoxSitsElsewhereAndComesBackWhenHealed() throws Exception {
        Ipv4 elsewhere = Ipv4.of(127, 83, 0, 6);
        node().suffer(List.of(new SimFault.OtherIp(elsewhere)));
        assertThat(controller.poll(NODE)).isEmpty();
        assertThat(only(controller.poll(elsewhere))).extracting(PollReply::ip).containsExactly(elsewhere);
        try (RollCall call = RollCall.over(card, SendPolicy.LOOPBACK_ONLY)) {
            call.poll(Ipv4.of(127, 255, 255, 255));
            call.hear(PATIENCE, () -> !call.at(elsewhere).isEmpty());
            assertThat(call.at(elsewhere)).hasSize(1);
        }
        node().suffer(List.of());
        assertThat(only(controller.poll(NODE))).hasSize(1);
    }

    @Test
    void anAddressThatIsTakenLeavesTheBoxWhereItIs() throws Exception {
        assertThatThrownBy(() -> node().suffer(List.of(new SimFault.OtherIp(CONTROLLER))))
                .isInstanceOf(IOException.class);
        assertThat(node().faults()).isEmpty();
        assertThat(only(controller.poll(NODE))).hasSize(1);
    }

    @Test
    void masksAreToldAsTheyAre() throws Exception {
        assertThat(mask()).isEqualTo(Ipv4.of(255, 0, 0, 0));
        node().suffer(List.of(new SimFault.OtherMask(24)));
        assertThat(mask()).isEqualTo(Ipv4.of(255, 255, 255, 0));
    }

    @Test
    void twoAtOneAddressAreToldApartByTheirHardware() throws Exception {
        node().suffer(List.of(new SimFault.Twin("Stranger")));
        assertThat(controller.poll(NODE))
                .hasSize(2)
                .extracting(d -> d.get(0).shortName())
                .containsExactly("Quay node", "Stranger");
    }

    @Test
    void aPortWithAFaultSaysSoAndReachesNobody() throws Exception {
        node().suffer(List.of(new SimFault.PortIsInput(1)));
        assertThat(port(1).flow()).isEqualTo(ArtPacket.Flow.IN);
        assertThat(tableOfFirst()).isEqualTo(new DeviceTable.Refused());
        node().suffer(List.of(new SimFault.PortIsOff(1)));
        assertThat(port(1).flow()).isEqualTo(ArtPacket.Flow.NONE);
        node().suffer(List.of(new SimFault.RdmIsOff(1)));
        assertThat(port(1).rdm()).isFalse();
        assertThat(tableOfFirst()).isEqualTo(new DeviceTable.Refused());
        PortAddress other = new PortAddress(FIRST.number() ^ 8);
        node().suffer(List.of(new SimFault.OtherUniverse(1, other)));
        assertThat(only(controller.poll(NODE)).get(0).portAddress(0)).isEqualTo(other);
        assertThat(tableOfFirst()).isEqualTo(new DeviceTable.Silent());
    }

    @Test
    void receiversThatLostTheirLinkAreNotInTheTable() throws Exception {
        node().suffer(List.of(new SimFault.LinksLost(1)));
        assertThat(tableOfFirst()).isEqualTo(new DeviceTable.Found(List.of()));
        node().suffer(List.of());
        assertThat(table(FIRST, 1)).containsExactly(HERON, SILENT);
    }

    @Test
    void aFaultOfAPortThatIsNotThereIsRefused() {
        assertThatThrownBy(() -> node().suffer(List.of(new SimFault.PortIsOff(3))))
                .hasMessageContaining("Quay node has 2 ports");
        assertThatThrownBy(() -> node().suffer(List.of(new SimFault.OtherUniverse(1, new PortAddress(4000)))))
                .hasMessageContaining("differ in Net or Sub-Net");
    }

    @Test
    void aNodeDescribesItselfAndItsPorts() throws Exception {
        List<PollReply> replies = only(controller.poll(NODE));
        assertThat(replies).singleElement().extracting(PollReply::shortName).isEqualTo("Quay node");
        assertThat(replies.get(0).portAddress(1)).isEqualTo(SECOND);
    }

    @Test
    void aNodeOfMoreThanFourPortsAnswersSeveralTimesInOrder() throws Exception {
        Ipv4 large = Ipv4.of(127, 83, 0, 4);
        List<SimPort> ports = LongStream.range(1, 11)
                .mapToObj(n -> new SimPort(new PortAddress((int) n), List.of()))
                .toList();
        try (SimNode node = SimNode.start(large, "Ten ports", ports, false)) {
            List<PollReply> replies = only(controller.poll(node.ip()));
            assertThat(replies).extracting(PollReply::bindIndex).containsExactly(1, 2, 3);
            assertThat(replies.get(2).ports()).hasSize(2);
            assertThat(replies.get(2).portAddress(1)).isEqualTo(new PortAddress(10));
        }
    }

    @Test
    void aNodeThatIsNotThereGivesNoReply() throws Exception {
        assertThat(controller.poll(NOBODY)).isEmpty();
        assertThat(controller.tableOfDevices(NOBODY, new Outlet(FIRST, 1, 1))).isEqualTo(new DeviceTable.Silent());
    }

    @Test
    void eachPortGivesItsTableOfDevices() throws Exception {
        assertThat(table(FIRST, 1)).containsExactly(HERON, SILENT);
        assertThat(table(SECOND, 2)).hasSize(160);
    }

    private List<Uid> table(PortAddress address, int port) throws Exception {
        DeviceTable table = controller.tableOfDevices(NODE, new Outlet(address, 1, port));
        assertThat(table).isInstanceOf(DeviceTable.Found.class);
        return ((DeviceTable.Found) table).devices();
    }

    @Test
    void aNodeThatAnswersToEveryoneIsHeard() throws Exception {
        Ipv4 loud = Ipv4.of(127, 83, 0, 5);
        try (SimulatedRig shouting = SimulatedRig.start(
                List.of(new NodeSpec(loud, "Old node", List.of(new SimPort(FIRST, List.of())), true)))) {
            assertThat(shouting.nodes()).hasSize(1);
            assertThat(only(controller.poll(loud)))
                    .extracting(PollReply::shortName)
                    .containsExactly("Old node");
        }
    }

    @Test
    void aTableThatIsRefusedIsNoEmptyTable() throws Exception {
        Ipv4 shy = Ipv4.of(127, 83, 0, 6);
        try (SimulatedRig refusing = SimulatedRig.start(
                List.of(new NodeSpec(shy, "Shy node", List.of(new SimPort(FIRST, List.of(), false)))))) {
            assertThat(refusing.units()).isEmpty();
            assertThat(controller.tableOfDevices(shy, new Outlet(FIRST, 1, 1))).isEqualTo(new DeviceTable.Refused());
        }
    }

    /** A node of eight ports describes itself on two pages; here a port of each carries the same Port-Address. */
    @Test
    void onePageOfANodeIsNeverTakenForTheOther() throws Exception {
        Ipv4 wide = Ipv4.of(127, 83, 0, 7);
        List<SimPort> ports = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            SimUnit unit = new SimUnit(
                    uid(500 + i),
                    "Oxbow",
                    "Dunlin",
                    "",
                    List.of(new SimPersonality("a", List.of(3))),
                    1,
                    List.of(1),
                    false);
            ports.add(new SimPort(new PortAddress(1 + i % 4), List.of(unit)));
        }
        try (SimulatedRig rig8 = SimulatedRig.start(List.of(new NodeSpec(wide, "Wide node", ports)))) {
            assertThat(rig8.units()).hasSize(8);
            assertThat(controller.tableOfDevices(wide, new Outlet(new PortAddress(2), 1, 2)))
                    .isEqualTo(new DeviceTable.Found(List.of(uid(501))));
            assertThat(controller.tableOfDevices(wide, new Outlet(new PortAddress(2), 2, 2)))
                    .isEqualTo(new DeviceTable.Found(List.of(uid(505))));
        }
    }

    @Test
    void aLabelThatIsRefusedIsNoLostAnswer() throws Exception {
        RdmClient client = new RdmClient(controller, NODE, FIRST);
        assertThat(client.textIfAny(HERON, Pid.DEVICE_LABEL)).contains("201");
        assertThat(client.textIfAny(HERON, 0x7FDF)).isEmpty();
        assertThatThrownBy(() -> client.textIfAny(SILENT, Pid.DEVICE_LABEL)).isInstanceOf(RdmException.class);
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
        assertThatThrownBy(() -> client.text(HERON, 0x0401)).hasMessageContaining("unknown pid");
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
