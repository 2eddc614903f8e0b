package taxon.core.listing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * Where the header of a table is and what each of its columns holds.
 *
 * @param headerLine the line of the header; rows above it are titles. 0 when there is none
 * @param columns by their index from 0; no two hold the same
 */
public record ColumnMap(int headerLine, Map<Integer, Column> columns) {
    public ColumnMap {
        columns = Collections.unmodifiableMap(new TreeMap<>(columns));
        Set<Column> once = EnumSet.noneOf(Column.class);
        columns.forEach((index, column) -> {
            if (index < 0 || !once.add(column)) {
                throw new IllegalArgumentException("column " + index + " holds the " + column.words() + " again");
            }
        });
        if (headerLine < 0) {
            throw new IllegalArgumentException("header on line " + headerLine);
        }
    }

    /** Nothing is known of any column. */
    public static ColumnMap unknown(int headerLine) {
        return new ColumnMap(headerLine, Map.of());
    }

    public boolean has(Column column) {
        return columns.containsValue(column);
    }

    /** True when rows say of themselves what they are: a type, and at least one thing more. */
    public boolean namesFixtures() {
        return has(Column.TYPE) && columns.size() > 1;
    }

    /** A row by what its columns hold. */
    public ListRow row(TableRow row) {
        Map<Column, String> cells = new EnumMap<>(Column.class);
        columns.forEach((index, column) -> cells.put(column, row.cell(index)));
        return new ListRow(row.line(), cells, row.cells());
    }

    /**
     * The headers of columns that are left out, as they are spelled.
     *
     * @param read by something else
     */
    List<String> leftOut(List<TableRow> table, Set<Integer> read) {
        List<String> out = new ArrayList<>();
        table.stream()
                .filter(r -> headerLine > 0 && r.line() == headerLine)
                .findFirst()
                .ifPresent(header -> {
                    for (int i = 0; i < header.cells().size(); i++) {
                        if (!columns.containsKey(i)
                                && !read.contains(i)
                                && !header.cell(i).isEmpty()) {
                            out.add(header.cell(i));
                        }
                    }
                });
        return out;
    }
}
