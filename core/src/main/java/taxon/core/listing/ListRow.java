package taxon.core.listing;

import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.UnaryOperator;

/**
 * One row of a list, by what its columns mean.
 *
 * @param line the line of the file on which the row begins, from 1
 * @param cells stripped; a column that the list lacks is not in it
 * @param all every cell of the row as it stood there, known or not
 * @param later what it says of the addresses of later blocks, by the number of the block; empty cells where a list that has these columns
 *     says nothing
 */
public record ListRow(int line, Map<Column, String> cells, List<String> all, SortedMap<Integer, ListRow> later) {
    public ListRow {
        Map<Column, String> copy = new EnumMap<>(Column.class);
        cells.forEach((column, cell) -> copy.put(column, cell.strip()));
        cells = Collections.unmodifiableMap(copy);
        all = List.copyOf(all);
        later = Collections.unmodifiableSortedMap(new TreeMap<>(later));
    }

    /** A row of a list without columns for later blocks. */
    public ListRow(int line, Map<Column, String> cells, List<String> all) {
        this(line, cells, all, new TreeMap<>());
    }

    ListRow with(SortedMap<Integer, ListRow> ofLaterBlocks) {
        return new ListRow(line, cells, all, ofLaterBlocks);
    }

    /** The same row with another text in a column; a list without that column stays without it. */
    public ListRow withCell(Column column, String text) {
        if (!has(column) || cell(column).equals(text)) {
            return this;
        }
        Map<Column, String> changed = new EnumMap<>(cells);
        changed.put(column, text);
        return new ListRow(line, changed, all, later);
    }

    /** The same row with what it says of later blocks put otherwise. */
    public ListRow withLater(UnaryOperator<ListRow> otherwise) {
        SortedMap<Integer, ListRow> changed = new TreeMap<>();
        later.forEach((block, row) -> changed.put(block, otherwise.apply(row)));
        return with(changed);
    }

    /** A row of which only those cells are known. */
    public static ListRow of(int line, Map<Column, String> cells) {
        return new ListRow(line, cells, List.copyOf(cells.values()));
    }

    /** True when the list has this column at all. */
    public boolean has(Column column) {
        return cells.containsKey(column);
    }

    /** The cell, empty when the list lacks the column. */
    public String cell(Column column) {
        return cells.getOrDefault(column, "");
    }
}
