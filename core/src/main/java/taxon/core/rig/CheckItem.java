package taxon.core.rig;

import java.util.Locale;
import taxon.core.text.Texts;

/**
 * One thing that is checked at a unit.
 *
 * @param what which of several: the number of a block, the name of a part or of a channel; empty where there is only one
 */
public record CheckItem(Kind kind, String what) implements Comparable<CheckItem> {
    /** What is looked at, in the order in which it is checked. */
    public enum Kind {
        /** It hangs there, and is what is planned. */
        THERE,
        /** It answers at its address, and no other does. */
        ADDRESS,
        INTENSITY,
        COLOUR,
        PAN,
        TILT,
        /** A wheel or a slot of gobos or colours turns. */
        WHEEL,
        /** A block with an address of its own, such as an add-on, listens. */
        BLOCK,
        /** A cell or layer answers where it should. */
        PART
    }

    public CheckItem {
        Texts.allowLine("check", what, 60);
        boolean ofSeveral = kind == Kind.WHEEL || kind == Kind.BLOCK || kind == Kind.PART;
        if (ofSeveral == what.isBlank()) {
            throw new IllegalArgumentException("a check of " + words(kind) + " “" + what + "”");
        }
    }

    /** A check of which a unit has only one. */
    public static CheckItem of(Kind kind) {
        return new CheckItem(kind, "");
    }

    /** "pan", "block 2", "part cell 3": its name among the checks of a unit. */
    public String name() {
        return what.isEmpty() ? words(kind) : words(kind) + " " + what;
    }

    private static String words(Kind kind) {
        return kind.name().toLowerCase(Locale.ROOT);
    }

    /** Reads what {@link #name} wrote. */
    public static CheckItem read(String name) {
        String[] words = name.split(" ", 2);
        return new CheckItem(Kind.valueOf(words[0].toUpperCase(Locale.ROOT)), words.length > 1 ? words[1] : "");
    }

    @Override
    public int compareTo(CheckItem other) {
        return kind == other.kind ? what.compareTo(other.what) : kind.compareTo(other.kind);
    }
}
