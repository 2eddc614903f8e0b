package taxon.wire.sacn.codec;

import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;

/** From bytes to packets of streaming ACN. */
public final class SacnCodec {
    private static final int SYNC = 0x0000_0001;
    private static final int DISCOVERY = 0x0000_0002;

    private SacnCodec() {}

    /** @throws MalformedPacketException when it is none, or one that the standard does not know */
    public static SacnPacket decode(byte[] bytes) throws MalformedPacketException {
        ByteReader in = new ByteReader(bytes);
        int vector = RootLayer.vector(in, bytes.length);
        Bytes cid = in.bytes(RootLayer.CID_LENGTH);
        if (vector == RootLayer.DATA) {
            return SacnData.read(in, cid, bytes.length);
        }
        in.expect("the root vector", RootLayer.EXTENDED, vector);
        in.expect("the framing length", RootLayer.length(bytes.length, RootLayer.LENGTH), in.u16());
        int framing = (int) in.u32();
        if (framing == SYNC) {
            return SacnSync.read(in, cid);
        }
        in.expect("the framing vector", DISCOVERY, framing);
        return SacnDiscovery.read(in, cid, bytes.length);
    }
}
