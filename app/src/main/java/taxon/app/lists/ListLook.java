package taxon.app.lists;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.listing.Column;
import taxon.core.listing.ColumnMap;
import taxon.core.listing.KeptMapping;
import taxon.core.listing.TableRow;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * How a list is looked at, as far as somebody said.
 *
 * @param sheet of a workbook; empty for the first
 * @param kept the name of the mapping that its columns are read by; empty for none
 * @param columns what its columns hold, where that was said
 */
public record ListLook(String sheet, String kept, Optional<ColumnMap> columns) {
    /** Reads what {@link #write} wrote. */
    public static ListLook read(JsonNode stored) {
        return new ListLook(
                stored.path("sheet").asString(""), stored.path("kept").asString(""), readColumns(stored));
    }

    private static Optional<ColumnMap> readColumns(JsonNode stored) {
        JsonNode columns = stored.path("columns");
        if (!columns.isObject()) {
            return Optional.empty();
        }
        Map<Integer, Column> map = new TreeMap<>();
        columns.properties()
                .forEach(e -> map.put(
                        Integer.valueOf(e.getKey()), Column.valueOf(e.getValue().asString())));
        return Optional.of(new ColumnMap(stored.path("header").asInt(0), map));
    }

    /** Puts it into what is stored. */
    public void write(ObjectNode node) {
        node.put("sheet", sheet).put("kept", kept);
        columns.ifPresent(map -> {
            node.put("header", map.headerLine());
            ObjectNode cells = node.putObject("columns");
            map.columns().forEach((index, column) -> cells.put(index.toString(), column.name()));
        });
    }

    /** Read by what is said here. */
    public ListLook with(ColumnMap wanted) {
        return new ListLook(sheet, "", Optional.of(wanted));
    }

    /** Read by what is kept under a name, or guessed where that is empty. */
    public ListLook keptBy(String name) {
        return new ListLook(sheet, name, Optional.empty());
    }

    /** Another sheet has other columns. */
    public ListLook onSheet(String wanted) {
        return new ListLook(wanted, "", Optional.empty());
    }

    /** Of what is kept: the one that was named, else one that was kept for lists with this very header; none where the columns were said. */
    public Optional<KeptMapping> mapping(List<KeptMapping> all, List<TableRow> rows) {
        if (columns.isPresent()) {
            return Optional.empty();
        }
        return all.stream()
                .filter(m -> kept.isEmpty() ? m.isMadeFor(rows) : m.name().equals(kept))
                .findFirst();
    }
}
