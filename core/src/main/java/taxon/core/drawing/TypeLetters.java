package taxon.core.drawing;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.SortedMap;
import java.util.TreeMap;
import taxon.core.drawing.RigLayout.Laid;
import taxon.core.drawing.RigLayout.Placed;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/** Which letter stands for a type in a drawing: a for the first of those that are drawn, by name, and so on; after z come aa and ab. */
final class TypeLetters {
    private static final int ALPHABET = 26;
    private static final int TINTS = 10;

    private final Map<String, Entry> byType;

    /**
     * A type of the legend.
     *
     * @param tint 0 to 9
     * @param words "Fenwick Spot 350, 12"
     */
    record Entry(String letter, int tint, String words) {}

    private TypeLetters(Map<String, Entry> byType) {
        this.byType = byType;
    }

    private record Named(String name, String type) implements Comparable<Named> {
        @Override
        public int compareTo(Named other) {
            int names = name.compareTo(other.name);
            return names != 0 ? names : type.compareTo(other.type);
        }
    }

    static TypeLetters of(Plan plan, List<Laid> drawn) {
        SortedMap<Named, Integer> counts = new TreeMap<>();
        drawn.stream()
                .flatMap(l -> l.units().stream())
                .map(Placed::fixture)
                .forEach(f ->
                        counts.merge(new Named(plan.type(f).fullName(), f.type().value()), 1, Integer::sum));
        Map<String, Entry> entries = new LinkedHashMap<>();
        counts.forEach((named, count) -> entries.put(
                named.type(), new Entry(letters(entries.size()), entries.size() % TINTS, named.name() + ", " + count)));
        return new TypeLetters(entries);
    }

    private static String letters(int index) {
        String last = String.valueOf((char) ('a' + index % ALPHABET));
        return index < ALPHABET ? last : letters(index / ALPHABET - 1) + last;
    }

    /** Those of the legend, in the order of the letters. */
    Collection<Entry> entries() {
        return byType.values();
    }

    /** That of a fixture that is drawn. */
    Entry of(Fixture fixture) {
        return Objects.requireNonNull(byType.get(fixture.type().value()), "a type that is not drawn");
    }
}
