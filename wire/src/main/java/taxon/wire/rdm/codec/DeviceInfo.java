package taxon.wire.rdm.codec;

import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;

/**
 * What a device says of itself in one answer of 19 bytes (ANSI E1.20, 10.5.1, from memory).
 *
 * @param personality the current one, from 1
 * @param startAddress 1 to 512, or 0xFFFF when the footprint is 0
 */
public record DeviceInfo(
        int modelId,
        int category,
        long softwareVersion,
        int footprint,
        int personality,
        int personalityCount,
        int startAddress,
        int subDevices,
        int sensors) {
    public static final int LENGTH = 19;
    public static final int NO_ADDRESS = 0xFFFF;

    private static final int PROTOCOL = 0x0100;

    public Bytes encode() {
        return Bytes.of(new ByteWriter()
                .u16(PROTOCOL)
                .u16(modelId)
                .u16(category)
                .u32(softwareVersion)
                .u16(footprint)
                .u8(personality)
                .u8(personalityCount)
                .u16(startAddress)
                .u16(subDevices)
                .u8(sensors)
                .toArray());
    }

    public static DeviceInfo decode(Bytes data) throws MalformedPacketException {
        ByteReader in = data.reader();
        in.expect("the length of the device info", LENGTH, data.length());
        in.expect("the RDM protocol version", PROTOCOL, in.u16());
        return new DeviceInfo(in.u16(), in.u16(), in.u32(), in.u16(), in.u8(), in.u8(), in.u16(), in.u16(), in.u8());
    }
}
