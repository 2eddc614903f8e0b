package taxon.core.compare;

import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What came of holding two patches against each other.
 *
 * @param matches by the order of our side
 * @param differences of each match that has any, in the order of the matches
 * @param patterns those that explain most first
 * @param onlyOurs rows that their side has not
 * @param onlyTheirs rows that our side has not
 */
public record Comparison(
        List<Match> matches,
        Map<Match, List<RowDifference>> differences,
        List<Pattern> patterns,
        List<PatchRow> onlyOurs,
        List<PatchRow> onlyTheirs) {
    /** A row that only one side has is as bad as so many differences. */
    private static final int ALONE = 3;

    public Comparison {
        matches = List.copyOf(matches);
        Map<Match, List<RowDifference>> kept = new LinkedHashMap<>();
        differences.forEach((match, of) -> kept.put(match, List.copyOf(of)));
        differences = Collections.unmodifiableMap(kept);
        patterns = List.copyOf(patterns);
        onlyOurs = List.copyOf(onlyOurs);
        onlyTheirs = List.copyOf(onlyTheirs);
    }

    /**
     * Holds two patches against each other; its work grows with their rows, and a little more. Rows are matched by their IDs unless they agree
     * better without: then the IDs of one side are others.
     */
    public static Comparison of(List<PatchRow> ours, List<PatchRow> theirs) {
        return of(ours, theirs, Told.NOTHING);
    }

    /** As {@link #of(List, List)}, with what somebody said of rows that could be taken for several. */
    public static Comparison of(List<PatchRow> ours, List<PatchRow> theirs, Told told) {
        Comparison byId = of(new RowMatcher(ours, theirs, true, told));
        // Where patterns explain all of it, no other matching is nearer.
        if (byId.apart() <= byId.patterns().size()
                || byId.matches().stream().noneMatch(m -> m.reason() == Match.Reason.SAME_ID)) {
            return byId;
        }
        Comparison otherwise = of(new RowMatcher(ours, theirs, false, told));
        return otherwise.apart() < byId.apart() ? otherwise : byId;
    }

    private static Comparison of(RowMatcher matcher) {
        List<Match> matches = matcher.matches();
        Map<Match, List<RowDifference>> differences = new LinkedHashMap<>();
        RowDifferences of = new RowDifferences(matches);
        for (Match match : matches) {
            List<RowDifference> found = of.of(match);
            if (!found.isEmpty()) {
                differences.put(match, found);
            }
        }
        return new Comparison(
                matches, differences, PatternFinder.find(matches), matcher.onlyOurs(), matcher.onlyTheirs());
    }

    /** How far the sides are apart: what differs and no pattern explains, what only one of them has, and each pattern. */
    private int apart() {
        return odd().stream()
                        .mapToInt(m -> differences.getOrDefault(m, List.of()).size())
                        .sum()
                + ALONE * (onlyOurs.size() + onlyTheirs.size())
                + patterns.size();
    }

    /** True when both sides say the same of all that both have. */
    public boolean isSame() {
        return differences.isEmpty() && onlyOurs.isEmpty() && onlyTheirs.isEmpty();
    }

    /** The matches whose differences no pattern explains. */
    public List<Match> odd() {
        Set<Match> explained = new HashSet<>();
        patterns.forEach(p -> explained.addAll(p.explains()));
        return differences.keySet().stream().filter(m -> !explained.contains(m)).toList();
    }
}
