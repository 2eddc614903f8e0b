package taxon.core.compare;

import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.text.Likeness;

/** What both sides call types: one side often leaves the maker out, or a word of the name (common practice). */
final class TypeNames {
    private final Map<String, String> keys = new HashMap<>();

    /** Of all types that either side names. */
    TypeNames(List<PatchRow> ours, List<PatchRow> theirs) {
        Set<String> known = new HashSet<>();
        ours.forEach(r -> known.add(r.type()));
        known.forEach(t -> keys.put(t, Likeness.key(t)));
        theirs.stream()
                .map(PatchRow::type)
                .distinct()
                .filter(t -> !keys.containsKey(t))
                .forEach(t -> keys.put(
                        t,
                        known.stream()
                                .filter(k -> !k.isBlank() && !t.isBlank() && isSame(k, t))
                                .sorted()
                                .findFirst()
                                .map(Likeness::key)
                                .orElseGet(() -> Likeness.key(t))));
    }

    /** The same for rows of one type, whichever side calls it. */
    String key(PatchRow row) {
        return keys.getOrDefault(row.type(), "");
    }

    /** True when one has all words of the other. */
    static boolean isSame(String one, String other) {
        Set<String> first = words(one);
        Set<String> second = words(other);
        return first.containsAll(second) || second.containsAll(first);
    }

    private static Set<String> words(String text) {
        return Arrays.stream(text.split("[\\s_/-]+"))
                .map(Likeness::key)
                .filter(w -> !w.isEmpty())
                .collect(Collectors.toSet());
    }
}
