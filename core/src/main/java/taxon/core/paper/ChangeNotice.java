package taxon.core.paper;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.history.ChangeLine;
import taxon.core.history.ChangeLines;
import taxon.core.paper.Paper.Part;
import taxon.core.rig.Element;
import taxon.core.rig.ElementKey;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.PlanDelta.Change;
import taxon.core.rig.Position;

/** What is planned otherwise than in an earlier revision, field by field: fixtures by position, then everything else. */
final class ChangeNotice {
    private static final List<Column> COLUMNS =
            List.of(Column.text("Which"), Column.text("What"), Column.text("Before"), Column.text("Now"));

    /** What was set on units, and what was seen of them, is no plan. */
    private static final Set<Kind> PLANNED = EnumSet.complementOf(EnumSet.of(Kind.EVIDENCE, Kind.CHECK));

    private ChangeNotice() {}

    /** Without an earlier state to compare with there is nothing on it. */
    static Paper of(Plan plan, PaperChoice choice) {
        String since = choice.since().map(PaperChoice.Since::words).orElse("no revision to compare with");
        List<Part> parts = choice.since().map(s -> parts(s.plan(), plan)).orElse(List.of(new Part("", List.of())));
        List<Part> listed = parts.stream()
                .map(p -> new Part(
                        p.title(),
                        p.rows().stream()
                                .map(r -> r.stream().map(ChangeNotice::listed).toList())
                                .toList()))
                .toList();
        return new Paper(PaperKind.CHANGES, since, COLUMNS, parts, Listings.of(COLUMNS, listed));
    }

    /** A spreadsheet makes 4.3 of an address that stands alone in its cell. */
    private static Cell listed(Cell cell) {
        return cell.words().matches("\\d+\\.\\d+") ? Cell.of("address " + cell.words()) : cell;
    }

    private static List<Part> parts(Plan before, Plan now) {
        Map<String, List<List<Cell>>> rows = new LinkedHashMap<>();
        PlanDelta.between(before, now).changes().entrySet().stream()
                .filter(e -> PLANNED.contains(e.getKey().kind()))
                // Fixtures first: they are what somebody has to walk to.
                .sorted((a, b) -> Boolean.compare(isOther(a.getKey()), isOther(b.getKey())))
                .forEach(e -> rows.computeIfAbsent(title(e.getValue(), before, now), t -> new ArrayList<>())
                        .addAll(rows(e.getKey(), e.getValue(), before, now)));
        List<Part> parts = new ArrayList<>();
        rows.forEach((title, own) -> parts.add(new Part(title, own)));
        return parts.isEmpty() ? List.of(new Part("", List.of())) : parts;
    }

    private static boolean isOther(ElementKey key) {
        return key.kind() != Kind.FIXTURE;
    }

    private static String title(Change change, Plan before, Plan now) {
        Element element = change.after().or(change::before).orElseThrow();
        if (element instanceof Fixture fixture) {
            return now.position(fixture.position())
                    .or(() -> before.position(fixture.position()))
                    .map(Position::name)
                    .orElse("No position");
        }
        return "Other than fixtures";
    }

    private static List<List<Cell>> rows(ElementKey key, Change change, Plan before, Plan now) {
        Plan names = change.after().isPresent() ? now : before;
        PlanDelta one = new PlanDelta(new TreeMap<>(Map.of(key, change)));
        return ChangeLines.of(one, names).stream().map(ChangeNotice::row).toList();
    }

    private static List<Cell> row(ChangeLine line) {
        return List.of(Cell.of(line.who()), Cell.of(line.what()), Cell.of(line.before()), Cell.of(line.after()));
    }
}
