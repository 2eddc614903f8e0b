package taxon.wire.sacn.codec;

import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;

/**
 * Says that what was sent for a synchronisation address is in force now (ANSI E1.31, 6.3, from memory).
 *
 * @param cid 16 bytes that name the sender
 * @param sequence 0 to 255
 * @param address the synchronisation address, 1 to 63999
 */
public record SacnSync(Bytes cid, int sequence, int address) implements SacnPacket {
    private static final int END = 49;
    private static final int FRAMING_VECTOR = 0x0000_0001;

    @Override
    public byte[] encode() {
        return RootLayer.begin(END, RootLayer.EXTENDED, cid)
                .u16(RootLayer.length(END, RootLayer.LENGTH))
                .u32(FRAMING_VECTOR)
                .u8(sequence)
                .u16(address)
                .u16(0)
                .toArray();
    }

    static SacnSync read(ByteReader in, Bytes cid) throws MalformedPacketException {
        int sequence = in.u8();
        int address = in.u16();
        in.skip(2);
        in.expect("the number of bytes left", 0, in.remaining());
        return new SacnSync(cid, sequence, address);
    }
}
