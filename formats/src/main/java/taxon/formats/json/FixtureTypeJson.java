package taxon.formats.json;

import java.util.ArrayList;
import java.util.List;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Block;
import taxon.core.fixture.Channel;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.FixtureType.Hazard;
import taxon.core.fixture.FixtureType.Reach;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;
import taxon.core.fixture.TypeId;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A fixture type as JSON; the shape is {@code $defs/type} of the schema. */
public final class FixtureTypeJson {
    private FixtureTypeJson() {}

    public static ObjectNode write(FixtureType type) {
        ObjectNode node = Json.object()
                .put("id", type.id().value())
                .put("maker", type.maker())
                .put("name", type.name())
                .put("shortName", type.shortName())
                .put("hazard", Json.slug(type.hazard()))
                .put("reach", Json.slug(type.reach()));
        ArrayNode modes = node.putArray("modes");
        type.modes().forEach(m -> modes.add(write(m)));
        return node;
    }

    private static ObjectNode write(Mode mode) {
        ObjectNode node = Json.object()
                .put("name", mode.name())
                .put("personality", mode.personality())
                .put("footprint", mode.footprint());
        ArrayNode blocks = node.putArray("blocks");
        mode.blocks().forEach(b -> blocks.add(write(b)));
        return node;
    }

    private static ObjectNode write(Block block) {
        ObjectNode node = Json.object()
                .put("name", block.name())
                .put("needs", block.needs())
                .put("footprint", block.footprint());
        ArrayNode channels = node.putArray("channels");
        block.channels().forEach(c -> channels.add(write(c)));
        return node;
    }

    private static ObjectNode write(Channel channel) {
        ObjectNode node = Json.object().put("attribute", channel.attribute().name());
        if (channel.part().kind() != Part.Kind.WHOLE) {
            node.put(Json.slug(channel.part().kind()), channel.part().number());
        }
        ArrayNode offsets = node.putArray("offsets");
        channel.offsets().forEach(offsets::add);
        return node.put("default", channel.defaultValue());
    }

    /**
     * Reads what {@link #write} wrote. Footprints are derived again, not read.
     *
     * @throws IllegalArgumentException when the type is not one
     */
    public static FixtureType read(JsonNode node) {
        return new FixtureType(
                TypeId.of(Json.text(node, "id")),
                Json.text(node, "maker"),
                Json.text(node, "name"),
                Json.text(node, "shortName"),
                Json.constant(Hazard.class, Json.text(node, "hazard")),
                Json.constant(Reach.class, Json.text(node, "reach")),
                Json.list(node, "modes", FixtureTypeJson::mode));
    }

    private static Mode mode(JsonNode node) {
        return new Mode(
                Json.text(node, "name"),
                Json.number(node, "personality"),
                Json.list(node, "blocks", FixtureTypeJson::block));
    }

    private static Block block(JsonNode node) {
        return new Block(
                Json.text(node, "name"),
                Json.list(node, "channels", FixtureTypeJson::channel),
                Json.text(node, "needs"));
    }

    private static Channel channel(JsonNode node) {
        List<Integer> offsets = new ArrayList<>();
        node.path("offsets").forEach(o -> offsets.add(o.asInt()));
        return new Channel(
                Attribute.of(Json.text(node, "attribute")),
                part(node),
                offsets,
                node.path("default").asLong());
    }

    private static Part part(JsonNode node) {
        if (node.has("cell")) {
            return Part.cell(Json.number(node, "cell"));
        }
        return node.has("layer") ? Part.layer(Json.number(node, "layer")) : Part.WHOLE;
    }
}
