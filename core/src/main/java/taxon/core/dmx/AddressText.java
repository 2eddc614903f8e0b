package taxon.core.dmx;

import java.util.OptionalLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads an address as people write it: {@code 2.73}, {@code 2.073}, {@code 2/73} or the absolute number.
 *
 * <p>A result is either the address or the reason with the value and its allowed range; nothing is repaired.
 */
public final class AddressText {
    private static final Pattern PAIR = Pattern.compile("(-?\\d{1,18})\\s*[./:]\\s*(-?\\d{1,18})");
    private static final Pattern NUMBER = Pattern.compile("-?\\d{1,18}");

    private AddressText() {}

    /** What became of a text. */
    public sealed interface Parsed permits Read, Refused {}

    public record Read(StartAddress address) implements Parsed {}

    /** @param value the part of the text that is at fault, as it was written */
    public record Refused(Fault fault, String value) implements Parsed {}

    public enum Fault {
        NOT_AN_ADDRESS,
        UNIVERSE_OUT_OF_RANGE,
        SLOT_OUT_OF_RANGE,
        ABSOLUTE_OUT_OF_RANGE
    }

    public static Parsed read(String text) {
        String trimmed = text.strip();
        Matcher pair = PAIR.matcher(trimmed);
        if (pair.matches()) {
            return ofParts(pair.group(1), pair.group(2));
        }
        return NUMBER.matcher(trimmed).matches() ? ofAbsolute(trimmed) : new Refused(Fault.NOT_AN_ADDRESS, trimmed);
    }

    /** Reads universe and slot that stand apart, as in two columns of a sheet. */
    public static Parsed ofParts(String universeText, String slotText) {
        OptionalLong universe = number(universeText);
        OptionalLong slot = number(slotText);
        if (universe.isEmpty() || slot.isEmpty()) {
            return new Refused(Fault.NOT_AN_ADDRESS, universeText.strip() + " and " + slotText.strip());
        }
        if (universe.getAsLong() < UniverseNumber.FIRST || universe.getAsLong() > UniverseNumber.LAST) {
            return new Refused(Fault.UNIVERSE_OUT_OF_RANGE, universeText.strip());
        }
        if (slot.getAsLong() < Slot.FIRST || slot.getAsLong() > Slot.LAST) {
            return new Refused(Fault.SLOT_OUT_OF_RANGE, slotText.strip());
        }
        return new Read(StartAddress.of((int) universe.getAsLong(), (int) slot.getAsLong()));
    }

    private static Parsed ofAbsolute(String text) {
        long absolute = Long.parseLong(text);
        return absolute < 1 || absolute > StartAddress.LAST_ABSOLUTE
                ? new Refused(Fault.ABSOLUTE_OUT_OF_RANGE, text)
                : new Read(StartAddress.ofAbsolute((int) absolute));
    }

    private static OptionalLong number(String text) {
        String trimmed = text.strip();
        return NUMBER.matcher(trimmed).matches() ? OptionalLong.of(Long.parseLong(trimmed)) : OptionalLong.empty();
    }
}
