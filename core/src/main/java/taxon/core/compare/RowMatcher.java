package taxon.core.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import taxon.core.text.Likeness;

/**
 * Matches rows: first what is surest, then what is left. Only what is alone on both sides is taken by what it is called or numbered; of several
 * alike none is guessed by that.
 */
final class RowMatcher {
    private final Set<PatchRow> ours;
    private final Set<PatchRow> theirs;
    private final TypeNames types;
    private final List<Match> matches = new ArrayList<>();

    /**
     * Matches them. Each row of a side stands at a place of its own.
     *
     * @param byId false where their IDs are others than ours, so that the same one is another fixture
     */
    RowMatcher(List<PatchRow> ours, List<PatchRow> theirs, boolean byId, Told told) {
        this.ours = new LinkedHashSet<>(ours);
        this.theirs = new LinkedHashSet<>(theirs);
        types = new TypeNames(ours, theirs);
        List<PatchRow> alone = told(told, ours, theirs);
        this.ours.removeAll(alone);
        match(Match.Reason.SAME_UUID, r -> r.uuid().map(u -> u));
        if (byId) {
            match(Match.Reason.SAME_ID, r -> r.id().isPresent() ? Optional.of(r.id().getAsInt()) : Optional.empty());
        }
        match(Match.Reason.SAME_NAME, r -> Optional.of(Likeness.key(r.name())).filter(n -> !n.isEmpty()));
        match(Match.Reason.SAME_ADDRESS, r -> r.start().map(s -> List.of(s, type(r))));
        match(Match.Reason.SAME_ADDRESS, r -> r.start().map(s -> s));
        inOrder();
        this.ours.addAll(alone);
        matches.sort(Comparator.comparingInt(m -> m.ours().place()));
    }

    /** Takes what was said; gives the rows of which it was said that the other side has them not. */
    private List<PatchRow> told(Told told, List<PatchRow> ours, List<PatchRow> theirs) {
        List<PatchRow> alone = new ArrayList<>();
        for (PatchRow row : ours) {
            Optional<Integer> there = told.of().getOrDefault(row.place(), Optional.of(-1));
            if (there.isEmpty()) {
                alone.add(row);
            }
            there.filter(t -> t >= 0 && t < theirs.size())
                    .map(theirs::get)
                    .filter(this.theirs::contains)
                    .ifPresent(t -> take(row, t, Match.Reason.TOLD));
        }
        return alone;
    }

    private String type(PatchRow row) {
        return types.key(row);
    }

    /** Those whose key is alone on both sides. */
    private <K> void match(Match.Reason reason, Function<PatchRow, Optional<K>> key) {
        Map<K, Optional<PatchRow>> one = alone(ours, key);
        Map<K, Optional<PatchRow>> other = alone(theirs, key);
        one.forEach((k, row) -> {
            Optional<PatchRow> there = other.getOrDefault(k, Optional.empty());
            if (row.isPresent() && there.isPresent()) {
                take(row.get(), there.get(), reason);
            }
        });
    }

    private static <K> Map<K, Optional<PatchRow>> alone(Set<PatchRow> rows, Function<PatchRow, Optional<K>> key) {
        Map<K, Optional<PatchRow>> alone = new LinkedHashMap<>();
        for (PatchRow row : rows) {
            key.apply(row).ifPresent(k -> alone.merge(k, Optional.of(row), (a, b) -> Optional.empty()));
        }
        return alone;
    }

    private void take(PatchRow one, PatchRow other, Match.Reason reason) {
        ours.remove(one);
        theirs.remove(other);
        matches.add(new Match(one, other, reason));
    }

    /** Of one type, the first with the first: by their addresses where both have them, else as they stand in their lists. */
    private void inOrder() {
        Map<String, List<PatchRow>> there = byType(theirs);
        byType(ours).forEach((type, rows) -> {
            List<PatchRow> others = there.getOrDefault(type, List.of());
            for (int i = 0; i < Math.min(rows.size(), others.size()); i++) {
                take(rows.get(i), others.get(i), Match.Reason.SAME_TYPE_IN_ORDER);
            }
        });
    }

    private Map<String, List<PatchRow>> byType(Set<PatchRow> rows) {
        Map<String, List<PatchRow>> byType = new HashMap<>();
        rows.stream()
                .filter(r -> !type(r).isEmpty())
                .forEach(r ->
                        byType.computeIfAbsent(type(r), t -> new ArrayList<>()).add(r));
        byType.values().stream()
                .filter(of -> of.stream().allMatch(r -> r.start().isPresent()))
                .forEach(of ->
                        of.sort(Comparator.comparing((PatchRow r) -> r.start().orElseThrow())
                                .thenComparingInt(PatchRow::place)));
        return byType;
    }

    List<Match> matches() {
        return matches;
    }

    List<PatchRow> onlyOurs() {
        return List.copyOf(ours);
    }

    List<PatchRow> onlyTheirs() {
        return List.copyOf(theirs);
    }
}
