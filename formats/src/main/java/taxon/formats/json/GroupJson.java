package taxon.formats.json;

import java.util.List;
import java.util.SortedSet;
import java.util.TreeSet;
import taxon.core.fixture.TypeId;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Group.GroupKind;
import taxon.core.rig.Group.Rule;
import taxon.core.rig.PartRef;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Folders and groups as JSON. */
public final class GroupJson {
    private GroupJson() {}

    static ObjectNode write(Group group) {
        ObjectNode node = Json.object()
                .put("number", group.number())
                .put("kind", Json.slug(group.kind()))
                .put("name", group.name());
        group.id().ifPresent(i -> node.put("id", i.number()));
        group.parent().ifPresent(p -> node.put("parent", p));
        node.set("members", members(group));
        if (!group.parts().isEmpty()) {
            node.set("parts", parts(group));
        }
        if (!group.rules().isEmpty()) {
            node.set("rules", rules(group));
        }
        return node;
    }

    /** @throws IllegalArgumentException when a value is not legal */
    static Group read(JsonNode node) {
        return new Group(
                Json.number(node, "number"),
                Json.constant(GroupKind.class, Json.text(node, "kind")),
                Json.text(node, "name"),
                Json.optional(node, "id", n -> FixtureId.of(n.asInt())),
                Json.optional(node, "parent", JsonNode::asInt),
                readMembers(node.path("members")),
                readParts(node.path("parts")),
                readRules(node.path("rules")));
    }

    /** The keys of those that were put in by hand. */
    public static ArrayNode members(Group group) {
        ArrayNode list = Json.object().arrayNode();
        group.members().forEach(m -> list.add(m.number()));
        return list;
    }

    public static SortedSet<FixtureKey> readMembers(JsonNode list) {
        TreeSet<FixtureKey> members = new TreeSet<>();
        list.forEach(n -> members.add(FixtureKey.of(n.asInt())));
        return members;
    }

    /** Its cells and layers, each as "17/cell 3". */
    public static ArrayNode parts(Group group) {
        ArrayNode list = Json.object().arrayNode();
        group.parts().forEach(p -> list.add(p.toString()));
        return list;
    }

    /** @throws IllegalArgumentException when one is no cell or layer */
    public static SortedSet<PartRef> readParts(JsonNode list) {
        TreeSet<PartRef> parts = new TreeSet<>();
        list.forEach(n -> parts.add(PartRef.read(n.asString())
                .orElseThrow(() -> new IllegalArgumentException(n.asString() + " names no cell or layer"))));
        return parts;
    }

    public static ArrayNode rules(Group group) {
        ArrayNode list = Json.object().arrayNode();
        group.rules().forEach(r -> {
            ObjectNode rule = list.addObject();
            r.type().ifPresent(t -> rule.put("type", t.value()));
            r.position().ifPresent(p -> rule.put("position", p));
        });
        return list;
    }

    /** @throws IllegalArgumentException when a rule names neither type nor position */
    public static List<Rule> readRules(JsonNode list) {
        return list.valueStream()
                .map(n -> new Rule(
                        Json.optional(n, "type", t -> TypeId.of(t.asString())),
                        Json.optional(n, "position", JsonNode::asInt)))
                .toList();
    }
}
