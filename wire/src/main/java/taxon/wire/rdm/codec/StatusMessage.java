package taxon.wire.rdm.codec;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;

/**
 * Something that a device reports of itself (ANSI E1.20, 10.3.2, from memory).
 *
 * @param subDevice 0 for the device itself
 * @param type 0x02 advisory, 0x03 warning, 0x04 error; 0x10 more where it is over
 * @param message its number; below 0x8000 of the standard (table B-2), above of its maker
 */
public record StatusMessage(int subDevice, int type, int message, int first, int second) {
    public static final int ADVISORY = 0x02;
    public static final int WARNING = 0x03;
    public static final int ERROR = 0x04;
    private static final int LENGTH = 9;

    /** Several as one answer carries them, at most 25. */
    public static Bytes encode(List<StatusMessage> messages) {
        ByteWriter out = new ByteWriter();
        messages.forEach(m -> out.u16(m.subDevice)
                .u8(m.type)
                .u16(m.message)
                .u16(m.first & 0xFFFF)
                .u16(m.second & 0xFFFF));
        return Bytes.of(out.toArray());
    }

    public static List<StatusMessage> decode(Bytes data) throws MalformedPacketException {
        if (data.length() % LENGTH != 0) {
            throw new MalformedPacketException("the length of the status", data.length(), "a multiple of " + LENGTH);
        }
        ByteReader in = data.reader();
        List<StatusMessage> messages = new ArrayList<>();
        while (in.remaining() > 0) {
            messages.add(new StatusMessage(in.u16(), in.u8(), in.u16(), (short) in.u16(), (short) in.u16()));
        }
        return List.copyOf(messages);
    }

    /** "warning 0x0031 (4, 0)". */
    public String words() {
        String kind = switch (type) {
            case ADVISORY -> "advisory";
            case WARNING -> "warning";
            case ERROR -> "error";
            default -> "status " + type;
        };
        return kind
                + String.format(Locale.ROOT, " 0x%04X (%d, %d)", message, first, second)
                + (subDevice == 0 ? "" : " of part " + subDevice);
    }
}
