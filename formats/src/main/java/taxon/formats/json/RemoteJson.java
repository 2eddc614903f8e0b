package taxon.formats.json;

import java.util.SortedMap;
import java.util.TreeMap;
import taxon.core.fixture.RemoteManagement;
import taxon.core.fixture.RemoteManagement.Software;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What is known of the remote management of a type, as fields of its object. */
final class RemoteJson {
    private RemoteJson() {}

    /** Puts what is known beside the field {@code rdm}; nothing where nothing is. */
    static void write(RemoteManagement remote, ObjectNode node) {
        remote.maker().ifPresent(m -> node.put("rdmManufacturer", m));
        remote.model().ifPresent(m -> node.put("rdmModel", m));
        if (!remote.software().isEmpty()) {
            ArrayNode software = node.putArray("rdmSoftware");
            remote.software().forEach(s -> write(s, software.addObject()));
        }
    }

    private static void write(Software software, ObjectNode node) {
        node.put("version", software.version());
        ArrayNode personalities = node.putArray("personalities");
        software.modes()
                .forEach((number, mode) ->
                        personalities.addObject().put("number", number).put("mode", mode));
    }

    /** @throws IllegalArgumentException when a number is out of its range */
    static RemoteManagement read(JsonNode node) {
        return new RemoteManagement(
                node.path("rdm").asBoolean(),
                Json.optional(node, "rdmManufacturer", JsonNode::asInt),
                Json.optional(node, "rdmModel", JsonNode::asInt),
                Json.list(node, "rdmSoftware", RemoteJson::software));
    }

    private static Software software(JsonNode node) {
        SortedMap<Integer, String> modes = new TreeMap<>();
        node.path("personalities").forEach(p -> modes.put(p.path("number").asInt(), Json.text(p, "mode")));
        return new Software(node.path("version").asLong(), modes);
    }
}
