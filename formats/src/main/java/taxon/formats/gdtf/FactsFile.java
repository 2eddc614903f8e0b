package taxon.formats.gdtf;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Block;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.formats.gdtf.GdtfNote.Kind;
import taxon.formats.json.FixtureTypeJson;
import taxon.formats.json.Json;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What GDTF has no place for, kept beside the description: the type's id, revision and facts, the names and settings of
 * blocks, and names as they were before characters were changed that GDTF does not take.
 */
final class FactsFile {
    static final String NAME = "taxon-facts.json";
    static final int LARGEST = 1 << 20;
    private static final FactsFile NONE =
            new FactsFile(Optional.empty(), Optional.empty(), Optional.empty(), Map.of(), Names.NONE);

    private final Optional<TypeId> id;
    private final Optional<Facts> facts;
    private final Optional<String> revision;
    private final Map<String, List<BlockWords>> blocks;
    private final Names names;

    /** The name of a block and what must be switched on first. */
    record BlockWords(String name, String needs) {}

    /** Names as they were, by name as written. */
    record Names(Map<String, String> modes, Map<String, String> attributes, Map<String, String> functions) {
        static final Names NONE = new Names(Map.of(), Map.of(), Map.of());
    }

    private FactsFile(
            Optional<TypeId> id,
            Optional<Facts> facts,
            Optional<String> revision,
            Map<String, List<BlockWords>> blocks,
            Names names) {
        this.id = id;
        this.facts = facts;
        this.revision = revision;
        this.blocks = blocks;
        this.names = names;
    }

    Optional<TypeId> id() {
        return id;
    }

    Optional<Facts> facts() {
        return facts;
    }

    Optional<String> revision() {
        return revision;
    }

    /** The words of a block of a mode, as written, by its place from 0. */
    Optional<BlockWords> block(String mode, int index) {
        List<BlockWords> list = blocks.getOrDefault(mode, List.of());
        return index < list.size() ? Optional.of(list.get(index)) : Optional.empty();
    }

    String mode(String written) {
        return names.modes().getOrDefault(written, written);
    }

    Attribute attribute(String written) {
        return Attribute.of(names.attributes().getOrDefault(written, written));
    }

    String function(String written) {
        return names.functions().getOrDefault(written, written);
    }

    static byte[] write(FixtureType type, Names names) {
        ObjectNode node = Json.object().put("id", type.id().value()).put("revision", type.revision());
        FixtureTypeJson.writeFacts(type.facts(), node);
        ObjectNode modes = node.putObject("blocks");
        Map<String, String> writtenModes = turned(names.modes());
        for (Mode mode : type.modes()) {
            ArrayNode list = modes.putArray(writtenModes.getOrDefault(mode.name(), mode.name()));
            for (Block block : mode.blocks()) {
                list.addObject().put("name", block.name()).put("needs", block.needs());
            }
        }
        put(node, "modeNames", names.modes());
        put(node, "attributeNames", names.attributes());
        put(node, "functionNames", names.functions());
        return Json.print(node).getBytes(StandardCharsets.UTF_8);
    }

    private static Map<String, String> turned(Map<String, String> map) {
        Map<String, String> turned = new HashMap<>();
        map.forEach((written, was) -> turned.put(was, written));
        return turned;
    }

    private static void put(ObjectNode node, String field, Map<String, String> names) {
        ObjectNode object = node.putObject(field);
        names.entrySet().stream().sorted(Map.Entry.comparingByKey()).forEach(e -> object.put(e.getKey(), e.getValue()));
    }

    /** Reads the file; what cannot be used is told and left. */
    static FactsFile read(Optional<byte[]> bytes, Notes notes) {
        if (bytes.isEmpty()) {
            return NONE;
        }
        try {
            return read(Json.parse(bytes.get()));
        } catch (JacksonException | IllegalArgumentException e) {
            notes.add(
                    Kind.FACTS_UNREADABLE,
                    NAME,
                    0,
                    String.valueOf(e.getMessage()).lines().findFirst().orElse(""));
            return NONE;
        }
    }

    private static FactsFile read(JsonNode node) {
        Map<String, List<BlockWords>> blocks = new HashMap<>();
        node.path("blocks").properties().forEach(e -> {
            List<BlockWords> list = new ArrayList<>();
            e.getValue()
                    .forEach(b -> list.add(new BlockWords(
                            b.path("name").asString(""), b.path("needs").asString(""))));
            blocks.put(e.getKey(), list);
        });
        return new FactsFile(
                Optional.of(TypeId.of(node.path("id").asString(""))),
                Optional.of(FixtureTypeJson.readFacts(node)),
                Optional.of(node.path("revision").asString("")),
                blocks,
                new Names(names(node, "modeNames"), names(node, "attributeNames"), names(node, "functionNames")));
    }

    private static Map<String, String> names(JsonNode node, String field) {
        Map<String, String> names = new HashMap<>();
        node.path(field)
                .properties()
                .forEach(e -> names.put(e.getKey(), e.getValue().asString("")));
        return names;
    }
}
