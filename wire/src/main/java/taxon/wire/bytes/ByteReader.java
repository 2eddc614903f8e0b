package taxon.wire.bytes;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/** Reads unsigned numbers and texts from the front of a packet; refuses to read past its end. */
public final class ByteReader {
    private final byte[] content;
    private int position;

    public ByteReader(byte[] content) {
        this.content = content.clone();
    }

    public int remaining() {
        return content.length - position;
    }

    public int u8() throws MalformedPacketException {
        require(1);
        return content[position++] & 0xFF;
    }

    /** Two bytes, the high one first. */
    public int u16() throws MalformedPacketException {
        return u8() << 8 | u8();
    }

    /** Two bytes, the low one first. */
    public int u16LittleEndian() throws MalformedPacketException {
        return u8() | u8() << 8;
    }

    /** Four bytes, the high one first, 0 to 2^32 − 1. */
    public long u32() throws MalformedPacketException {
        return (long) u16() << 16 | u16();
    }

    public Bytes bytes(int count) throws MalformedPacketException {
        require(count);
        position += count;
        return Bytes.of(Arrays.copyOfRange(content, position - count, position));
    }

    /** A field of fixed length with a text that ends at its first zero byte. */
    public String text(int fieldLength) throws MalformedPacketException {
        byte[] field = bytes(fieldLength).toArray();
        int end = 0;
        while (end < field.length && field[end] != 0) {
            end++;
        }
        return new String(field, 0, end, StandardCharsets.UTF_8);
    }

    public void skip(int count) throws MalformedPacketException {
        bytes(count);
    }

    /** Refuses anything but this value. */
    public void expect(String what, int wanted, int found) throws MalformedPacketException {
        if (found != wanted) {
            throw new MalformedPacketException(what, found, Integer.toString(wanted));
        }
    }

    private void require(int count) throws MalformedPacketException {
        if (count < 0 || count > remaining()) {
            throw new MalformedPacketException("the rest of the packet", remaining(), "at least " + count + " bytes");
        }
    }
}
