package taxon.app.rig.equipmentlist;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.app.rig.equipmentlist.ListPage.Offer;
import taxon.core.library.TypeIndex;
import taxon.core.library.TypeQuery;

/**
 * What was looked for in the library for rows whose type resembles nothing, by the line of the row.
 *
 * @param words what was typed
 * @param found types and modes that have all of the words
 */
record TypeSearch(Map<Integer, String> words, Map<Integer, List<Offer>> found) {
    private static final Pattern FIELD = Pattern.compile("find-(\\d{1,7})");
    private static final int MOST_TYPES = 12;
    private static final int MOST_FIELDS = 20;

    static TypeSearch of(HttpServletRequest request, TypeIndex index) {
        Map<Integer, String> words = new TreeMap<>();
        Map<Integer, List<Offer>> found = new TreeMap<>();
        request.getParameterMap().forEach((name, values) -> {
            Matcher field = FIELD.matcher(name);
            if (field.matches() && !values[0].isBlank() && words.size() < MOST_FIELDS) {
                int line = Integer.parseInt(field.group(1));
                words.put(line, values[0].strip());
                found.put(line, offers(index, values[0]));
            }
        });
        return new TypeSearch(words, found);
    }

    private static List<Offer> offers(TypeIndex index, String typed) {
        return index.search(TypeQuery.of(typed), MOST_TYPES).hits().stream()
                .flatMap(h -> h.fitting().stream()
                        .map(m -> new Offer(
                                h.type().id() + "/" + m.name(), h.type().fullName() + ", " + m.name())))
                .toList();
    }

    String typed(int line) {
        return Objects.requireNonNullElse(words.get(line), "");
    }

    Optional<List<Offer>> found(int line) {
        return Optional.ofNullable(found.get(line));
    }
}
