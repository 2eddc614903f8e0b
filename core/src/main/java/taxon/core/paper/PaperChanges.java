package taxon.core.paper;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What a printed paper says otherwise than the same paper does now, field by field.
 *
 * @param headings title, job and venue, columns and titles of parts that read otherwise
 * @param rows in the order of the paper now, then those that are gone
 */
public record PaperChanges(List<Change> headings, List<RowChange> rows) {
    public PaperChanges {
        headings = List.copyOf(headings);
        rows = List.copyOf(rows);
    }

    /**
     * One field.
     *
     * @param field the name of its column, or what heading it is
     */
    public record Change(String field, String before, String now) {}

    /** What became of a row. */
    public enum Fate {
        CHANGED,
        NEW,
        GONE
    }

    /**
     * A row that reads otherwise.
     *
     * @param row its words as they stand on the printed paper, or now where it is new
     * @param fields those that changed, where it is still there
     */
    public record RowChange(Fate fate, List<String> row, List<Change> fields) {
        public RowChange {
            row = List.copyOf(row);
            fields = List.copyOf(fields);
        }
    }

    /** True when the paper is still true, word for word. */
    public boolean isNone() {
        return headings.isEmpty() && rows.isEmpty();
    }

    private record Placed(String part, List<String> row) {}

    /**
     * Holds one against the other. Rows are paired by what names them; a paper whose columns are others by now has all its rows gone and new.
     *
     * @param kind of both
     */
    public static PaperChanges between(PaperKind kind, PaperText printed, PaperText now) {
        List<Change> headings = new ArrayList<>();
        heading(headings, "Title", printed.title(), now.title());
        heading(headings, "Job", printed.heading(), now.heading());
        heading(headings, "Columns", String.join(", ", printed.columns()), String.join(", ", now.columns()));
        boolean paired = printed.columns().equals(now.columns());
        Map<List<String>, Deque<Placed>> old = new LinkedHashMap<>();
        for (PaperText.Part part : printed.parts()) {
            for (List<String> row : part.rows()) {
                old.computeIfAbsent(paired ? key(kind, printed, part, row) : row, k -> new ArrayDeque<>())
                        .add(new Placed(part.title(), row));
            }
        }
        List<RowChange> rows = new ArrayList<>();
        Set<Change> titles = new LinkedHashSet<>();
        for (PaperText.Part part : now.parts()) {
            for (List<String> row : part.rows()) {
                Deque<Placed> same = old.getOrDefault(paired ? key(kind, now, part, row) : row, new ArrayDeque<>());
                Placed before = same.poll();
                if (before == null) {
                    rows.add(new RowChange(Fate.NEW, row, List.of()));
                } else {
                    compare(now.columns(), before, new Placed(part.title(), row), rows, titles);
                }
            }
        }
        old.values().forEach(left -> left.forEach(p -> rows.add(new RowChange(Fate.GONE, p.row(), List.of()))));
        emptyParts(printed, now, titles);
        headings.addAll(titles);
        if (headings.isEmpty() && rows.isEmpty() && !printed.equals(now)) {
            headings.add(new Change("Order", "as printed", "the same rows in another order"));
        }
        return new PaperChanges(headings, rows);
    }

    private static void heading(List<Change> headings, String field, String before, String now) {
        if (!before.equals(now)) {
            headings.add(new Change(field, before, now));
        }
    }

    private static void compare(
            List<String> columns, Placed before, Placed now, List<RowChange> rows, Set<Change> titles) {
        if (!before.part().equals(now.part())) {
            titles.add(new Change("Part", before.part(), now.part()));
        }
        List<Change> fields = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            if (!before.row().get(i).equals(now.row().get(i))) {
                fields.add(new Change(
                        columns.get(i), before.row().get(i), now.row().get(i)));
            }
        }
        if (!fields.isEmpty()) {
            rows.add(new RowChange(Fate.CHANGED, before.row(), fields));
        }
    }

    /** Titles of parts that no pair of rows tells of. */
    private static void emptyParts(PaperText printed, PaperText now, Set<Change> titles) {
        Set<String> before = titles(printed);
        Set<String> after = titles(now);
        before.stream()
                .filter(t -> !after.contains(t)
                        && titles.stream().noneMatch(c -> c.before().equals(t)))
                .forEach(t -> titles.add(new Change("Part", t, "")));
        after.stream()
                .filter(t -> !before.contains(t)
                        && titles.stream().noneMatch(c -> c.now().equals(t)))
                .forEach(t -> titles.add(new Change("Part", "", t)));
    }

    private static Set<String> titles(PaperText paper) {
        return paper.parts().stream().map(PaperText.Part::title).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** The words by which people tell the rows of a paper apart. */
    private static List<String> key(PaperKind kind, PaperText paper, PaperText.Part part, List<String> row) {
        List<String> key = new ArrayList<>();
        key.add(kind.naming(part.title()));
        kind.naming().stream()
                .map(paper.columns()::indexOf)
                .filter(i -> i >= 0)
                .map(row::get)
                .forEach(key::add);
        return key;
    }
}
