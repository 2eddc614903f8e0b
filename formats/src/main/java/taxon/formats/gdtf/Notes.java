package taxon.formats.gdtf;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import taxon.core.text.Texts;
import taxon.formats.gdtf.GdtfNote.Kind;

/** Gathers notes, each once, up to a bound. */
final class Notes {
    private static final int MOST = 500;

    private final Set<GdtfNote> notes = new LinkedHashSet<>();

    void add(Kind kind, String where, int line, String value) {
        if (notes.size() < MOST) {
            notes.add(new GdtfNote(kind, Texts.clip(where, 120), line, Texts.clip(value, 120)));
        }
    }

    /** A text of one line, as long as it may be; that it was cut or lost signs is noted. */
    String cut(String text, int longest, String where, int line) {
        String kept = Texts.clip(text, longest);
        if (!kept.equals(text)) {
            add(Kind.TEXT_CUT, where, line, kept);
        }
        return kept;
    }

    List<GdtfNote> all() {
        return new ArrayList<>(notes);
    }
}
