package taxon.core.listing;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * What the columns of one kind of list hold, kept by name for the next list that is made alike.
 *
 * @param name as whoever keeps it calls it
 * @param headers the keys of all headers that the list had ({@link HeaderWords#key}), in their order; none where it had no header
 * @param columns the columns by their index in that list
 */
public record KeptMapping(String name, List<String> headers, Map<Integer, Column> columns) {
    public static final int LONGEST_NAME = 60;

    public KeptMapping {
        headers = List.copyOf(headers);
        columns = Map.copyOf(new ColumnMap(0, columns).columns());
    }

    /** What is known of a table, to be kept. */
    public static KeptMapping of(String name, List<TableRow> table, ColumnMap map) {
        return new KeptMapping(
                name, headerOf(table, map.headerLine()).map(KeptMapping::keys).orElse(List.of()), map.columns());
    }

    /** True for a table that has this very header somewhere at its beginning. */
    public boolean isMadeFor(List<TableRow> table) {
        return !headers.isEmpty()
                && table.stream().limit(ColumnGuess.HEADER_WITHIN).anyMatch(r -> keys(r).equals(headers));
    }

    /** The columns of a table by the headers that are known from this one; empty where none of them is there. */
    public Optional<ColumnMap> on(List<TableRow> table) {
        if (headers.isEmpty()) {
            return Optional.of(new ColumnMap(0, columns));
        }
        Map<String, Column> byKey = new HashMap<>();
        columns.forEach((index, column) -> {
            if (index < headers.size()) {
                byKey.put(headers.get(index), column);
            }
        });
        Optional<ColumnMap> best = Optional.empty();
        for (TableRow row : table.subList(0, Math.min(table.size(), ColumnGuess.HEADER_WITHIN))) {
            ColumnMap found = under(row, byKey);
            if (found.columns().size() > best.map(b -> b.columns().size()).orElse(0)) {
                best = Optional.of(found);
            }
        }
        return best;
    }

    private static ColumnMap under(TableRow row, Map<String, Column> byKey) {
        Map<Integer, Column> columns = new TreeMap<>();
        Set<Column> taken = new HashSet<>();
        List<String> keys = keys(row);
        for (int i = 0; i < keys.size(); i++) {
            int index = i;
            Optional.ofNullable(byKey.get(keys.get(i)))
                    .filter(taken::add)
                    .ifPresent(column -> columns.put(index, column));
        }
        return new ColumnMap(row.line(), columns);
    }

    private static Optional<TableRow> headerOf(List<TableRow> table, int line) {
        return table.stream().filter(r -> line > 0 && r.line() == line).findFirst();
    }

    private static List<String> keys(TableRow row) {
        return row.cells().stream().map(HeaderWords::key).toList();
    }
}
