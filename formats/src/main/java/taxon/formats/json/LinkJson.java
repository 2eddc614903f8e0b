package taxon.formats.json;

import java.time.Instant;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.RadioLink;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Wireless links as JSON. */
final class LinkJson {
    private LinkJson() {}

    static ObjectNode write(RadioLink link) {
        ObjectNode node = Json.object();
        if (link.receiver() instanceof RadioLink.BuiltIn unit) {
            node.put("fixture", unit.fixture().number());
        } else if (link.receiver() instanceof RadioLink.Apart apart) {
            node.put("box", apart.box());
        }
        node.set("to", BoxJson.write(link.to()));
        node.put("at", link.at().toString()).put("by", link.by());
        link.lost()
                .ifPresent(l -> node.putObject("lost")
                        .put("at", l.at().toString())
                        .put("by", l.by())
                        .put("after", l.after()));
        return node;
    }

    static RadioLink read(JsonNode node) {
        return new RadioLink(
                node.has("fixture")
                        ? new RadioLink.BuiltIn(FixtureKey.of(Json.number(node, "fixture")))
                        : new RadioLink.Apart(Json.number(node, "box")),
                BoxJson.readPortRef(node.path("to")),
                Instant.parse(Json.text(node, "at")),
                Json.text(node, "by"),
                Json.optional(
                        node,
                        "lost",
                        l -> new RadioLink.Loss(
                                Instant.parse(Json.text(l, "at")), Json.text(l, "by"), Json.text(l, "after"))));
    }
}
