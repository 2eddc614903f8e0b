package taxon.formats.json;

import java.util.Optional;
import java.util.TreeMap;
import taxon.core.rig.Element;
import taxon.core.rig.ElementKey;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.PlanDelta.Change;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A change of a plan as JSON: each element before and after, so that a journal can go both ways. */
public final class PlanDeltaJson {
    private PlanDeltaJson() {}

    public static ObjectNode write(PlanDelta delta) {
        ObjectNode node = Json.object();
        ArrayNode changes = node.putArray("changes");
        delta.changes().forEach((key, change) -> {
            ObjectNode one = changes.addObject().put("kind", key.kind().name());
            change.before().ifPresent(e -> one.set("before", ElementJson.write(e)));
            change.after().ifPresent(e -> one.set("after", ElementJson.write(e)));
        });
        return node;
    }

    /** @throws IllegalArgumentException when the text is not what {@link #write} writes */
    public static PlanDelta read(JsonNode node) {
        TreeMap<ElementKey, Change> changes = new TreeMap<>();
        node.path("changes").forEach(one -> {
            Kind kind = kind(Json.text(one, "kind"));
            Optional<Element> before = Json.optional(one, "before", n -> ElementJson.read(kind, n));
            Optional<Element> after = Json.optional(one, "after", n -> ElementJson.read(kind, n));
            changes.put(after.or(() -> before).orElseThrow().elementKey(), new Change(before, after));
        });
        return new PlanDelta(changes);
    }

    /** A kind, also by the name that boxes had in older journals. */
    private static Kind kind(String name) {
        return name.equals("NODE") ? Kind.BOX : Kind.valueOf(name);
    }
}
