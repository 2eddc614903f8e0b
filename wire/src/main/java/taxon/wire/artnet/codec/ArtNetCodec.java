package taxon.wire.artnet.codec;

import java.util.ArrayList;
import java.util.List;
import taxon.core.dmx.Slot;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.wire.artnet.codec.ArtPacket.Dmx;
import taxon.wire.artnet.codec.ArtPacket.IpEnquiry;
import taxon.wire.artnet.codec.ArtPacket.IpReply;
import taxon.wire.artnet.codec.ArtPacket.Poll;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.artnet.codec.ArtPacket.Rdm;
import taxon.wire.artnet.codec.ArtPacket.TodControl;
import taxon.wire.artnet.codec.ArtPacket.TodData;
import taxon.wire.artnet.codec.ArtPacket.TodRequest;
import taxon.wire.artnet.codec.ArtPacket.Unknown;
import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;
import taxon.wire.rdm.codec.Uid;

/**
 * From Art-Net packets to bytes and back.
 *
 * <p>Every packet begins with "Art-Net", a zero and the opcode, low byte first; all but the poll reply follow with the
 * protocol version, 14.
 */
public final class ArtNetCodec {
    public static final int UDP_PORT = 6454;

    static final int POLL = 0x2000;
    static final int POLL_REPLY = 0x2100;
    static final int DMX = 0x5000;
    static final int ADDRESS = 0x6000;
    static final int TOD_REQUEST = 0x8000;
    static final int TOD_DATA = 0x8100;
    static final int TOD_CONTROL = 0x8200;
    static final int RDM = 0x8300;
    static final int IP_PROG = 0xF800;
    static final int IP_PROG_REPLY = 0xF900;

    private static final Bytes ID = Bytes.ofText("Art-Net\0");
    private static final int VERSION = 14;
    private static final int RDM_VERSION = 1;
    private static final int TOD_FULL = 0;
    /** "The ToD is not available or discovery is incomplete" (Art-Net 4, ArtTodData, from memory). */
    private static final int TOD_NAK = 0xFF;

    private ArtNetCodec() {}

    public static byte[] encode(ArtPacket packet) {
        if (packet instanceof PollReply reply) {
            return PollReplyCodec.encode(begin(POLL_REPLY), reply);
        }
        if (packet instanceof Poll) {
            return versioned(POLL).u8(0).u8(0).toArray();
        }
        if (packet instanceof Dmx dmx) {
            return encode(dmx);
        }
        if (packet instanceof TodRequest request) {
            ByteWriter out = versioned(TOD_REQUEST).zeros(9).u8(request.net()).u8(TOD_FULL);
            out.u8(request.subUnis().size());
            request.subUnis().forEach(out::u8);
            return out.zeros(32 - request.subUnis().size()).toArray();
        }
        if (packet instanceof TodData data) {
            return encode(data);
        }
        if (packet instanceof TodControl control) {
            return versioned(TOD_CONTROL)
                    .zeros(9)
                    .u8(control.address().net())
                    .u8(control.command())
                    .u8(control.address().subUni())
                    .toArray();
        }
        if (packet instanceof Rdm rdm) {
            return versioned(RDM)
                    .u8(RDM_VERSION)
                    .zeros(8)
                    .u8(rdm.address().net())
                    .u8(0)
                    .u8(rdm.address().subUni())
                    .bytes(rdm.message())
                    .toArray();
        }
        if (packet instanceof IpEnquiry) {
            return ProgramCodec.enquiry();
        }
        if (packet instanceof ArtPacket.Address || packet instanceof ArtPacket.IpProgram) {
            return ProgramCodec.encode(packet);
        }
        if (packet instanceof IpReply reply) {
            return versioned(IP_PROG_REPLY)
                    .zeros(4)
                    .u32(Integer.toUnsignedLong(reply.ip().bits()))
                    .u32(Integer.toUnsignedLong(reply.mask().bits()))
                    .u16(UDP_PORT)
                    .zeros(8)
                    .toArray();
        }
        Unknown unknown = (Unknown) packet;
        return begin(unknown.opcode()).bytes(unknown.rest()).toArray();
    }

    private static byte[] encode(Dmx dmx) {
        return versioned(DMX)
                .u8(dmx.sequence())
                .u8(dmx.physical())
                .u8(dmx.address().subUni())
                .u8(dmx.address().net())
                .u16(dmx.levels().length())
                .bytes(dmx.levels())
                .toArray();
    }

    private static byte[] encode(TodData data) {
        ByteWriter out = versioned(TOD_DATA)
                .u8(RDM_VERSION)
                .u8(data.physicalPort())
                .zeros(6)
                .u8(data.bindIndex())
                .u8(data.address().net())
                .u8(data.available() ? TOD_FULL : TOD_NAK)
                .u8(data.address().subUni())
                .u16(data.total())
                .u8(data.block())
                .u8(data.uids().size());
        data.uids().forEach(u -> u.write(out));
        return out.toArray();
    }

    public static ArtPacket decode(byte[] bytes) throws MalformedPacketException {
        ByteReader in = new ByteReader(bytes);
        if (!in.bytes(ID.length()).equals(ID)) {
            throw new MalformedPacketException("the first byte", bytes[0], "the beginning of \"Art-Net\"");
        }
        int opcode = in.u16LittleEndian();
        if (opcode == POLL_REPLY) {
            return PollReplyCodec.decode(in);
        }
        return isKnown(opcode) ? decodeVersioned(opcode, in) : new Unknown(opcode, in.bytes(in.remaining()));
    }

    private static boolean isKnown(int opcode) {
        return List.of(POLL, DMX, ADDRESS, TOD_REQUEST, TOD_DATA, TOD_CONTROL, RDM, IP_PROG, IP_PROG_REPLY)
                .contains(opcode);
    }

    private static ArtPacket decodeVersioned(int opcode, ByteReader in) throws MalformedPacketException {
        int version = in.u16();
        if (version < VERSION) {
            throw new MalformedPacketException("the protocol version", version, VERSION + " or above");
        }
        return switch (opcode) {
            case POLL -> new Poll();
            case DMX -> dmx(in);
            case TOD_REQUEST -> todRequest(in);
            case TOD_DATA -> todData(in);
            case TOD_CONTROL -> todControl(in);
            case ADDRESS -> ProgramCodec.address(in);
            case IP_PROG -> ProgramCodec.ipProg(in);
            case IP_PROG_REPLY -> ipReply(in);
            default -> rdm(in);
        };
    }

    private static IpReply ipReply(ByteReader in) throws MalformedPacketException {
        in.skip(4);
        Ipv4 ip = new Ipv4((int) in.u32());
        return new IpReply(ip, new Ipv4((int) in.u32()));
    }

    private static Dmx dmx(ByteReader in) throws MalformedPacketException {
        int sequence = in.u8();
        int physical = in.u8();
        int subUni = in.u8();
        PortAddress address = address(in.u8(), subUni);
        int length = in.u16();
        if (length < 2 || length > Slot.LAST || length % 2 != 0) {
            throw new MalformedPacketException("the number of levels", length, "even, 2 to 512");
        }
        return new Dmx(sequence, physical, address, in.bytes(length));
    }

    private static TodRequest todRequest(ByteReader in) throws MalformedPacketException {
        in.skip(9);
        int net = in.u8();
        in.skip(1);
        int count = in.u8();
        if (count > 32) {
            throw new MalformedPacketException("the number of Port-Addresses", count, "at most 32");
        }
        List<Integer> subUnis = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            subUnis.add(in.u8());
        }
        return new TodRequest(net, subUnis);
    }

    private static TodData todData(ByteReader in) throws MalformedPacketException {
        in.skip(1);
        int physicalPort = in.u8();
        in.skip(6);
        int bindIndex = in.u8();
        int net = in.u8();
        boolean available = in.u8() != TOD_NAK;
        PortAddress address = address(net, in.u8());
        int total = in.u16();
        int block = in.u8();
        int count = in.u8();
        if (count > 200) {
            throw new MalformedPacketException("the number of UIDs", count, "at most 200");
        }
        List<Uid> uids = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            uids.add(Uid.read(in));
        }
        return new TodData(physicalPort, bindIndex, address, available, total, block, uids);
    }

    private static TodControl todControl(ByteReader in) throws MalformedPacketException {
        in.skip(9);
        int net = in.u8();
        int command = in.u8();
        return new TodControl(address(net, in.u8()), command);
    }

    private static Rdm rdm(ByteReader in) throws MalformedPacketException {
        in.skip(9);
        int net = in.u8();
        in.skip(1);
        PortAddress address = address(net, in.u8());
        return new Rdm(address, in.bytes(in.remaining()));
    }

    private static PortAddress address(int net, int subUni) throws MalformedPacketException {
        if (net > 127) {
            throw new MalformedPacketException("the Net", net, "0 to 127");
        }
        return new PortAddress(net << 8 | subUni);
    }

    private static ByteWriter begin(int opcode) {
        return new ByteWriter().bytes(ID).u16LittleEndian(opcode);
    }

    static ByteWriter versioned(int opcode) {
        return begin(opcode).u16(VERSION);
    }
}
