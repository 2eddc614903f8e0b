package taxon.wire.direct;

import java.io.DataInputStream;
import java.io.IOException;
import java.io.OutputStream;
import taxon.core.dmx.Slot;
import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.MalformedPacketException;

/** From frames to bytes and back: a sign (2), the kind (1), how long the rest is (2), the rest. */
public final class DirectCodec {
    private static final int SIGN = 0x7458;
    private static final int WHO = 1;
    private static final int I_AM = 2;
    private static final int LEVELS = 3;
    private static final int LONGEST = 1 + Slot.LAST;

    private DirectCodec() {}

    public static void write(DirectFrame frame, OutputStream out) throws IOException {
        if (frame instanceof DirectFrame.IAm iAm) {
            write(
                    I_AM,
                    new ByteWriter()
                            .text(iAm.name(), DirectFrame.LONGEST_NAME + 1)
                            .u8(iAm.outputs()),
                    out);
        } else if (frame instanceof DirectFrame.Levels levels) {
            write(LEVELS, new ByteWriter().u8(levels.output()).bytes(levels.levels()), out);
        } else {
            write(WHO, new ByteWriter(), out);
        }
    }

    private static void write(int kind, ByteWriter rest, OutputStream out) throws IOException {
        byte[] bytes = rest.toArray();
        out.write(new ByteWriter().u16(SIGN).u8(kind).u16(bytes.length).toArray());
        out.write(bytes);
        out.flush();
    }

    /**
     * The next frame.
     *
     * @throws MalformedPacketException when what comes is none; nothing that comes after it can be read then
     * @throws IOException when the connection ends
     */
    public static DirectFrame read(DataInputStream in) throws IOException, MalformedPacketException {
        int sign = in.readUnsignedShort();
        if (sign != SIGN) {
            throw new MalformedPacketException("the sign of a frame", sign, Integer.toString(SIGN));
        }
        int kind = in.readUnsignedByte();
        int length = in.readUnsignedShort();
        if (length > LONGEST) {
            throw new MalformedPacketException("the length of a frame", length, "at most " + LONGEST);
        }
        return frame(kind, new ByteReader(in.readNBytes(length)));
    }

    private static DirectFrame frame(int kind, ByteReader rest) throws MalformedPacketException {
        try {
            return switch (kind) {
                case WHO -> new DirectFrame.Who();
                case I_AM -> new DirectFrame.IAm(rest.text(DirectFrame.LONGEST_NAME + 1), rest.u8());
                case LEVELS -> new DirectFrame.Levels(rest.u8(), rest.bytes(rest.remaining()));
                default -> throw new MalformedPacketException("the kind of a frame", kind, "1 to 3");
            };
        } catch (IllegalArgumentException e) {
            throw new MalformedPacketException(e.getMessage() + "; the kind", kind, "values in their range");
        }
    }
}
