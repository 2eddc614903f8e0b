package taxon.app.store;

import java.time.Clock;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.stereotype.Repository;
import taxon.app.store.ImportMapper.ImportRow;
import taxon.core.equipmentlist.Choice;
import taxon.core.fixture.TypeId;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** Equipment lists that were given and wait for a decision, with what was chosen for their rows. */
@Repository
public class ImportStore {
    private final ImportMapper rows;
    private final Clock clock;

    ImportStore(ImportMapper rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /** @param choices by line number */
    public record StoredImport(int id, String fileName, byte[] content, Map<Integer, Choice> choices, Progress state) {}

    public int add(int job, String fileName, byte[] content) {
        int id = rows.nextId();
        rows.add(id, job, fileName, content, clock.instant().toString());
        return id;
    }

    public Optional<StoredImport> find(int job, int id) {
        return rows.find(job, id).map(ImportStore::stored);
    }

    public void choose(int job, int id, Map<Integer, Choice> choices) {
        ObjectNode node = Json.object();
        choices.forEach((line, c) ->
                node.putObject(line.toString()).put("type", c.type().value()).put("mode", c.mode()));
        rows.choose(job, id, node.toString());
    }

    /** Ends an open one; false when it was ended already, as by a form that is posted twice. */
    public boolean end(int job, int id, Progress state) {
        return rows.end(job, id, state.name()) == 1;
    }

    private static StoredImport stored(ImportRow row) {
        Map<Integer, Choice> choices = new TreeMap<>();
        Json.parse(row.choices())
                .properties()
                .forEach(e -> choices.put(
                        Integer.valueOf(e.getKey()),
                        new Choice(
                                TypeId.of(e.getValue().path("type").asString()),
                                e.getValue().path("mode").asString())));
        return new StoredImport(row.id(), row.fileName(), row.content(), choices, Progress.valueOf(row.state()));
    }
}
