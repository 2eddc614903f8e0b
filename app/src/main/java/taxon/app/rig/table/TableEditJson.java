package taxon.app.rig.table;

import java.util.ArrayList;
import java.util.List;
import taxon.core.rig.PartRef;
import taxon.core.rigtable.FieldChange;
import taxon.core.rigtable.FixtureColumn;
import taxon.core.rigtable.TableWork;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Changes of cells as JSON: as they wait to be applied, and as a script reads them. */
public final class TableEditJson {
    private TableEditJson() {}

    /** @param left sentences on what of the pasted found no place */
    public record Wanted(String title, List<FieldChange> changes, List<String> left) {
        public Wanted {
            changes = List.copyOf(changes);
            left = List.copyOf(left);
        }
    }

    public static ObjectNode write(Wanted wanted) {
        ObjectNode node = Json.object().put("title", wanted.title());
        ArrayNode changes = node.putArray("changes");
        wanted.changes()
                .forEach(c -> changes.addArray()
                        .add(c.row().toString())
                        .add(Json.slug(c.column()))
                        .add(c.text()));
        ArrayNode left = node.putArray("left");
        wanted.left().forEach(left::add);
        return node;
    }

    public static Wanted read(JsonNode node) {
        List<FieldChange> changes = new ArrayList<>();
        node.path("changes")
                .forEach(c -> changes.add(new FieldChange(
                        PartRef.read(c.path(0).asString()).orElseThrow(),
                        Json.constant(FixtureColumn.class, c.path(1).asString()),
                        c.path(2).asString())));
        List<String> left = new ArrayList<>();
        node.path("left").forEach(l -> left.add(l.asString()));
        return new Wanted(node.path("title").asString(""), changes, left);
    }

    public static ObjectNode write(Wanted wanted, TableWork work) {
        ObjectNode body = Json.object().put("title", wanted.title());
        ArrayNode moves = body.putArray("moves");
        work.moves()
                .forEach(m -> moves.addObject()
                        .put("fixture", m.fixture().key().number())
                        .put("part", m.row().part().toString())
                        .put("column", Json.slug(m.column()))
                        .put("before", m.before())
                        .put("after", m.after()));
        ArrayNode faults = body.putArray("faults");
        work.faults()
                .forEach(f -> faults.addObject()
                        .put("fixture", f.change().fixture().number())
                        .put("part", f.change().row().part().toString())
                        .put("column", Json.slug(f.change().column()))
                        .put("sentence", f.reason().sentence()));
        ArrayNode left = body.putArray("left");
        wanted.left().forEach(left::add);
        ArrayNode positions = body.putArray("newPositions");
        work.newPositions().forEach(positions::add);
        return body;
    }
}
