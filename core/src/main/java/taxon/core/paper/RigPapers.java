package taxon.core.paper;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;
import taxon.core.grouping.Grouping;
import taxon.core.grouping.Groupings;
import taxon.core.grouping.IdRuns;
import taxon.core.paper.Paper.Part;
import taxon.core.paper.PaperChoice.Order;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.Plan;
import taxon.core.text.Counted;

/** Papers of the rig as a whole: its groups, and what leaves the shop. */
final class RigPapers {
    private static final List<Column> GROUP_COLUMNS = List.of(
            Column.figure("Group"),
            Column.text("Name"),
            Column.text("Folder"),
            Column.text("Because"),
            Column.text("Count"),
            Column.text("Fixture IDs"));
    private static final List<Column> COUNT_COLUMNS = List.of(
            Column.figure("Quantity"),
            Column.text("Type"),
            Column.text("Mode"),
            Column.text("Position"),
            Column.text("Fixture IDs"));

    private record Kind(String type, String mode) implements Comparable<Kind> {
        @Override
        public int compareTo(Kind other) {
            int byType = type.compareTo(other.type);
            return byType != 0 ? byType : mode.compareTo(other.mode);
        }
    }

    private RigPapers() {}

    /** Groups that were made, then those that come by themselves. */
    static Paper groups(Plan plan) {
        List<List<Cell>> rows = Groupings.all(plan).stream()
                .map(g -> Paper.cells(
                                g.id().map(FixtureId::toString).orElse(""),
                                g.name(),
                                String.join(" / ", g.folders()),
                                g.origin().words(),
                                count(g),
                                Stream.of(IdRuns.words(g.members()), IdRuns.parts(g.parts()))
                                        .filter(w -> !w.isEmpty())
                                        .collect(Collectors.joining(", ")))
                        .toList())
                .toList();
        return Paper.of(PaperKind.GROUPS, "", GROUP_COLUMNS, List.of(new Part("", rows)));
    }

    /** "8", or "8 + 4 parts". */
    private static String count(Grouping group) {
        int parts = group.parts().size();
        return group.members().size() + (parts == 0 ? "" : " + " + Counted.of(parts, "part"));
    }

    /** How many of each type and mode there are, and of these how many at each position. */
    static Paper counts(Plan plan, PaperChoice choice) {
        Map<Kind, List<Fixture>> kinds = new TreeMap<>();
        choice.of(plan, Order.WALK)
                .forEach(f -> kinds.computeIfAbsent(new Kind(plan.type(f).fullName(), f.mode()), k -> new ArrayList<>())
                        .add(f));
        List<Part> parts = new ArrayList<>();
        Map<TypeId, Long> ofType = kinds.values().stream()
                .flatMap(List::stream)
                .collect(Collectors.groupingBy(Fixture::type, TreeMap::new, Collectors.counting()));
        kinds.forEach((kind, fixtures) -> parts.add(new Part(
                fixtures.size() + " × " + kind.type() + ", " + kind.mode() + cases(plan, fixtures, ofType),
                rows(plan, kind, fixtures))));
        return Paper.of(PaperKind.COUNTS, choice.words(plan), COUNT_COLUMNS, parts);
    }

    /** ", in 4 cases of 2"; empty where nobody said how many fit. Modes of one type travel in the same cases. */
    private static String cases(Plan plan, List<Fixture> fixtures, Map<TypeId, Long> ofType) {
        FixtureType type = plan.type(fixtures.get(0));
        long all = ofType.getOrDefault(type.id(), 0L);
        return type.facts()
                .guide()
                .perCase()
                .map(per -> ", in " + Counted.of((all + per - 1) / per, "case") + " of " + per
                        + (all == fixtures.size() ? "" : " with the other modes of its type"))
                .orElse("");
    }

    private static List<List<Cell>> rows(Plan plan, Kind kind, List<Fixture> fixtures) {
        return fixtures.stream()
                .collect(Collectors.groupingBy(Fixture::position, LinkedHashMap::new, Collectors.toList()))
                .values()
                .stream()
                .map(there -> List.of(
                        Cell.of(there.size()),
                        Cell.of(kind.type()),
                        Cell.of(kind.mode()),
                        Cell.of(plan.position(there.get(0)).name()),
                        Cell.of(IdRuns.words(there))))
                .toList();
    }
}
