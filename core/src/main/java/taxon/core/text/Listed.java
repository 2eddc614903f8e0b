package taxon.core.text;

import java.util.Collection;
import java.util.List;

/** Several in one sentence. */
public final class Listed {
    private static final int TOLD = 8;

    private Listed() {}

    /** "1, 2 and 3"; of more than eight the first eight, and how many more there are. */
    public static String of(Collection<?> things) {
        List<String> told = things.stream().limit(TOLD).map(Object::toString).toList();
        if (things.size() > TOLD) {
            return String.join(", ", told) + " and " + (things.size() - TOLD) + " more";
        }
        int last = told.size() - 1;
        return last <= 0 ? String.join("", told) : String.join(", ", told.subList(0, last)) + " and " + told.get(last);
    }
}
