package taxon.formats.json;

import java.util.List;
import java.util.stream.Stream;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Condition;
import taxon.core.fixture.Levels;
import taxon.core.fixture.Part;
import taxon.core.fixture.PhysicalRange;
import taxon.core.fixture.RangeSet;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A channel as JSON, with what its values do; the shape is {@code $defs/channel} of the schema. */
final class ChannelJson {
    private ChannelJson() {}

    static ObjectNode write(Channel channel) {
        ObjectNode node = Json.object().put("attribute", channel.attribute().name());
        Part part = channel.part();
        if (part.path().size() == 1) {
            node.put(Json.slug(part.kind()), part.path().get(0));
        } else if (part.kind() != Part.Kind.WHOLE) {
            node.put(Json.slug(part.kind()), part.number());
        }
        ArrayNode offsets = node.putArray("offsets");
        channel.offsets().forEach(offsets::add);
        node.put("default", channel.rest());
        channel.highlight().ifPresent(h -> node.put("highlight", h));
        if (!channel.functions().isEmpty()) {
            ArrayNode functions = node.putArray("functions");
            channel.functions().forEach(f -> functions.add(write(f)));
        }
        return node;
    }

    private static ObjectNode write(ChannelFunction function) {
        ObjectNode node = Json.object()
                .put("name", function.name())
                .put("attribute", function.attribute().name())
                .put("from", function.from())
                .put("default", function.rest());
        write(function.physical(), node);
        if (!function.sets().isEmpty()) {
            ArrayNode sets = node.putArray("sets");
            function.sets().forEach(s -> sets.add(write(s)));
        }
        function.condition()
                .ifPresent(c -> node.putObject("when")
                        .put("attribute", c.master().name())
                        .put("function", c.function())
                        .put("from", c.from())
                        .put("to", c.to())
                        .put("bytes", c.bytes()));
        return node;
    }

    private static ObjectNode write(RangeSet set) {
        ObjectNode node = Json.object().put("name", set.name()).put("from", set.from());
        set.physical().ifPresent(p -> write(p, node));
        return node;
    }

    private static void write(PhysicalRange range, ObjectNode node) {
        node.put("physicalFrom", range.from()).put("physicalTo", range.to());
    }

    static Channel read(JsonNode node) {
        return new Channel(
                Attribute.of(Json.text(node, "attribute")),
                part(node),
                Json.list(node, "offsets", JsonNode::asInt),
                node.path("default").asLong(),
                Json.optional(node, "highlight", JsonNode::asLong),
                Json.list(node, "functions", ChannelJson::function));
    }

    private static Part part(JsonNode node) {
        return Json.optional(node, "cell", n -> part(Part.Kind.CELL, n))
                .or(() -> Json.optional(node, "layer", n -> part(Part.Kind.LAYER, n)))
                .orElse(Part.WHOLE);
    }

    private static Part part(Part.Kind kind, JsonNode number) {
        List<Integer> path =
                Stream.of(number.asString().split("\\.")).map(Integer::valueOf).toList();
        return new Part(kind, path);
    }

    private static ChannelFunction function(JsonNode node) {
        return new ChannelFunction(
                Json.text(node, "name"),
                Attribute.of(Json.text(node, "attribute")),
                node.path("from").asLong(),
                node.path("default").asLong(),
                physical(node),
                Json.list(node, "sets", ChannelJson::set),
                Json.optional(node, "when", ChannelJson::condition));
    }

    private static PhysicalRange physical(JsonNode node) {
        return new PhysicalRange(
                node.path("physicalFrom").asDouble(), node.path("physicalTo").asDouble());
    }

    private static RangeSet set(JsonNode node) {
        return new RangeSet(
                Json.text(node, "name"),
                node.path("from").asLong(),
                Json.optional(node, "physicalFrom", n -> physical(node)));
    }

    private static Condition condition(JsonNode node) {
        return new Condition(
                Attribute.of(Json.text(node, "attribute")),
                Json.text(node, "function"),
                node.path("from").asLong(),
                node.path("to").asLong(),
                // Earlier versions wrote all of them in four bytes.
                Json.optional(node, "bytes", JsonNode::asInt).orElse(Levels.MOST_BYTES));
    }
}
