package taxon.core.library;

import java.util.Locale;

/** Where a type in the library comes from. */
public enum Source {
    BUILT_IN("ships with Taxon"),
    IMPORTED("imported file"),
    MADE_HERE("made here"),
    DERIVED("derived from another type");

    private final String words;

    Source(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** The name in files: {@code built-in}. */
    public String slug() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
