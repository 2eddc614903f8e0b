package taxon.formats.json;

import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import taxon.core.dmx.AddressSwitches.Counting;
import taxon.core.fixture.Block;
import taxon.core.fixture.Facts;
import taxon.core.fixture.Facts.Hazard;
import taxon.core.fixture.Facts.Reach;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
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
                .put("guid", type.guid().toString())
                .put("maker", type.maker())
                .put("name", type.name())
                .put("shortName", type.shortName())
                .put("longName", type.longName())
                .put("revision", type.revision());
        writeFacts(type.facts(), node);
        ArrayNode modes = node.putArray("modes");
        type.modes().forEach(m -> modes.add(write(m)));
        return node;
    }

    /** Puts the facts of a type into its object, or into one of their own. */
    public static void writeFacts(Facts facts, ObjectNode node) {
        node.put("hazard", Json.slug(facts.hazard())).put("reach", Json.slug(facts.reach()));
        ArrayNode inputs = node.putArray("inputs");
        facts.inputs().forEach(inputs::add);
        ArrayNode outputs = node.putArray("outputs");
        facts.outputs().forEach(outputs::add);
        node.put("loadEighths", facts.loadEighths()).put("rdm", facts.rdm());
        MenuJson.write(facts.guide(), node);
        facts.switches().ifPresent(s -> node.put("switches", Json.slug(s)));
        RemoteJson.write(facts.remote(), node);
    }

    private static ObjectNode write(Mode mode) {
        ObjectNode node = Json.object().put("name", mode.name());
        mode.personality().ifPresent(p -> node.put("personality", p));
        node.put("footprint", mode.footprint());
        ArrayNode blocks = node.putArray("blocks");
        for (int i = 0; i < mode.blocks().size(); i++) {
            ObjectNode block = write(mode.blocks().get(i));
            int number = mode.breaks().get(i);
            if (number != i + 1) {
                block.put("break", number);
            }
            blocks.add(block);
        }
        return node;
    }

    private static ObjectNode write(Block block) {
        ObjectNode node = Json.object()
                .put("name", block.name())
                .put("needs", block.needs())
                .put("footprint", block.footprint());
        ArrayNode channels = node.putArray("channels");
        block.channels().forEach(c -> channels.add(ChannelJson.write(c)));
        return node;
    }

    /**
     * Reads what {@link #write} wrote, and what earlier versions wrote, which knew less of a type. Footprints are derived
     * again, not read.
     *
     * @throws IllegalArgumentException when the type is not one
     */
    public static FixtureType read(JsonNode node) {
        TypeId id = TypeId.of(Json.text(node, "id"));
        return new FixtureType(
                id,
                Json.optional(node, "guid", n -> UUID.fromString(n.asString())).orElseGet(() -> FixtureType.guidOf(id)),
                Json.text(node, "maker"),
                Json.text(node, "name"),
                Json.text(node, "shortName"),
                Json.text(node, "longName"),
                Json.text(node, "revision"),
                readFacts(node),
                Json.list(node, "modes", FixtureTypeJson::mode));
    }

    /** @throws IllegalArgumentException when the facts are none */
    public static Facts readFacts(JsonNode node) {
        Hazard hazard = Json.constant(Hazard.class, Json.text(node, "hazard"));
        Reach reach = Json.constant(Reach.class, Json.text(node, "reach"));
        if (!node.has("inputs")) {
            return Facts.of(hazard, reach);
        }
        return new Facts(
                hazard,
                reach,
                Json.list(node, "inputs", JsonNode::asString),
                Json.list(node, "outputs", JsonNode::asString),
                Json.number(node, "loadEighths"),
                Json.optional(node, "switches", n -> Json.constant(Counting.class, n.asString())),
                RemoteJson.read(node),
                MenuJson.readGuide(node));
    }

    private static Mode mode(JsonNode node) {
        List<Block> blocks = Json.list(node, "blocks", FixtureTypeJson::block);
        List<JsonNode> nodes = Json.list(node, "blocks", n -> n);
        List<Integer> breaks = Stream.iterate(0, i -> i + 1)
                .limit(nodes.size())
                .map(i -> Json.optional(nodes.get(i), "break", JsonNode::asInt).orElse(i + 1))
                .toList();
        return new Mode(Json.text(node, "name"), Json.optional(node, "personality", JsonNode::asInt), blocks, breaks);
    }

    private static Block block(JsonNode node) {
        return new Block(
                Json.text(node, "name"), Json.list(node, "channels", ChannelJson::read), Json.text(node, "needs"));
    }
}
