package taxon.formats.json;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import taxon.core.fixture.TypeId;
import taxon.core.library.ModeSummary;
import taxon.core.library.Source;
import taxon.core.library.TypeSummary;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What the index knows of a type, as JSON. The slots of a mode are one text with spaces between, which is quick to read. */
public final class TypeSummaryJson {
    private TypeSummaryJson() {}

    public static ObjectNode write(TypeSummary type) {
        ObjectNode node = Json.object()
                .put("id", type.id().value())
                .put("maker", type.maker())
                .put("name", type.name())
                .put("shortName", type.shortName())
                .put("revision", type.revision())
                .put("source", type.source().slug());
        strings(node.putArray("kinds"), type.kinds());
        strings(node.putArray("attributes"), type.attributes());
        ArrayNode modes = node.putArray("modes");
        type.modes()
                .forEach(m -> modes.addObject()
                        .put("name", m.name())
                        .put("footprint", m.footprint())
                        .put(
                                "slots",
                                m.slots().stream().map(TypeSummaryJson::word).collect(Collectors.joining(" "))));
        return node;
    }

    /** An attribute's own name may hold spaces; the word for a slot may not. */
    private static String word(String slot) {
        return slot.isEmpty() ? "-" : slot.replace(' ', '\u00a0');
    }

    private static String slot(String word) {
        return word.equals("-") ? ModeSummary.UNUSED : word.replace('\u00a0', ' ');
    }

    private static void strings(ArrayNode array, List<String> values) {
        values.forEach(array::add);
    }

    /** Reads what {@link #write} wrote. */
    public static TypeSummary read(JsonNode node) {
        return new TypeSummary(
                TypeId.of(Json.text(node, "id")),
                Json.text(node, "maker"),
                Json.text(node, "name"),
                Json.text(node, "shortName"),
                Json.text(node, "revision"),
                Json.constant(Source.class, Json.text(node, "source")),
                Json.list(node, "kinds", JsonNode::asString),
                Json.list(node, "attributes", JsonNode::asString),
                Json.list(node, "modes", TypeSummaryJson::mode));
    }

    private static ModeSummary mode(JsonNode node) {
        return new ModeSummary(
                Json.text(node, "name"),
                Arrays.stream(Json.text(node, "slots").split(" "))
                        .map(w -> slot(w).intern())
                        .toList());
    }
}
