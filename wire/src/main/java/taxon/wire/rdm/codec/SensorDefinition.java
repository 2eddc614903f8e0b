package taxon.wire.rdm.codec;

import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;

/**
 * What one sensor of a device measures (ANSI E1.20, 10.7.1, from memory).
 *
 * @param number from 0
 * @param type such as 0x00 temperature (table A-12)
 * @param unit such as 0x01 degrees Celsius (table A-13)
 * @param prefix of the unit: 0x00 none, 0x01 deci, 0x11 deca and so on (table A-14)
 * @param name at most 32 bytes
 */
public record SensorDefinition(int number, int type, int unit, int prefix, String name) {
    private static final int RANGES = 4;
    private static final int LONGEST_NAME = 32;

    public Bytes encode() {
        ByteWriter out = new ByteWriter().u8(number).u8(type).u8(unit).u8(prefix);
        return Bytes.of(out.zeros(2 * RANGES + 1).bytes(Bytes.ofText(name)).toArray());
    }

    public static SensorDefinition decode(Bytes data) throws MalformedPacketException {
        ByteReader in = data.reader();
        int number = in.u8();
        int type = in.u8();
        int unit = in.u8();
        int prefix = in.u8();
        in.skip(2 * RANGES + 1);
        if (in.remaining() > LONGEST_NAME) {
            throw new MalformedPacketException("the length of the name", in.remaining(), "at most " + LONGEST_NAME);
        }
        return new SensorDefinition(number, type, unit, prefix, in.text(in.remaining()));
    }
}
