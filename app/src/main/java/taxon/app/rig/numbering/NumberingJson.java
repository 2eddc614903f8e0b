package taxon.app.rig.numbering;

import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import taxon.core.numbering.NumberingOrder;
import taxon.core.numbering.NumberingOrder.By;
import taxon.core.numbering.NumberingProposal;
import taxon.core.numbering.NumberingRequest;
import taxon.core.numbering.NumberingRequest.Families;
import taxon.core.numbering.NumberingRequest.Room;
import taxon.core.rig.FixtureKey;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A wish to number fixtures as JSON, as it is stored, and its proposal as scripts get it. */
public final class NumberingJson {
    private NumberingJson() {}

    public static ObjectNode write(NumberingRequest request) {
        ObjectNode node = Json.object()
                .put("by", Json.slug(request.reading().by()))
                .put("fromRight", request.reading().fromRight())
                .put("serpentine", request.reading().serpentine())
                .put("families", Json.slug(request.families()))
                .put("first", request.first())
                .put("room", Json.slug(request.room()))
                .put("keep", request.keep())
                .put("units", request.units());
        ArrayNode fixtures = node.putArray("fixtures");
        request.fixtures().forEach(k -> fixtures.add(k.number()));
        ObjectNode starts = node.putObject("starts");
        request.starts().forEach(starts::put);
        return node;
    }

    public static NumberingRequest read(JsonNode node) {
        Set<FixtureKey> fixtures = new TreeSet<>();
        node.path("fixtures").forEach(k -> fixtures.add(FixtureKey.of(k.asInt())));
        SortedMap<String, Integer> starts = new TreeMap<>();
        node.path("starts")
                .properties()
                .forEach(e -> starts.put(e.getKey(), e.getValue().asInt()));
        return new NumberingRequest(
                fixtures,
                new NumberingOrder(
                        Json.constant(By.class, node.path("by").asString()),
                        node.path("fromRight").asBoolean(),
                        node.path("serpentine").asBoolean()),
                Json.constant(Families.class, node.path("families").asString()),
                node.path("first").asInt(),
                Json.constant(Room.class, node.path("room").asString()),
                starts,
                node.path("keep").asBoolean(),
                node.path("units").asBoolean());
    }

    public static ObjectNode write(NumberingProposal proposal) {
        ObjectNode body = Json.object().put("title", proposal.title()).put("kept", proposal.kept());
        ArrayNode families = body.putArray("families");
        proposal.families()
                .forEach(r -> families.addObject()
                        .put("key", r.family().key())
                        .put("name", r.family().name())
                        .put("members", r.family().members().size())
                        .put("first", r.first())
                        .put("last", r.last())
                        .put("limit", r.limit())
                        .put("kept", r.kept()));
        ArrayNode changes = body.putArray("changes");
        proposal.changes().forEach(c -> {
            ObjectNode one =
                    changes.addObject().put("fixture", c.fixture().key().number());
            c.fixture().id().ifPresent(i -> one.put("before", i.number()));
            c.after().ifPresent(i -> one.put("after", i.number()));
            one.put("unitBefore", c.fixture().unit()).put("unitAfter", c.unitAfter());
        });
        return body;
    }
}
