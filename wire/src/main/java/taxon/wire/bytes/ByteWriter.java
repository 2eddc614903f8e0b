package taxon.wire.bytes;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/** Writes unsigned numbers and texts. A number that does not fit its field is refused, never masked. */
public final class ByteWriter {
    private final ByteArrayOutputStream out = new ByteArrayOutputStream();

    public ByteWriter u8(int value) {
        out.write(fitting(value, 0xFF));
        return this;
    }

    public ByteWriter u16(int value) {
        fitting(value, 0xFFFF);
        return u8(value >> 8).u8(value & 0xFF);
    }

    public ByteWriter u16LittleEndian(int value) {
        fitting(value, 0xFFFF);
        return u8(value & 0xFF).u8(value >> 8);
    }

    public ByteWriter u32(long value) {
        fitting(value, 0xFFFF_FFFFL);
        return u16((int) (value >> 16)).u16((int) (value & 0xFFFF));
    }

    public ByteWriter bytes(Bytes bytes) {
        out.writeBytes(bytes.toArray());
        return this;
    }

    public ByteWriter zeros(int count) {
        out.writeBytes(new byte[count]);
        return this;
    }

    /** A field of fixed length, filled with zeros; the text is cut so that a closing zero remains. */
    public ByteWriter text(String text, int fieldLength) {
        byte[] encoded = text.getBytes(StandardCharsets.UTF_8);
        int length = Math.min(encoded.length, fieldLength - 1);
        while (length < encoded.length && length > 0 && (encoded[length] & 0xC0) == 0x80) {
            length--;
        }
        out.writeBytes(Arrays.copyOf(Arrays.copyOf(encoded, length), fieldLength));
        return this;
    }

    public int length() {
        return out.size();
    }

    public byte[] toArray() {
        return out.toByteArray();
    }

    private static int fitting(long value, long most) {
        if (value < 0 || value > most) {
            throw new IllegalArgumentException(value + " does not fit a field of 0 to " + most);
        }
        return (int) value;
    }
}
