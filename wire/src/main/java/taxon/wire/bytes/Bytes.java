package taxon.wire.bytes;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HexFormat;

/** An immutable run of bytes, compared by content. */
public final class Bytes {
    public static final Bytes NONE = new Bytes(new byte[0]);

    private final byte[] content;

    private Bytes(byte[] content) {
        this.content = content;
    }

    public static Bytes of(byte[] content) {
        return new Bytes(content.clone());
    }

    /** @param values each taken as an unsigned byte, 0 to 255 */
    public static Bytes of(int... values) {
        byte[] content = new byte[values.length];
        for (int i = 0; i < values.length; i++) {
            content[i] = (byte) values[i];
        }
        return new Bytes(content);
    }

    public static Bytes ofText(String text) {
        return new Bytes(text.getBytes(StandardCharsets.UTF_8));
    }

    public int length() {
        return content.length;
    }

    public byte[] toArray() {
        return content.clone();
    }

    public ByteReader reader() {
        return new ByteReader(content);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Bytes bytes && Arrays.equals(content, bytes.content);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(content);
    }

    @Override
    public String toString() {
        return HexFormat.of().formatHex(content);
    }
}
