package taxon.wire.artnet.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.network.BoxPort.WhenLost;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.wire.artnet.codec.ArtPacket.Dmx;
import taxon.wire.artnet.codec.ArtPacket.Flow;
import taxon.wire.artnet.codec.ArtPacket.Output;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.artnet.codec.ArtPacket.Port;
import taxon.wire.artnet.codec.ArtPacket.Rdm;
import taxon.wire.artnet.codec.ArtPacket.TodControl;
import taxon.wire.artnet.codec.ArtPacket.TodData;
import taxon.wire.artnet.codec.ArtPacket.TodRequest;
import taxon.wire.artnet.codec.ArtPacket.Unknown;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;
import taxon.wire.rdm.codec.CommandClass;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.RdmMessage;
import taxon.wire.rdm.codec.Uid;
import taxon.wire.testing.Tshark;

class ArtNetCodecTest {
    private static final PortAddress ADDRESS = PortAddress.of(1, 2, 3);
    private static final Uid UNIT = Uid.parse("7FF0:00000001");
    private static final PollReply REPLY = new PollReply(
            Ipv4.of(127, 0, 0, 2),
            "Quay node",
            "Quay node, simulated",
            "#0001 ready",
            0x0107,
            1,
            2,
            0x02_00_5E_10_00_01L,
            1,
            Optional.of(WhenLost.SCENE),
            true,
            List.of(
                    new Port(3, Flow.OUT, true, new Output(true, true, false, true)),
                    new Port(4, Flow.IN, false, Output.STILL),
                    new Port(5, Flow.NONE, true, new Output(false, false, true, false))));
    private static final RdmMessage MESSAGE =
            RdmMessage.request(UNIT, Uid.parse("7FF0:FFFF0001"), 5, 0, CommandClass.GET, Pid.DEVICE_INFO, Bytes.NONE);

    static Stream<ArtPacket> packets() {
        return Stream.of(
                new ArtPacket.Poll(),
                REPLY,
                new Dmx(7, 1, ADDRESS, Bytes.of(255, 128, 0, 1)),
                new TodRequest(1, List.of(0x23, 0x24)),
                new TodData(1, 1, ADDRESS, true, 2, 0, List.of(UNIT, Uid.parse("7FF0:00000002"))),
                new TodData(1, 1, ADDRESS, false, 0, 0, List.of()),
                new TodControl(ADDRESS, TodControl.FLUSH),
                Rdm.carrying(ADDRESS, MESSAGE),
                new ArtPacket.IpEnquiry(),
                new ArtPacket.IpProgram(Ipv4.of(10, 0, 0, 20), Ipv4.of(255, 255, 255, 0)),
                new ArtPacket.Address(
                        2,
                        OptionalInt.of(1),
                        OptionalInt.of(0),
                        "Quay node",
                        Map.of(2, 4),
                        Map.of(1, 15, 4, 0),
                        ProgramCommand.merge(3, true)),
                ArtPacket.Address.doing(1, ProgramCommand.whenLost(WhenLost.ZERO)),
                new ArtPacket.IpReply(Ipv4.of(10, 0, 0, 20), Ipv4.of(255, 255, 255, 0)),
                new Unknown(0x9700, Bytes.of(1, 2, 3)));
    }

    @ParameterizedTest
    @MethodSource("packets")
    void everyPacketComesBackAsItWas(ArtPacket packet) throws MalformedPacketException {
        assertThat(ArtNetCodec.decode(ArtNetCodec.encode(packet))).isEqualTo(packet);
    }

    @ParameterizedTest
    @MethodSource("packets")
    void aPacketCutShortAnywhereIsMalformedOrStillWholeInItself(ArtPacket packet) {
        byte[] whole = ArtNetCodec.encode(packet);
        for (int length = 0; length < whole.length; length++) {
            byte[] cut = Arrays.copyOf(whole, length);
            try {
                ArtPacket read = ArtNetCodec.decode(cut);
                assertThat(ArtNetCodec.decode(ArtNetCodec.encode(read)))
                        .as("%s bytes", length)
                        .isEqualTo(read);
            } catch (MalformedPacketException e) {
                assertThat(e).hasMessageContaining("should be");
            }
        }
    }

    @Test
    void noiseNeverDoesWorseThanMalformed() {
        Random random = new Random(3);
        for (int i = 0; i < 20_000; i++) {
            byte[] noise = ArtNetCodec.encode(packets().toList().get(i % 8)).clone();
            for (int k = 0; k < 4; k++) {
                noise[8 + random.nextInt(noise.length - 8)] = (byte) random.nextInt();
            }
            try {
                assertThat(ArtNetCodec.decode(noise)).isNotNull();
            } catch (MalformedPacketException e) {
                assertThat(e.getMessage()).isNotBlank();
            }
        }
    }

    @Test
    void levelsAreReadByTshark() {
        byte[] packet = ArtNetCodec.encode(new Dmx(7, 1, ADDRESS, Bytes.of(255, 128, 0, 1)));
        assertThat(tshark(
                        packet,
                        "artnet.header.id",
                        "artnet.header.opcode",
                        "artnet.header.protver",
                        "artnet.output.sequence",
                        "artnet.output.physical",
                        "artnet.output.universe",
                        "artnet.output.length"))
                .containsExactly("Art-Net", "0x5000", "14", "7", "1", "291", "4");
    }

    /** A byte of 128 and more is no number below zero: Sub-Net and Universe from 128 on, Net up to 127. */
    @Test
    void everyPortAddressComesBackFromTheBytesOfItsPacket() throws MalformedPacketException {
        for (int number = 0; number <= PortAddress.LAST; number += number < 512 ? 1 : 127) {
            Dmx dmx = new Dmx(1, 0, new PortAddress(number), Bytes.of(255, 0));
            assertThat(ArtNetCodec.decode(ArtNetCodec.encode(dmx))).isEqualTo(dmx);
        }
    }

    @Test
    void levelsForUniversesFrom128OnAreReadByTshark() {
        for (PortAddress address :
                new PortAddress[] {PortAddress.of(0, 8, 0), PortAddress.of(0, 15, 15), PortAddress.of(127, 15, 15)}) {
            byte[] packet = ArtNetCodec.encode(new Dmx(7, 1, address, Bytes.of(255, 128)));
            assertThat(tshark(packet, "artnet.output.universe")).containsExactly(Integer.toString(address.number()));
        }
    }

    @Test
    void aPollIsReadByTshark() {
        byte[] packet = ArtNetCodec.encode(new ArtPacket.Poll());
        assertThat(tshark(packet, "artnet.header.opcode", "artnet.header.protver"))
                .containsExactly("0x2000", "14");
    }

    @Test
    void askingForTheMaskProgramsNothingAndIsReadByTshark() {
        byte[] packet = ArtNetCodec.encode(new ArtPacket.IpEnquiry());
        assertThat(tshark(packet, "artnet.header.opcode", "artnet.ip_prog.command"))
                .containsExactly("0xf800", "0x00");
        byte[] reply = ArtNetCodec.encode(new ArtPacket.IpReply(Ipv4.of(10, 0, 0, 20), Ipv4.of(255, 255, 255, 0)));
        assertThat(tshark(reply, "artnet.header.opcode", "artnet.ip_prog_reply.ip", "artnet.ip_prog_reply.sm"))
                .containsExactly("0xf900", "10.0.0.20", "255.255.255.0");
    }

    @Test
    void whatProgramsAPageLeavesTheRestAloneAndIsReadByTshark() {
        byte[] packet = ArtNetCodec.encode(new ArtPacket.Address(
                2,
                OptionalInt.of(0),
                OptionalInt.empty(),
                "Quay node",
                Map.of(2, 4),
                Map.of(1, 15),
                ProgramCommand.merge(3, true)));
        assertThat(packet).hasSize(107);
        assertThat(tshark(
                        packet,
                        "artnet.header.opcode",
                        "artnet.address.netswitch_write",
                        "artnet.address.netswitch_net",
                        "artnet.address.subswitch_special",
                        "artnet.address.short_name",
                        "artnet.address.swin_1",
                        "artnet.address.swin_2",
                        "artnet.address.swout_1",
                        "artnet.address.swout_4",
                        "artnet.address.command"))
                .containsExactly("0x6000", "1", "0", "0x7f", "Quay node", "0x7f", "0x84", "0x8f", "0x7f", "0x12");
    }

    /** The codes as the table of commands that tshark carries has them. */
    @Test
    void commandsHaveTheCodesOfTheProtocol() {
        assertThat(ProgramCommand.merge(1, true).code()).isEqualTo(0x10);
        assertThat(ProgramCommand.merge(4, false).code()).isEqualTo(0x53);
        assertThat(ProgramCommand.turn(1, true).code()).isEqualTo(0x20);
        assertThat(ProgramCommand.turn(4, false).code()).isEqualTo(0x33);
        assertThat(ProgramCommand.take(2, false).code()).isEqualTo(0x61);
        assertThat(ProgramCommand.take(2, true).code()).isEqualTo(0x71);
        assertThat(ProgramCommand.rdm(3, true).code()).isEqualTo(0xC2);
        assertThat(ProgramCommand.rdm(3, false).code()).isEqualTo(0xD2);
        assertThat(ProgramCommand.whenLost(WhenLost.HOLD).code()).isEqualTo(0x08);
        assertThat(ProgramCommand.whenLost(WhenLost.SCENE).code()).isEqualTo(0x0B);
        assertThatThrownBy(() -> ProgramCommand.rdm(5, true)).hasMessageContaining("1 to 4");
    }

    @Test
    void anAddressIsProgrammedWithItsMaskAndNothingElseAsTsharkReadsIt() {
        byte[] packet = ArtNetCodec.encode(new ArtPacket.IpProgram(Ipv4.of(10, 0, 0, 20), Ipv4.of(255, 255, 255, 0)));
        assertThat(packet).hasSize(34);
        assertThat(tshark(
                        packet,
                        "artnet.header.opcode",
                        "artnet.ip_prog.command",
                        "artnet.ip_prog.command_dhcp_enable",
                        "artnet.ip_prog.ip",
                        "artnet.ip_prog.sm"))
                .containsExactly("0xf800", "0x86", "0", "10.0.0.20", "255.255.255.0");
    }

    @Test
    void whatANodeDoesWhenItsDataStopsIsOnlyTakenFromOneThatKnowsOfIt() throws MalformedPacketException {
        byte[] packet = ArtNetCodec.encode(REPLY);
        int status3 = 217;
        assertThat(packet[status3] & 0xFF).isEqualTo(0xE0);
        packet[status3] = 0;
        assertThat(((PollReply) ArtNetCodec.decode(packet)).whenLost()).isEmpty();
        packet[status3] = 0x40;
        assertThat(((PollReply) ArtNetCodec.decode(packet)).whenLost()).contains(WhenLost.ZERO);
    }

    @Test
    void aPollReplyHas239BytesAndIsReadByTshark() {
        byte[] packet = ArtNetCodec.encode(REPLY);
        assertThat(packet).hasSize(239);
        assertThat(tshark(
                        packet,
                        "artnet.header.opcode",
                        "artnet.poll_reply.ip_address",
                        "artnet.poll_reply.netswitch",
                        "artnet.poll_reply.subswitch",
                        "artnet.poll_reply.short_name",
                        "artnet.poll_reply.long_name",
                        "artnet.poll_reply.num_ports",
                        "artnet.poll_reply.port_types_1",
                        "artnet.poll_reply.port_types_3",
                        "artnet.poll_reply.swout_1",
                        "artnet.poll_reply.port_types_2",
                        "artnet.poll_reply.swin_2",
                        "artnet.poll_reply.mac",
                        "artnet.poll_reply.bind_index",
                        "artnet.poll_reply.bind_ip_address"))
                .containsExactly(
                        "0x2100",
                        "127.0.0.2",
                        "0x01",
                        "0x02",
                        "Quay node",
                        "Quay node, simulated",
                        "3",
                        "0x80",
                        "0x00",
                        "0x03",
                        "0x40",
                        "0x04",
                        "02:00:5e:10:00:01",
                        "0x01",
                        "127.0.0.2");
    }

    @Test
    void aTableOfDevicesIsAskedForAndReadByTshark() {
        assertThat(tshark(
                        ArtNetCodec.encode(new TodRequest(1, List.of(0x23))),
                        "artnet.header.opcode",
                        "artnet.tod_request.net",
                        "artnet.tod_request.command",
                        "artnet.tod_request.ad_count"))
                .containsExactly("0x8000", "0x01", "0x00", "1");
        assertThat(tshark(
                        ArtNetCodec.encode(new TodData(2, 1, ADDRESS, true, 1, 0, List.of(UNIT))),
                        "artnet.header.opcode",
                        "artnet.tod_data.port",
                        "artnet.tod_data.net",
                        "artnet.tod_data.address",
                        "artnet.tod_data.uid_total",
                        "artnet.tod_data.uid_count",
                        "artnet.tod_data.tod"))
                .containsExactly("0x8100", "2", "0x01", "0x23", "1", "1", "7ff000000001");
        assertThat(tshark(
                        ArtNetCodec.encode(new TodControl(ADDRESS, TodControl.FLUSH)),
                        "artnet.header.opcode",
                        "artnet.tod_control.net",
                        "artnet.tod_control.command"))
                .containsExactly("0x8200", "0x01", "0x01");
    }

    @Test
    void remoteManagementInsideArtNetIsReadByTshark() {
        assertThat(tshark(
                        ArtNetCodec.encode(Rdm.carrying(ADDRESS, MESSAGE)),
                        "artnet.header.opcode",
                        "artnet.rdm.net",
                        "artnet.rdm.address",
                        "artnet.rdm.rdmver",
                        "rdm.src",
                        "rdm.tn",
                        "rdm.cc",
                        "rdm.pid",
                        "rdm.pdl",
                        "rdm.checksum.status"))
                .containsExactly("0x8300", "0x01", "0x23", "0x01", "7ff0ffff0001", "5", "0x20", "0x0060", "0", "1");
    }

    @Test
    void oddOrEmptyLevelsAreRefused() {
        assertThatThrownBy(() -> new Dmx(1, 0, ADDRESS, Bytes.of(1, 2, 3))).hasMessageContaining("even number");
        byte[] packet = ArtNetCodec.encode(new Dmx(1, 0, ADDRESS, Bytes.of(1, 2)));
        packet[17] = 3;
        assertThatThrownBy(() -> ArtNetCodec.decode(packet)).hasMessageContaining("even, 2 to 512");
    }

    private static List<String> tshark(byte[] packet, String... fields) {
        return Tshark.fields(packet, ArtNetCodec.UDP_PORT, fields);
    }
}
