package taxon.wire.sacn.codec;

import java.util.ArrayList;
import java.util.List;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Ipv4;
import taxon.core.network.SacnUniverse;
import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;

/**
 * Which universes a sender sends, every 10 s (ANSI E1.31, 4.3, 6.4 and 8, from memory).
 *
 * @param cid 16 bytes that name the sender
 * @param sourceName at most 63 bytes of UTF-8
 * @param page which part of its list this is, from 0
 * @param lastPage of the whole list
 * @param universes at most 512
 */
public record SacnDiscovery(Bytes cid, String sourceName, int page, int lastPage, List<SacnUniverse> universes)
        implements SacnPacket {
    /** The universe on which these are sent, and no levels (ANSI E1.31, 4.3). */
    public static final int UNIVERSE = 64_214;

    /** The group of that universe (ANSI E1.31, 9.3.1). */
    public static final Ipv4 GROUP = Ipv4.of(239, 255, UNIVERSE >> 8, UNIVERSE & 0xFF);

    public static final int MOST_UNIVERSES = 512;

    private static final int FRAMING_VECTOR = 0x0000_0002;
    private static final int LIST_VECTOR = 0x0000_0001;
    private static final int LIST_OFFSET = 112;
    private static final int HEAD = 120;
    private static final int NAME_FIELD = 64;

    public SacnDiscovery {
        universes = List.copyOf(universes);
        if (universes.size() > MOST_UNIVERSES || page < 0 || page > lastPage) {
            throw new IllegalArgumentException(universes.size() + " universes on page " + page + " of " + lastPage
                    + "; a page takes " + MOST_UNIVERSES);
        }
    }

    @Override
    public byte[] encode() {
        int end = HEAD + 2 * universes.size();
        var out = RootLayer.begin(end, RootLayer.EXTENDED, cid)
                .u16(RootLayer.length(end, RootLayer.LENGTH))
                .u32(FRAMING_VECTOR)
                .text(sourceName, NAME_FIELD)
                .zeros(4)
                .u16(RootLayer.length(end, LIST_OFFSET))
                .u32(LIST_VECTOR)
                .u8(page)
                .u8(lastPage);
        universes.forEach(u -> out.u16(u.number()));
        return out.toArray();
    }

    static SacnDiscovery read(ByteReader in, Bytes cid, int end) throws MalformedPacketException {
        String name = in.text(NAME_FIELD);
        in.skip(4);
        in.expect("the list length", RootLayer.length(end, LIST_OFFSET), in.u16());
        in.expect("the list vector", LIST_VECTOR, (int) in.u32());
        int page = in.u8();
        int lastPage = in.u8();
        if (page > lastPage || in.remaining() % 2 != 0 || in.remaining() / 2 > MOST_UNIVERSES) {
            throw new MalformedPacketException("the page or its list", page, "0 to " + lastPage + " with at most 512");
        }
        List<SacnUniverse> universes = new ArrayList<>();
        while (in.remaining() > 0) {
            int number = in.u16();
            if (!UniverseNumber.isLegal(number)) {
                throw new MalformedPacketException("a universe", number, "1 to 63999");
            }
            universes.add(new SacnUniverse(number));
        }
        return new SacnDiscovery(cid, name, page, lastPage, universes);
    }
}
