package taxon.app.library;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.library.TypeIndex;
import taxon.core.library.TypeQuery;

/**
 * What was looked for in the library for things whose type is not known, by their numbers: each has a field {@code find-7}.
 *
 * @param words what was typed
 * @param found types and modes that have all of the words
 */
public record TypeSearch(Map<Integer, String> words, Map<Integer, List<Offer>> found) {
    private static final Pattern FIELD = Pattern.compile("find-(\\d{1,7})");
    private static final int MOST_TYPES = 12;
    private static final int MOST_FIELDS = 20;

    /** A type and a mode to choose: value, such as {@code heron/24-channel}, and words. */
    public record Offer(String value, String words) {
        static Offer of(FixtureType type, Mode mode) {
            return new Offer(type.id() + "/" + mode.name(), type.fullName() + ", " + mode.name());
        }

        /** All modes of a type. */
        public static List<Offer> allOf(FixtureType type) {
            return type.modes().stream().map(m -> of(type, m)).toList();
        }
    }

    /** Nothing was looked for. */
    public static final TypeSearch NONE = new TypeSearch(Map.of(), Map.of());

    public static TypeSearch of(HttpServletRequest request, TypeIndex index) {
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

    public String typed(int line) {
        return Objects.requireNonNullElse(words.get(line), "");
    }

    public Optional<List<Offer>> found(int line) {
        return Optional.ofNullable(found.get(line));
    }
}
