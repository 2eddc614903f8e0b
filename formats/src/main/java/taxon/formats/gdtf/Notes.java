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

    List<GdtfNote> all() {
        return new ArrayList<>(notes);
    }
}
