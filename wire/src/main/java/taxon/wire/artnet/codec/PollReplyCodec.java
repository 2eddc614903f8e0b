package taxon.wire.artnet.codec;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToIntFunction;
import taxon.core.network.BoxPort.WhenLost;
import taxon.core.network.Ipv4;
import taxon.wire.artnet.codec.ArtPacket.Flow;
import taxon.wire.artnet.codec.ArtPacket.Output;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.artnet.codec.ArtPacket.Port;
import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.MalformedPacketException;

/**
 * The poll reply, 239 bytes, field by field (Art-Net 4, "ArtPollReply", from memory).
 *
 * <p>After the opcode: IP (4), UDP port low byte first (2), firmware (2), Net, Sub-Net, OEM (2), UBEA, status 1,
 * manufacturer (2), short name (18), long name (64), report (64), number of ports (2), port types (4), good input (4),
 * good output A (4), input universes (4), output universes (4), priority, macro, remote, spare (3), style, MAC (6), bind
 * IP (4), bind index, status 2, good output B (4), status 3, default responder (6), spare (15).
 */
final class PollReplyCodec {
    private static final int PORTS = 4;
    private static final int OUTPUT = 0x80;
    private static final int INPUT = 0x40;
    private static final int DATA_FLOWS = 0x80;
    private static final int MERGING = 0x08;
    private static final int LATEST = 0x02;
    private static final int TAKES_SACN = 0x01;
    /** In good output B: set where remote management is off. */
    private static final int RDM_OFF = 0x80;
    /** In status 1: the node can do remote management. */
    private static final int RDM_CAPABLE = 0x02;
    /** In status 2: 15-bit Port-Addresses. */
    private static final int LONG_ADDRESSES = 0x08;

    /** In status 2: ports take Art-Net or streaming ACN as they are told. */
    private static final int SWITCHES_PROTOCOL = 0x10;
    /** In status 3: bits 7 and 6 say what it does when data stops, in the order of {@link WhenLost}. */
    private static final int FAILSAFE_SHIFT = 6;
    /** In status 3: the node knows of that at all. */
    private static final int KNOWS_FAILSAFE = 0x20;

    private PollReplyCodec() {}

    static byte[] encode(ByteWriter out, PollReply reply) {
        ip(out, reply.ip())
                .u16LittleEndian(ArtNetCodec.UDP_PORT)
                .u16(reply.firmware())
                .u8(reply.net())
                .u8(reply.subNet());
        out.u16(0).u8(0).u8(RDM_CAPABLE).u16(0);
        out.text(reply.shortName(), 18).text(reply.longName(), 64).text(reply.report(), 64);
        out.u16(reply.ports().size());
        perPort(out, reply, PollReplyCodec::type);
        out.zeros(PORTS);
        perPort(out, reply, p -> goodOutput(p.output()));
        perPort(out, reply, p -> p.flow() == Flow.IN ? p.universe() : 0);
        perPort(out, reply, p -> p.flow() == Flow.IN ? 0 : p.universe());
        out.zeros(6).u8(0);
        out.u16((int) (reply.mac() >>> Integer.SIZE)).u32(reply.mac() & 0xFFFF_FFFFL);
        ip(out, reply.ip())
                .u8(reply.bindIndex())
                .u8(LONG_ADDRESSES | (reply.switchesProtocol() ? SWITCHES_PROTOCOL : 0));
        perPort(out, reply, p -> p.rdm() ? 0 : RDM_OFF);
        return out.u8(reply.whenLost()
                        .map(w -> ProgramCommand.FAILSAFES.indexOf(w) << FAILSAFE_SHIFT | KNOWS_FAILSAFE)
                        .orElse(0))
                .zeros(6)
                .zeros(15)
                .toArray();
    }

    private static int type(Port port) {
        return switch (port.flow()) {
            case OUT -> OUTPUT;
            case IN -> INPUT;
            case NONE -> 0;
        };
    }

    private static int goodOutput(Output output) {
        return (output.dataFlows() ? DATA_FLOWS : 0)
                | (output.merging() ? MERGING : 0)
                | (output.latest() ? LATEST : 0)
                | (output.sacn() ? TAKES_SACN : 0);
    }

    private static Output output(int good) {
        return new Output(
                (good & DATA_FLOWS) != 0, (good & MERGING) != 0, (good & LATEST) != 0, (good & TAKES_SACN) != 0);
    }

    private static Flow flow(int type) {
        return (type & OUTPUT) != 0 ? Flow.OUT : (type & INPUT) != 0 ? Flow.IN : Flow.NONE;
    }

    private static void perPort(ByteWriter out, PollReply reply, ToIntFunction<Port> value) {
        for (int i = 0; i < PORTS; i++) {
            out.u8(i < reply.ports().size() ? value.applyAsInt(reply.ports().get(i)) : 0);
        }
    }

    private static ByteWriter ip(ByteWriter out, Ipv4 ip) {
        return out.u32(Integer.toUnsignedLong(ip.bits()));
    }

    /** Older nodes end their reply earlier; what is not there reads as zero. */
    static PollReply decode(ByteReader in) throws MalformedPacketException {
        Ipv4 ip = new Ipv4((int) in.u32());
        in.skip(2);
        int firmware = in.u16();
        int net = in.u8();
        int subNet = in.u8();
        if (net > 127 || subNet > 15) {
            throw new MalformedPacketException("the Net and Sub-Net", net << 8 | subNet, "0 to 127 and 0 to 15");
        }
        in.skip(6);
        String shortName = in.text(18);
        String longName = in.text(64);
        String report = in.text(64);
        int count = in.u16();
        if (count > PORTS) {
            throw new MalformedPacketException("the number of ports", count, "at most " + PORTS);
        }
        byte[] types = in.bytes(PORTS).toArray();
        in.skip(PORTS);
        byte[] outputA = in.bytes(PORTS).toArray();
        byte[] inputs = in.bytes(PORTS).toArray();
        byte[] outputs = in.bytes(PORTS).toArray();
        in.skip(Math.min(in.remaining(), 7));
        long mac = in.remaining() >= 6 ? (long) in.u16() << Integer.SIZE | in.u32() : 0;
        in.skip(Math.min(in.remaining(), 4));
        int bindIndex = in.remaining() > 0 ? in.u8() : 0;
        int status2 = in.remaining() > 0 ? in.u8() : 0;
        byte[] outputB = in.remaining() >= PORTS ? in.bytes(PORTS).toArray() : new byte[PORTS];
        int status3 = in.remaining() > 0 ? in.u8() : 0;
        List<Port> ports = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Flow flow = flow(types[i]);
            int universe = (flow == Flow.IN ? inputs[i] : outputs[i]) & 0xF;
            ports.add(new Port(universe, flow, (outputB[i] & RDM_OFF) == 0, output(outputA[i])));
        }
        return new PollReply(
                ip,
                shortName,
                longName,
                report,
                firmware,
                net,
                subNet,
                mac,
                bindIndex,
                whenLost(status3),
                (status2 & SWITCHES_PROTOCOL) != 0,
                ports);
    }

    private static Optional<WhenLost> whenLost(int status3) {
        int failsafe = status3 >>> FAILSAFE_SHIFT;
        // A node that says neither that it knows of it nor anything but the first is one that leaves the field alone.
        return (status3 & KNOWS_FAILSAFE) == 0 && failsafe == 0
                ? Optional.empty()
                : Optional.of(ProgramCommand.FAILSAFES.get(failsafe));
    }
}
