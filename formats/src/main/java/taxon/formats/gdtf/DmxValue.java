package taxon.formats.gdtf;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.fixture.Levels;

/**
 * A value with its byte count, "255/1" (DIN SPEC 15800, type DMXValue, from memory). With {@code s} behind, as in "255/1s",
 * it goes to another width by shifting; else by repeating its bytes.
 *
 * @param bytes 1 to 4
 */
record DmxValue(long value, int bytes, boolean shifts) {
    private static final Pattern SHAPE = Pattern.compile("(\\d{1,10})(?:/([1-4])(s)?)?");

    /** Reads it; a value without a byte count has as many bytes as it needs. Empty when it is none. */
    static Optional<DmxValue> read(String text) {
        Matcher matcher = SHAPE.matcher(text.strip());
        if (!matcher.matches()) {
            return Optional.empty();
        }
        long value = Long.parseLong(matcher.group(1));
        int bytes = matcher.group(2) == null ? fewestBytes(value) : Integer.parseInt(matcher.group(2));
        return bytes <= Levels.MOST_BYTES && Levels.isLegal(value, bytes)
                ? Optional.of(new DmxValue(value, bytes, matcher.group(3) != null))
                : Optional.empty();
    }

    private static int fewestBytes(long value) {
        int bytes = 1;
        while (bytes < Levels.MOST_BYTES && value > Levels.most(bytes)) {
            bytes++;
        }
        return bytes;
    }

    /** The same level at another width. */
    long at(int width) {
        return shifts ? Levels.shifted(value, bytes, width) : Levels.mirrored(value, bytes, width);
    }

    static String write(long value, int bytes) {
        return value + "/" + bytes;
    }
}
