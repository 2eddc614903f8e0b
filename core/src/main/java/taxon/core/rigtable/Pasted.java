package taxon.core.rigtable;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import taxon.core.fixture.Part;
import taxon.core.listing.ColumnGuess;
import taxon.core.listing.TableRow;
import taxon.core.rig.Fixture;
import taxon.core.rig.PartRef;
import taxon.core.rig.Plan;
import taxon.core.rig.RigPart;

/**
 * Rows pasted from a spreadsheet, matched with fixtures.
 *
 * <p>Where the first row is a header with the fixture ID among its columns, every row goes to the fixture of its ID. Where
 * it is a header without, the rows go one by one to the rows of the table from where they were pasted, and their columns where the
 * header says; without a header the columns go one by one, too. No header is ever taken for a row.
 *
 * @param byId true when a header with the fixture ID was found
 * @param headed true when the first row was a header, and is no row
 * @param changes the cells; those that read as they did are among them
 * @param left what found no place
 */
public record Pasted(boolean byId, boolean headed, List<FieldChange> changes, List<Left> left) {
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
        UNKNOWN_COLUMN,
        /** The first row reads like a header, but none of its words are known. */
        UNKNOWN_HEADER
    }

    /**
     * Matches what was pasted.
     *
     * @param below the rows of the table from the one that was pasted at
     * @param columns the columns that can be edited, from the one that was pasted at
     */
    public static Pasted match(Plan plan, List<TableRow> rows, List<RigPart> below, List<FixtureColumn> columns) {
        if (rows.isEmpty()) {
            return new Pasted(false, false, List.of(), List.of());
        }
        Optional<PastedHeader> header = PastedHeader.of(rows);
        Gathered gathered = new Gathered(rows);
        if (header.isPresent()) {
            header.get().unknown().forEach(h -> gathered.left.add(new Left(1, Why.UNKNOWN_COLUMN, h)));
            return header.get().id().isPresent()
                    ? gathered.byId(plan, header.get(), header.get().id().get())
                    : gathered.underHeader(below, header.get());
        }
        boolean headed = ColumnGuess.readsLikeHeader(rows);
        if (headed) {
            gathered.left.add(new Left(
                    1, Why.UNKNOWN_HEADER, String.join(", ", rows.get(0).cells())));
        }
        return gathered.inPlace(headed ? 1 : 0, below, columns);
    }

    /** What goes where, as the rows are gone through. */
    private static final class Gathered {
        private final List<TableRow> rows;
        private final List<FieldChange> changes = new ArrayList<>();
        private final List<Left> left = new ArrayList<>();

        Gathered(List<TableRow> rows) {
            this.rows = rows;
        }

        Pasted byId(Plan plan, PastedHeader header, int id) {
            Map<String, List<Fixture>> byId = new HashMap<>();
            plan.fixtures()
                    .forEach(f -> f.id().ifPresent(i -> byId.computeIfAbsent(i.toString(), k -> new ArrayList<>())
                            .add(f)));
            for (int r = 1; r < rows.size(); r++) {
                String wanted = rows.get(r).cell(id);
                List<RigPart> found = called(plan, wanted, byId);
                if (found.size() == 1) {
                    change(found.get(0), header, rows.get(r));
                } else {
                    left.add(new Left(r + 1, found.isEmpty() ? Why.UNKNOWN_ID : Why.SHARED_ID, wanted));
                }
            }
            return new Pasted(true, true, changes, left);
        }

        /** "101", "101.0" as a table program writes it, or "101, cell 3". */
        private static List<RigPart> called(Plan plan, String wanted, Map<String, List<Fixture>> byId) {
            String[] sides = wanted.split(",\\s*(?=[cClL])", 2);
            Optional<Part> part = sides.length < 2 ? Optional.of(Part.WHOLE) : Part.read(sides[1]);
            return byId.getOrDefault(sides[0].strip().replaceFirst("[.,]0+$", ""), List.of()).stream()
                    .flatMap(f -> part.flatMap(p -> RigPart.find(plan, new PartRef(f.key(), p))).stream())
                    .toList();
        }

        /** The header says what the columns are, and the rows go one by one to those of the table. */
        Pasted underHeader(List<RigPart> below, PastedHeader header) {
            for (int r = 1; r < rows.size(); r++) {
                if (r - 1 < below.size()) {
                    change(below.get(r - 1), header, rows.get(r));
                } else {
                    left.add(new Left(r + 1, Why.BEYOND_LAST_ROW, rows.get(r).cell(0)));
                }
            }
            return new Pasted(false, true, changes, left);
        }

        private void change(RigPart to, PastedHeader header, TableRow row) {
            header.texts(row).forEach((column, text) -> {
                if (column != FixtureColumn.ID) {
                    changes.add(new FieldChange(to.ref(), column, text));
                }
            });
        }

        Pasted inPlace(int from, List<RigPart> below, List<FixtureColumn> columns) {
            for (int r = from; r < rows.size(); r++) {
                List<String> row = rows.get(r).cells();
                if (r - from >= below.size()) {
                    left.add(new Left(r + 1, Why.BEYOND_LAST_ROW, row.isEmpty() ? "" : row.get(0)));
                    continue;
                }
                for (int c = 0; c < row.size(); c++) {
                    if (c < columns.size()) {
                        changes.add(new FieldChange(below.get(r - from).ref(), columns.get(c), row.get(c)));
                    } else {
                        left.add(new Left(r + 1, Why.BEYOND_LAST_COLUMN, row.get(c)));
                    }
                }
            }
            return new Pasted(false, from > 0, changes, left);
        }
    }
}
