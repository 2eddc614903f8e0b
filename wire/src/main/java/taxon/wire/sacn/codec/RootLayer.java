package taxon.wire.sacn.codec;

import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;

/** What all packets of streaming ACN begin with (ANSI E1.31, 5, from memory). */
final class RootLayer {
    static final int DATA = 0x0000_0004;
    static final int EXTENDED = 0x0000_0008;
    static final int CID_LENGTH = 16;
    /** Where the layer after it begins. */
    static final int LENGTH = 38;

    private static final Bytes ACN_ID = Bytes.ofText("ASC-E1.17\0\0\0");
    private static final int PREAMBLE = 0x0010;
    private static final int FLAGS = 0x7000;
    private static final int LENGTH_FROM = 16;

    private RootLayer() {}

    /** The length of a layer from an offset to the end, with the flags that stand before it. */
    static int length(int end, int from) {
        return FLAGS | (end - from);
    }

    static ByteWriter begin(int end, int vector, Bytes cid) {
        return new ByteWriter()
                .u16(PREAMBLE)
                .u16(0)
                .bytes(ACN_ID)
                .u16(length(end, LENGTH_FROM))
                .u32(vector)
                .bytes(cid);
    }

    /** @return the vector; the CID comes next */
    static int vector(ByteReader in, int end) throws MalformedPacketException {
        in.expect("the preamble", PREAMBLE, in.u16());
        in.expect("the postamble", 0, in.u16());
        Bytes id = in.bytes(ACN_ID.length());
        if (!id.equals(ACN_ID)) {
            throw new MalformedPacketException("the ACN identifier", id.toArray()[0], "\"ASC-E1.17\"");
        }
        in.expect("the root length", length(end, LENGTH_FROM), in.u16());
        return (int) in.u32();
    }
}
