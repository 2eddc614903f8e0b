package taxon.formats.json;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** One JSON reader and writer for all, bounded in depth and lengths; duplicate keys are refused. */
public final class Json {
    private static final int DEEPEST = 32;
    private static final int LONGEST_TEXT = 100_000;

    private static final JsonMapper MAPPER = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(DEEPEST)
                            .maxStringLength(LONGEST_TEXT)
                            .build())
                    .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                    .build())
            .enable(SerializationFeature.INDENT_OUTPUT)
            .build();

    private Json() {}

    public static ObjectNode object() {
        return JsonNodeFactory.instance.objectNode();
    }

    public static ArrayNode array() {
        return JsonNodeFactory.instance.arrayNode();
    }

    /** @throws tools.jackson.core.JacksonException when it is no JSON, too deep, or has a text that is too long */
    public static JsonNode parse(byte[] bytes) {
        return MAPPER.readTree(bytes);
    }

    public static JsonNode parse(String text) {
        return MAPPER.readTree(text);
    }

    public static String print(JsonNode node) {
        return MAPPER.writeValueAsString(node) + "\n";
    }

    static String text(JsonNode node, String field) {
        return node.path(field).asString("");
    }

    static int number(JsonNode node, String field) {
        return node.path(field).asInt();
    }

    static <T> List<T> list(JsonNode node, String field, Function<JsonNode, T> read) {
        List<T> list = new ArrayList<>();
        node.path(field).forEach(n -> list.add(read.apply(n)));
        return list;
    }

    static <T> Optional<T> optional(JsonNode node, String field, Function<JsonNode, T> read) {
        JsonNode value = node.path(field);
        return value.isMissingNode() || value.isNull() ? Optional.empty() : Optional.of(read.apply(value));
    }

    /** "APP_ONLY" is written "app-only". */
    public static String slug(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The name of a kind that is a class of its own, as {@link #slug(Enum)} would write it: "universes-off". */
    public static String slug(Class<?> kind) {
        return kind.getSimpleName().replaceAll("(?<=.)([A-Z])", "-$1").toLowerCase(Locale.ROOT);
    }

    /** Reads what {@link #slug(Enum)} wrote. */
    public static <E extends Enum<E>> E constant(Class<E> type, String slug) {
        return Enum.valueOf(type, slug.toUpperCase(Locale.ROOT).replace('-', '_'));
    }
}
