package taxon.core.text;

/** Bounds on the texts that people type. Every text value of the plan passes through one of these checks. */
public final class Texts {
    private Texts() {}

    /** A text of one line, not blank, at most {@code longest} characters, without control characters. */
    public static String requireLine(String what, String value, int longest) {
        if (value.isBlank()) {
            throw new TextRefusedException(what, value.length(), 1, longest, TextRefusedException.Fault.BLANK);
        }
        return allowLine(what, value, longest);
    }

    /** As {@link #requireLine}, but blank is allowed. */
    public static String allowLine(String what, String value, int longest) {
        if (value.codePoints().anyMatch(Character::isISOControl)) {
            throw new TextRefusedException(
                    what, value.length(), 0, longest, TextRefusedException.Fault.CONTROL_CHARACTER);
        }
        return bounded(what, value, longest);
    }

    /** A text that may be blank and may hold line breaks, at most {@code longest} characters. */
    public static String allowNote(String what, String value, int longest) {
        if (value.codePoints().anyMatch(c -> Character.isISOControl(c) && c != '\n' && c != '\r' && c != '\t')) {
            throw new TextRefusedException(
                    what, value.length(), 0, longest, TextRefusedException.Fault.CONTROL_CHARACTER);
        }
        return bounded(what, value, longest);
    }

    /** Plain text from a source that cannot be asked again, such as a unit on a line: cut, control characters dropped. */
    public static String clip(String value, int longest) {
        String plain = value.codePoints()
                .filter(c -> !Character.isISOControl(c))
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString()
                .strip();
        return plain.length() > longest ? plain.substring(0, longest) : plain;
    }

    private static String bounded(String what, String value, int longest) {
        if (value.length() > longest) {
            throw new TextRefusedException(what, value.length(), 0, longest, TextRefusedException.Fault.TOO_LONG);
        }
        return value;
    }
}
