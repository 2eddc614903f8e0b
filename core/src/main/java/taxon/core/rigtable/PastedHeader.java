package taxon.core.rigtable;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import taxon.core.listing.Column;
import taxon.core.listing.ColumnGuess;
import taxon.core.listing.ColumnMap;
import taxon.core.listing.TableRow;

/**
 * What the first of pasted rows says of their columns, by the words of the table and those of any list.
 *
 * @param columns by their index
 * @param universe the index of a universe that stands beside its slot
 * @param slot the index of the slot
 * @param unknown headers that no column is called by
 */
record PastedHeader(
        Map<Integer, FixtureColumn> columns, Optional<Integer> universe, Optional<Integer> slot, List<String> unknown) {

    /** Empty where the first row is data. */
    static Optional<PastedHeader> of(List<TableRow> rows) {
        TableRow first = rows.get(0);
        ColumnMap guess = ColumnGuess.under(rows, 0);
        Map<Integer, FixtureColumn> columns = new TreeMap<>();
        guess.columns().forEach((index, column) -> FixtureColumn.of(column).ifPresent(c -> columns.put(index, c)));
        for (int i = 0; i < first.cells().size(); i++) {
            int index = i;
            FixtureColumn.called(first.cell(i)).ifPresent(c -> {
                columns.values().removeIf(c::equals);
                columns.put(index, c);
            });
        }
        Map<Column, Integer> parts = guess.columns().entrySet().stream()
                .filter(e -> e.getValue() == Column.UNIVERSE || e.getValue() == Column.SLOT)
                .filter(e -> !columns.containsKey(e.getKey()))
                .collect(Collectors.toMap(Map.Entry::getValue, Map.Entry::getKey));
        PastedHeader header = new PastedHeader(
                columns,
                Optional.ofNullable(parts.get(Column.UNIVERSE)),
                Optional.ofNullable(parts.get(Column.SLOT)),
                unknown(first, columns, parts));
        return header.isHeader(first) ? Optional.of(header) : Optional.empty();
    }

    private static List<String> unknown(
            TableRow first, Map<Integer, FixtureColumn> columns, Map<Column, Integer> parts) {
        List<String> unknown = new ArrayList<>();
        for (int i = 0; i < first.cells().size(); i++) {
            if (!first.cell(i).isEmpty() && !columns.containsKey(i) && !parts.containsValue(i)) {
                unknown.add(first.cell(i));
            }
        }
        return unknown;
    }

    /** One word that is known may stand in a note; two, or nothing else, are a header. */
    private boolean isHeader(TableRow first) {
        int known = columns.size() + (universe.isPresent() && slot.isPresent() ? 1 : 0);
        long words = first.cells().stream().filter(c -> !c.isBlank()).count();
        return known > 1 || known == 1 && known == words;
    }

    Optional<Integer> id() {
        return columns.entrySet().stream()
                .filter(e -> e.getValue() == FixtureColumn.ID)
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** What a row gives to the fixture that it goes to. */
    Map<FixtureColumn, String> texts(TableRow row) {
        Map<FixtureColumn, String> texts = new TreeMap<>();
        columns.forEach((index, column) -> {
            if (index < row.cells().size()) {
                texts.put(column, row.cells().get(index));
            }
        });
        if (universe.isPresent() && slot.isPresent() && !texts.containsKey(FixtureColumn.ADDRESS)) {
            String from = row.cell(universe.get());
            String at = row.cell(slot.get());
            texts.put(FixtureColumn.ADDRESS, from.isEmpty() && at.isEmpty() ? "" : from + "." + at);
        }
        return texts;
    }
}
