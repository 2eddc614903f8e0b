package taxon.core.library;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.TypeId;
import taxon.core.text.Likeness;

/**
 * Finds types by the beginnings of words in their maker, name, kind and attributes, and by the lengths of their modes.
 *
 * <p>Every word must be met; a hit in the name counts more than one in the maker, that more than kind and attribute. Equal
 * ones come in the order of maker and name. Time: linear in the words of all types; a search in ten thousand types takes
 * milliseconds. Immutable.
 */
public final class TypeIndex {
    private static final double FAR_OFF = 0.35;
    private static final int IN_NAME = 8;
    private static final int IN_MAKER = 5;
    private static final int IN_KIND = 4;
    private static final int AS_FOOTPRINT = 3;
    private static final int IN_ATTRIBUTE = 2;
    private static final int WHOLE_WORD = 1;

    private static final Comparator<Entry> ORDER = Comparator.comparing((Entry e) -> e.summary.maker())
            .thenComparing(e -> e.summary.name())
            .thenComparing(e -> e.summary.id());

    private final Map<TypeId, Entry> byId;
    private final List<Entry> sorted;
    private final Map<String, List<Entry>> byKey = new HashMap<>();

    /** A summary with its words. The words of attributes are shared between all types. */
    private record Entry(
            TypeSummary summary,
            List<String> name,
            List<String> maker,
            List<String> kinds,
            List<List<String>> attributes) {}

    /**
     * What a search found.
     *
     * @param total how many there are
     * @param hits the best of them
     */
    public record Hits(int total, List<Hit> hits) {
        public Hits {
            hits = List.copyOf(hits);
        }
    }

    /** @param fitting the modes that have the length asked for; all where none was */
    public record Hit(TypeSummary type, List<ModeSummary> fitting) {}

    private TypeIndex(Map<TypeId, Entry> byId) {
        this.byId = byId;
        sorted = byId.values().stream().sorted(ORDER).toList();
        for (Entry entry : sorted) {
            TypeSummary type = entry.summary;
            for (String key :
                    List.of(Likeness.key(type.name()), Likeness.key(type.shortName()), Likeness.key(type.fullName()))) {
                List<Entry> entries = byKey.computeIfAbsent(key, k -> new ArrayList<>(1));
                if (!entries.contains(entry)) {
                    entries.add(entry);
                }
            }
        }
    }

    /** The index of these types; of two with one id the later counts. */
    public static TypeIndex of(Collection<TypeSummary> types) {
        Map<String, List<String>> words = new HashMap<>();
        Map<TypeId, Entry> byId = new TreeMap<>();
        types.forEach(t -> byId.put(t.id(), entry(t, words)));
        return new TypeIndex(byId);
    }

    /** This index with a type added, or put in the place of the one with its id. */
    public TypeIndex with(TypeSummary type) {
        Map<TypeId, Entry> changed = new TreeMap<>(byId);
        changed.put(type.id(), entry(type, new HashMap<>()));
        return new TypeIndex(changed);
    }

    /** The same index but for one type. */
    public TypeIndex without(TypeId id) {
        Map<TypeId, Entry> changed = new TreeMap<>(byId);
        changed.remove(id);
        return new TypeIndex(changed);
    }

    private static Entry entry(TypeSummary type, Map<String, List<String>> words) {
        return new Entry(
                type,
                TypeQuery.tokens(type.name() + " " + type.shortName()),
                TypeQuery.tokens(type.maker()),
                TypeQuery.tokens(String.join(" ", type.kinds())),
                type.attributes().stream()
                        .map(a -> words.computeIfAbsent(a, TypeIndex::attributeWords))
                        .toList());
    }

    private static List<String> attributeWords(String attribute) {
        List<String> words = new ArrayList<>(TypeQuery.tokens(AttributeBook.words(Attribute.of(attribute))));
        words.add(attribute.toLowerCase(java.util.Locale.ROOT));
        return words;
    }

    /** How many types are found through it. */
    public int size() {
        return sorted.size();
    }

    /** The type of that id. */
    public Optional<TypeSummary> find(TypeId id) {
        return Optional.ofNullable(byId.get(id)).map(Entry::summary);
    }

    /** All summaries, by maker and name. */
    public List<TypeSummary> all() {
        return sorted.stream().map(Entry::summary).toList();
    }

    /** What fits a query, the best first. An empty query fits every type. */
    public Hits search(TypeQuery query, int most) {
        record Scored(Entry entry, int score) {}
        List<Scored> found = new ArrayList<>();
        for (Entry entry : sorted) {
            int score = score(entry, query);
            if (score >= 0) {
                found.add(new Scored(entry, score));
            }
        }
        // The sort is stable: equal scores stay in the order of maker and name.
        found.sort(Comparator.comparingInt(Scored::score).reversed());
        List<Hit> hits =
                found.stream().limit(most).map(s -> hit(s.entry, query)).toList();
        return new Hits(found.size(), hits);
    }

    private static Hit hit(Entry entry, TypeQuery query) {
        List<ModeSummary> modes = entry.summary.modes();
        return new Hit(
                entry.summary,
                query.lengths()
                        .map(l -> modes.stream()
                                .filter(m -> l.hold(m.footprint()))
                                .toList())
                        .orElse(modes));
    }

    /** −1 when it does not fit. */
    private static int score(Entry entry, TypeQuery query) {
        if (query.lengths().isPresent() && !hasLength(entry, query.lengths().get())) {
            return -1;
        }
        int score = 0;
        for (String word : query.words()) {
            int best = score(entry, word);
            if (best == 0) {
                return -1;
            }
            score += best;
        }
        return score;
    }

    private static boolean hasLength(Entry entry, TypeQuery.Lengths lengths) {
        return entry.summary.modes().stream().anyMatch(m -> lengths.hold(m.footprint()));
    }

    private static int score(Entry entry, String word) {
        int best = weighed(entry.name, word, IN_NAME);
        if (best == 0) {
            best = weighed(entry.maker, word, IN_MAKER);
        }
        if (best == 0) {
            best = weighed(entry.kinds, word, IN_KIND);
        }
        if (best == 0 && word.matches("\\d{1,4}") && hasLength(entry, exactly(Integer.parseInt(word)))) {
            best = AS_FOOTPRINT;
        }
        for (int i = 0; best == 0 && i < entry.attributes.size(); i++) {
            best = weighed(entry.attributes.get(i), word, IN_ATTRIBUTE);
        }
        return best;
    }

    private static TypeQuery.Lengths exactly(int footprint) {
        return new TypeQuery.Lengths(footprint, footprint);
    }

    private static int weighed(List<String> tokens, String word, int weight) {
        int best = 0;
        for (String token : tokens) {
            if (token.startsWith(word)) {
                best = Math.max(best, token.length() == word.length() ? weight + WHOLE_WORD : weight);
            }
        }
        return best;
    }

    /** The one type that is called so, by maker and name; an empty maker fits any, when only one type has the name. */
    public Optional<TypeSummary> named(String maker, String name) {
        String wanted = Likeness.key(name);
        String wantedMaker = Likeness.key(maker);
        List<TypeSummary> found = byKey.getOrDefault(wanted, List.of()).stream()
                .map(Entry::summary)
                .filter(t -> wantedMaker.isEmpty()
                        || wantedMaker.equals(Likeness.key(t.maker()))
                        || wanted.equals(Likeness.key(t.fullName())))
                .toList();
        return found.size() == 1 ? Optional.of(found.get(0)) : Optional.empty();
    }

    /** The types whose names come closest, the best first; those that are far off are left out. */
    public List<TypeSummary> closest(String maker, String name, int most) {
        record Scored(Entry entry, double score) {}
        return sorted.stream()
                .map(e -> new Scored(e, likeness(e.summary, maker, name)))
                .filter(s -> s.score >= FAR_OFF)
                .sorted(Comparator.comparingDouble(Scored::score).reversed())
                .limit(most)
                .map(s -> s.entry.summary)
                .toList();
    }

    private static double likeness(TypeSummary type, String maker, String name) {
        double byName = Math.max(
                Likeness.of(type.name(), name),
                Math.max(Likeness.of(type.shortName(), name), Likeness.of(type.fullName(), name)));
        return maker.isBlank() ? byName : 0.75 * byName + 0.25 * Likeness.of(type.maker(), maker);
    }
}
