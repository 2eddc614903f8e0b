package taxon.core.rigtable;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/**
 * Rows pasted from a spreadsheet, matched with fixtures.
 *
 * <p>Where the first row is a header with the fixture ID among its columns, every row goes to the fixture of its ID. Else
 * the rows go one by one to the rows of the table from where they were pasted, and so do the columns.
 *
 * @param byId true when a header was found
 * @param changes the cells; those that read as they did are among them
 * @param left what found no place
 */
public record Pasted(boolean byId, List<FieldChange> changes, List<Left> left) {
    public Pasted {
        changes = List.copyOf(changes);
        left = List.copyOf(left);
    }

    /**
     * Something pasted that goes nowhere.
     *
     * @param row counted from 1
     * @param text of the cell that says so
     */
    public record Left(int row, Why why, String text) {}

    /** Why something goes nowhere. */
    public enum Why {
        /** No fixture has the ID. */
        UNKNOWN_ID,
        /** Several fixtures have the ID. */
        SHARED_ID,
        /** There are more rows than the table has below. */
        BEYOND_LAST_ROW,
        /** There are more columns than can be edited to the right. */
        BEYOND_LAST_COLUMN,
        /** The header names no column that can be edited. */
        UNKNOWN_COLUMN
    }

    /**
     * Matches what was pasted.
     *
     * @param below the fixtures of the table from the row that was pasted at
     * @param columns the columns that can be edited, from the one that was pasted at
     */
    public static Pasted match(Plan plan, List<List<String>> cells, List<Fixture> below, List<FixtureColumn> columns) {
        if (cells.isEmpty()) {
            return new Pasted(false, List.of(), List.of());
        }
        List<Optional<FixtureColumn>> header =
                cells.get(0).stream().map(FixtureColumn::ofHeader).toList();
        int id = header.indexOf(Optional.of(FixtureColumn.ID));
        boolean headed = id >= 0 && header.stream().filter(Optional::isPresent).count() > 1;
        return headed ? byId(plan, cells, header, id) : inPlace(cells, below, columns);
    }

    private static Pasted byId(Plan plan, List<List<String>> cells, List<Optional<FixtureColumn>> header, int id) {
        Map<String, List<Fixture>> byId = new HashMap<>();
        plan.fixtures()
                .forEach(f -> f.id().ifPresent(i -> byId.computeIfAbsent(i.toString(), k -> new ArrayList<>())
                        .add(f)));
        List<FieldChange> changes = new ArrayList<>();
        List<Left> left = new ArrayList<>();
        for (int c = 0; c < header.size(); c++) {
            if (header.get(c).isEmpty() && !cells.get(0).get(c).isBlank()) {
                left.add(new Left(1, Why.UNKNOWN_COLUMN, cells.get(0).get(c)));
            }
        }
        for (int r = 1; r < cells.size(); r++) {
            List<String> row = cells.get(r);
            String wanted = id < row.size() ? row.get(id).strip() : "";
            List<Fixture> found = byId.getOrDefault(wanted, List.of());
            if (found.size() != 1) {
                left.add(new Left(r + 1, found.isEmpty() ? Why.UNKNOWN_ID : Why.SHARED_ID, wanted));
                continue;
            }
            for (int c = 0; c < Math.min(row.size(), header.size()); c++) {
                String text = row.get(c);
                header.get(c)
                        .filter(column -> column != FixtureColumn.ID)
                        .ifPresent(column ->
                                changes.add(new FieldChange(found.get(0).key(), column, text)));
            }
        }
        return new Pasted(true, changes, left);
    }

    private static Pasted inPlace(List<List<String>> cells, List<Fixture> below, List<FixtureColumn> columns) {
        List<FieldChange> changes = new ArrayList<>();
        List<Left> left = new ArrayList<>();
        for (int r = 0; r < cells.size(); r++) {
            List<String> row = cells.get(r);
            if (r >= below.size()) {
                left.add(new Left(r + 1, Why.BEYOND_LAST_ROW, row.isEmpty() ? "" : row.get(0)));
                continue;
            }
            for (int c = 0; c < row.size(); c++) {
                if (c < columns.size()) {
                    changes.add(new FieldChange(below.get(r).key(), columns.get(c), row.get(c)));
                } else {
                    left.add(new Left(r + 1, Why.BEYOND_LAST_COLUMN, row.get(c)));
                }
            }
        }
        return new Pasted(false, changes, left);
    }
}
