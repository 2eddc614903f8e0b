package taxon.wire.rdm.codec;

import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;

/**
 * What a device calls one of its personalities (ANSI E1.20, 10.6.2, from memory).
 *
 * @param number from 1
 * @param footprint slots of the device itself
 * @param name at most 32 bytes
 */
public record PersonalityDescription(int number, int footprint, String name) {
    public static final int LONGEST_NAME = 32;

    public Bytes encode() {
        Bytes text = Bytes.ofText(name);
        return Bytes.of(new ByteWriter().u8(number).u16(footprint).bytes(text).toArray());
    }

    public static PersonalityDescription decode(Bytes data) throws MalformedPacketException {
        ByteReader in = data.reader();
        int number = in.u8();
        int footprint = in.u16();
        if (in.remaining() > LONGEST_NAME) {
            throw new MalformedPacketException("the length of the name", in.remaining(), "at most " + LONGEST_NAME);
        }
        return new PersonalityDescription(number, footprint, in.text(in.remaining()));
    }
}
