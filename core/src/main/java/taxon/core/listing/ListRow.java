package taxon.core.listing;

import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

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
