package taxon.core.listing;

import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Where a table holds the addresses of later blocks: under "Block 2 universe" and "Block 2 slot", or "Block 2 address", as the lists of
 * Taxon have it.
 *
 * @param columns by the number of the block, 2 or more; of each what is held where, by index from 0
 */
record LaterBlocks(SortedMap<Integer, SortedMap<Column, Integer>> columns) {
    private static final Pattern HEADER =
            Pattern.compile("block[ _-]*([2-9]|[1-9]\\d)[ _-]*(universe|slot|address)", Pattern.CASE_INSENSITIVE);

    LaterBlocks {
        columns = Collections.unmodifiableSortedMap(new TreeMap<>(columns));
    }

    /** @param taken columns that somebody said hold something else */
    static LaterBlocks of(List<String> header, Set<Integer> taken) {
        SortedMap<Integer, SortedMap<Column, Integer>> columns = new TreeMap<>();
        for (int i = 0; i < header.size(); i++) {
            Matcher matcher = HEADER.matcher(header.get(i).strip());
            if (!taken.contains(i) && matcher.matches()) {
                Column column = Column.valueOf(matcher.group(2).toUpperCase(Locale.ROOT));
                columns.computeIfAbsent(Integer.parseInt(matcher.group(1)), b -> new TreeMap<>())
                        .putIfAbsent(column, i);
            }
        }
        return new LaterBlocks(columns);
    }

    /** The columns that it reads. */
    Set<Integer> indices() {
        Set<Integer> all = new TreeSet<>();
        columns.values().forEach(c -> all.addAll(c.values()));
        return all;
    }

    /** What a row says of each of them; empty cells where it says nothing. */
    SortedMap<Integer, ListRow> cells(TableRow row) {
        SortedMap<Integer, ListRow> cells = new TreeMap<>();
        columns.forEach((block, where) -> {
            SortedMap<Column, String> own = new TreeMap<>();
            where.forEach((column, index) -> own.put(column, row.cell(index)));
            cells.put(block, ListRow.of(row.line(), own));
        });
        return cells;
    }
}
