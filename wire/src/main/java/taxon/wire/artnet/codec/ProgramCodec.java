package taxon.wire.artnet.codec;

import java.util.HashMap;
import java.util.Map;
import java.util.OptionalInt;
import taxon.core.network.Ipv4;
import taxon.wire.artnet.codec.ArtPacket.Address;
import taxon.wire.artnet.codec.ArtPacket.IpEnquiry;
import taxon.wire.artnet.codec.ArtPacket.IpProgram;
import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.MalformedPacketException;

/**
 * The packets that program a node, field by field (Art-Net 4, "ArtAddress" and "ArtIpProg", from memory).
 *
 * <p>ArtAddress, after the version: Net, bind index, short name (18), long name (64), inputs (4), outputs (4), Sub-Net, priority of
 * streaming ACN, command. A number is taken where bit 7 is set; 0x7F leaves it. ArtIpProg: filler (2), command, filler, IP (4),
 * mask (4), port (2), gateway (4), spare (4).
 */
final class ProgramCodec {
    private static final int PORTS = 4;
    private static final int PROGRAM = 0x80;
    private static final int LEAVE = 0x7F;
    private static final int LEAVE_PRIORITY = 0xFF;
    private static final int NAME = 18;
    private static final int LONG_NAME = 64;
    /** ArtIpProg that changes nothing: no bit of its command is set. */
    private static final int ENQUIRY = 0;

    private static final int PROGRAM_IP = 0x04;
    private static final int PROGRAM_MASK = 0x02;

    private ProgramCodec() {}

    static byte[] enquiry() {
        return ArtNetCodec.versioned(ArtNetCodec.IP_PROG)
                .zeros(2)
                .u8(ENQUIRY)
                .zeros(19)
                .toArray();
    }

    static byte[] encode(ArtPacket packet) {
        if (packet instanceof Address address) {
            return encode(address);
        }
        IpProgram program = (IpProgram) packet;
        return ArtNetCodec.versioned(ArtNetCodec.IP_PROG)
                .zeros(2)
                .u8(PROGRAM | PROGRAM_IP | PROGRAM_MASK)
                .zeros(1)
                .u32(Integer.toUnsignedLong(program.ip().bits()))
                .u32(Integer.toUnsignedLong(program.mask().bits()))
                .zeros(10)
                .toArray();
    }

    private static byte[] encode(Address address) {
        ByteWriter out = ArtNetCodec.versioned(ArtNetCodec.ADDRESS);
        out.u8(number(address.net())).u8(address.bindIndex());
        out.text(address.shortName(), NAME).zeros(LONG_NAME);
        numbers(out, address.inputs());
        numbers(out, address.outputs());
        return out.u8(number(address.subNet()))
                .u8(LEAVE_PRIORITY)
                .u8(address.command().code())
                .toArray();
    }

    private static int number(OptionalInt number) {
        return number.isPresent() ? PROGRAM | number.getAsInt() : LEAVE;
    }

    private static void numbers(ByteWriter out, Map<Integer, Integer> numbers) {
        for (int port = 1; port <= PORTS; port++) {
            out.u8(numbers.containsKey(port) ? PROGRAM | numbers.getOrDefault(port, 0) : LEAVE);
        }
    }

    static Address address(ByteReader in) throws MalformedPacketException {
        OptionalInt net = number(in, LEAVE);
        int bindIndex = in.u8();
        String shortName = in.text(NAME);
        in.skip(LONG_NAME);
        Map<Integer, Integer> inputs = numbers(in);
        Map<Integer, Integer> outputs = numbers(in);
        OptionalInt subNet = number(in, 0xF);
        in.skip(1);
        return new Address(bindIndex, net, subNet, shortName, inputs, outputs, new ProgramCommand(in.u8()));
    }

    private static OptionalInt number(ByteReader in, int bits) throws MalformedPacketException {
        int said = in.u8();
        return (said & PROGRAM) == 0 ? OptionalInt.empty() : OptionalInt.of(said & bits);
    }

    private static Map<Integer, Integer> numbers(ByteReader in) throws MalformedPacketException {
        Map<Integer, Integer> numbers = new HashMap<>();
        for (int port = 1; port <= PORTS; port++) {
            OptionalInt number = number(in, 0xF);
            if (number.isPresent()) {
                numbers.put(port, number.getAsInt());
            }
        }
        return numbers;
    }

    /** What programs anything but an address with its mask is none of ours. */
    static ArtPacket ipProg(ByteReader in) throws MalformedPacketException {
        in.skip(2);
        int command = in.u8();
        if (command == ENQUIRY) {
            return new IpEnquiry();
        }
        in.skip(1);
        Ipv4 ip = new Ipv4((int) in.u32());
        Ipv4 mask = new Ipv4((int) in.u32());
        return command == (PROGRAM | PROGRAM_IP | PROGRAM_MASK)
                ? new IpProgram(ip, mask)
                : new ArtPacket.Unknown(ArtNetCodec.IP_PROG, in.bytes(in.remaining()));
    }
}
