package taxon.core.writing;

import taxon.core.text.Texts;

/**
 * A value that is there, or that is written.
 *
 * @param raw as it is compared, at most 80 characters
 * @param words as people read it
 */
public record Value(String raw, String words) {
    public static final String ON = "on";
    public static final String OFF = "off";

    public Value {
        Texts.allowLine("value", raw, 80);
    }

    /** One that people read as it is. */
    public static Value of(String raw) {
        return new Value(raw, raw.isEmpty() ? "none" : raw);
    }

    public static Value of(int raw) {
        return of(Integer.toString(raw));
    }

    public static Value of(boolean on) {
        return of(on ? ON : OFF);
    }

    public boolean isOn() {
        return raw.equals(ON);
    }

    /** @throws NumberFormatException when it is no number */
    public int number() {
        return Integer.parseInt(raw);
    }
}
