package taxon.formats.xml;

import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Where in a file something is, as notes begin. */
public final class NotePlace {
    private NotePlace() {}

    /**
     * "Standard, Zoom, line 12: "; without what is not known, and empty where nothing is.
     *
     * @param where may be empty
     * @param line counted from 1; 0 where it is of no one line
     */
    public static String words(String where, int line) {
        String words = Stream.of(where, line > 0 ? "line " + line : "")
                .filter(w -> !w.isEmpty())
                .collect(Collectors.joining(", "));
        return words.isEmpty() ? "" : words + ": ";
    }
}
