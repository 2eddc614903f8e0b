package taxon.wire.sacn.codec;

import taxon.core.dmx.Slot;
import taxon.core.network.SacnUniverse;
import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;

/**
 * A data packet of streaming ACN (ANSI E1.31, 4 to 7, from memory): a root layer with the CID, a framing layer with source,
 * priority, sequence and universe, and a DMP layer with the start code and up to 512 levels. 638 bytes with 512 slots.
 *
 * @param cid 16 bytes that name the sender
 * @param sourceName at most 63 bytes of UTF-8
 * @param priority 0 to 200, 100 by default
 * @param syncAddress 0 where nothing is synchronised
 * @param sequence 0 to 255
 * @param options bit 7 preview, bit 6 stream terminated, bit 5 force synchronisation
 * @param startCode 0 for levels
 * @param levels at most 512
 */
public record SacnData(
        Bytes cid,
        String sourceName,
        int priority,
        int syncAddress,
        int sequence,
        int options,
        SacnUniverse universe,
        int startCode,
        Bytes levels)
        implements SacnPacket {
    public static final int UDP_PORT = 5568;
    public static final int MOST_PRIORITY = 200;
    public static final int TERMINATED = 0x40;
    public static final int PREVIEW = 0x80;

    private static final int FRAMING_VECTOR = 0x0000_0002;
    private static final int DMP_VECTOR = 0x02;
    private static final int ADDRESS_AND_DATA = 0xA1;
    private static final int DMP_OFFSET = 115;
    private static final int LEVELS_OFFSET = 126;
    private static final int NAME_FIELD = 64;

    public SacnData {
        if (cid.length() != 16 || levels.length() > Slot.LAST || priority < 0 || priority > MOST_PRIORITY) {
            throw new IllegalArgumentException("CID of " + cid.length() + " bytes, " + levels.length()
                    + " levels, priority " + priority + ": they take 16, 0 to 512, 0 to 200");
        }
    }

    @Override
    public byte[] encode() {
        int end = LEVELS_OFFSET + levels.length();
        ByteWriter out = RootLayer.begin(end, RootLayer.DATA, cid);
        out.u16(RootLayer.length(end, RootLayer.LENGTH)).u32(FRAMING_VECTOR).text(sourceName, NAME_FIELD);
        out.u8(priority).u16(syncAddress).u8(sequence).u8(options).u16(universe.number());
        out.u16(RootLayer.length(end, DMP_OFFSET))
                .u8(DMP_VECTOR)
                .u8(ADDRESS_AND_DATA)
                .u16(0)
                .u16(1);
        return out.u16(levels.length() + 1).u8(startCode).bytes(levels).toArray();
    }

    static SacnData read(ByteReader in, Bytes cid, int end) throws MalformedPacketException {
        in.expect("the framing length", RootLayer.length(end, RootLayer.LENGTH), in.u16());
        in.expect("the framing vector", FRAMING_VECTOR, (int) in.u32());
        String sourceName = in.text(NAME_FIELD);
        int priority = bounded("the priority", in.u8(), 0, MOST_PRIORITY);
        int syncAddress = in.u16();
        int sequence = in.u8();
        int options = in.u8();
        SacnUniverse universe = new SacnUniverse(bounded("the universe", in.u16(), 1, 63_999));
        in.expect("the DMP length", RootLayer.length(end, DMP_OFFSET), in.u16());
        in.expect("the DMP vector", DMP_VECTOR, in.u8());
        in.expect("the address type", ADDRESS_AND_DATA, in.u8());
        in.expect("the first address", 0, in.u16());
        in.expect("the increment", 1, in.u16());
        int count = bounded("the property count", in.u16(), 1, Slot.LAST + 1);
        in.expect("the number of bytes left", count, in.remaining());
        int startCode = in.u8();
        return new SacnData(
                cid, sourceName, priority, syncAddress, sequence, options, universe, startCode, in.bytes(count - 1));
    }

    private static int bounded(String what, int value, int least, int most) throws MalformedPacketException {
        if (value < least || value > most) {
            throw new MalformedPacketException(what, value, least + " to " + most);
        }
        return value;
    }
}
