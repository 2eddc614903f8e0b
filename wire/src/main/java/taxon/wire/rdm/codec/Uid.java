package taxon.wire.rdm.codec;

import java.util.Comparator;
import java.util.Locale;
import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.MalformedPacketException;

/**
 * The unique identifier of a device in remote management (ANSI E1.20, 5, from memory).
 *
 * @param manufacturer 0 to 0xFFFF; 0x7FF0 to 0x7FFF are for prototypes
 * @param device 0 to 0xFFFFFFFF
 */
public record Uid(int manufacturer, long device) implements Comparable<Uid> {
    public static final int LENGTH = 6;

    private static final Comparator<Uid> ORDER =
            Comparator.comparingInt(Uid::manufacturer).thenComparingLong(Uid::device);

    public Uid {
        if (manufacturer < 0 || manufacturer > 0xFFFF || device < 0 || device > 0xFFFF_FFFFL) {
            throw new IllegalArgumentException("a UID has 16 and 32 bits, not " + manufacturer + " and " + device);
        }
    }

    /** Reads {@code 7FF0:00000001}. */
    public static Uid parse(String text) {
        if (!text.matches("[0-9A-Fa-f]{4}:[0-9A-Fa-f]{8}")) {
            throw new IllegalArgumentException("a UID reads 7FF0:00000001, not " + text);
        }
        return new Uid(Integer.parseInt(text.substring(0, 4), 16), Long.parseLong(text.substring(5), 16));
    }

    public static Uid read(ByteReader in) throws MalformedPacketException {
        return new Uid(in.u16(), in.u32());
    }

    public void write(ByteWriter out) {
        out.u16(manufacturer).u32(device);
    }

    @Override
    public int compareTo(Uid other) {
        return ORDER.compare(this, other);
    }

    @Override
    public String toString() {
        return String.format(Locale.ROOT, "%04X:%08X", manufacturer, device);
    }
}
