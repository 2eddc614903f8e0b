package taxon.core.compare;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import taxon.core.compare.RowDifference.Kind;

/**
 * What of the other side shall be taken over.
 *
 * @param fields of our rows, by their places
 * @param removed places of our rows that the other side has not
 * @param added places of their rows that our side has not
 */
public record Taken(SortedMap<Integer, Set<Kind>> fields, SortedSet<Integer> removed, SortedSet<Integer> added) {
    public static final Taken NOTHING = new Taken(new TreeMap<>(), new TreeSet<>(), new TreeSet<>());

    /** What can be taken over: another type is a change of its own, and an order is nobody's setting. */
    public static final Set<Kind> TAKEABLE =
            Set.of(Kind.UNIVERSE, Kind.ADDRESS, Kind.MODE, Kind.FOOTPRINT, Kind.ID, Kind.NAME);

    public Taken {
        SortedMap<Integer, Set<Kind>> copy = new TreeMap<>();
        fields.forEach((row, kinds) -> copy.put(row, Set.copyOf(kinds)));
        fields = Collections.unmodifiableSortedMap(copy);
        removed = Collections.unmodifiableSortedSet(new TreeSet<>(removed));
        added = Collections.unmodifiableSortedSet(new TreeSet<>(added));
    }

    /** True when nothing is. */
    public boolean isNothing() {
        return fields.isEmpty() && removed.isEmpty() && added.isEmpty();
    }

    /** All in which the sides differ. */
    public static Taken all(Comparison comparison) {
        Taken all = NOTHING.with(comparison, comparison.differences().keySet(), EnumSet.allOf(Kind.class));
        TreeSet<Integer> removed = new TreeSet<>();
        comparison.onlyOurs().forEach(r -> removed.add(r.place()));
        TreeSet<Integer> added = new TreeSet<>();
        comparison.onlyTheirs().forEach(r -> added.add(r.place()));
        return new Taken(all.fields, removed, added);
    }

    /** What a pattern explains beside this. */
    public Taken with(Comparison comparison, Pattern pattern) {
        return with(comparison, pattern.explains(), pattern.kinds());
    }

    /** What some matches differ in, of some kinds, beside this. */
    public Taken with(Comparison comparison, Collection<Match> matches, Set<Kind> kinds) {
        SortedMap<Integer, Set<Kind>> more = new TreeMap<>(fields);
        for (Match match : matches) {
            Set<Kind> wanted = EnumSet.noneOf(Kind.class);
            comparison.differences().getOrDefault(match, List.of()).stream()
                    .map(RowDifference::kind)
                    .filter(k -> kinds.contains(k) && TAKEABLE.contains(k))
                    .forEach(wanted::add);
            wanted.addAll(more.getOrDefault(match.ours().place(), Set.of()));
            if (!wanted.isEmpty()) {
                more.put(match.ours().place(), wanted);
            }
        }
        return new Taken(more, removed, added);
    }

    /** True when this difference of a match is taken over. */
    public boolean has(Match match, Kind kind) {
        return fields.getOrDefault(match.ours().place(), Set.of()).contains(kind);
    }

    /** The differences of a match that are not taken over. */
    public List<RowDifference> kept(Comparison comparison, Match match) {
        List<RowDifference> kept = new ArrayList<>(comparison.differences().getOrDefault(match, List.of()));
        kept.removeIf(d -> has(match, d.kind()));
        return kept;
    }
}
