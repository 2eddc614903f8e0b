package taxon.app.store;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Repository;
import taxon.core.listing.Column;
import taxon.core.listing.KeptMapping;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** What the columns of lists hold that come again and again. */
@Repository
public class MappingStore {
    private final MappingMapper rows;
    private final Clock clock;

    MappingStore(MappingMapper rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /** All that are kept, by name. */
    public List<KeptMapping> all() {
        return rows.all().stream().map(MappingStore::read).toList();
    }

    /** Keeps one, in the place of one of the same name. */
    public void keep(KeptMapping mapping) {
        ObjectNode columns = Json.object();
        new TreeMap<>(mapping.columns()).forEach((index, column) -> columns.put(index.toString(), column.name()));
        ObjectNode headers = Json.object();
        var list = headers.putArray("headers");
        mapping.headers().forEach(list::add);
        rows.keep(
                mapping.name(),
                headers.toString(),
                columns.toString(),
                clock.instant().toString());
    }

    /** True when there was one of that name. */
    public boolean forget(String name) {
        return rows.forget(name) == 1;
    }

    private static KeptMapping read(MappingMapper.MappingRow row) {
        Map<Integer, Column> columns = new TreeMap<>();
        Json.parse(row.columns())
                .properties()
                .forEach(e -> columns.put(
                        Integer.valueOf(e.getKey()), Column.valueOf(e.getValue().asString())));
        List<String> headers = Json.parse(row.headers())
                .path("headers")
                .valueStream()
                .map(h -> h.asString())
                .toList();
        return new KeptMapping(row.name(), headers, columns);
    }
}
