package taxon.formats.json;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import taxon.core.length.Length;
import taxon.core.network.BoxKind;
import taxon.core.network.BoxNumber;
import taxon.core.network.BoxPort;
import taxon.core.network.CableRules;
import taxon.core.network.Counting;
import taxon.core.network.IpRules;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.NetworkRules;
import taxon.core.network.Route.PortRef;
import taxon.core.network.Subnet;
import taxon.core.rig.Box;
import taxon.core.rig.BoxFacts;
import taxon.core.rig.BoxPlace;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Boxes, lines, and what is decided once for them, as JSON. What is as usual is not written. */
final class BoxJson {
    private BoxJson() {}

    static ObjectNode write(Box box) {
        ObjectNode node = Json.object()
                .put("number", box.number())
                .put("name", box.name())
                .put("kind", Json.slug(box.kind()));
        box.card().ifPresent(c -> node.set("card", write(c)));
        ArrayNode ports = node.putArray("ports");
        box.ports().forEach(p -> ports.add(write(p)));
        put(node, box.place());
        put(node, box.facts());
        return node;
    }

    private static ObjectNode write(NetCard card) {
        ObjectNode node = Json.object().put("ip", card.ip().toString()).put("prefix", card.prefix());
        card.factory().ifPresent(f -> node.put("factory", f.toString()));
        return node;
    }

    private static ObjectNode write(BoxPort port) {
        ObjectNode node = Json.object();
        BoxPort usual = BoxPort.USUAL;
        if (port.direction() != usual.direction()) {
            node.put("direction", Json.slug(port.direction()));
        }
        if (port.socket() != usual.socket()) {
            node.put("socket", Json.slug(port.socket()));
        }
        if (port.rdm() != usual.rdm()) {
            node.put("rdm", port.rdm());
        }
        if (port.merge() != usual.merge()) {
            node.put("merge", Json.slug(port.merge()));
        }
        if (port.whenLost() != usual.whenLost()) {
            node.put("whenLost", Json.slug(port.whenLost()));
        }
        if (port.steady() != usual.steady()) {
            node.put("steady", port.steady());
        }
        return node;
    }

    private static void put(ObjectNode node, BoxPlace place) {
        place.position().ifPresent(p -> node.put("position", p));
        place.offset().ifPresent(o -> node.put("offset", o.micrometres()));
        if (!place.rack().isEmpty()) {
            node.put("rack", place.rack());
        }
    }

    private static void put(ObjectNode node, BoxFacts facts) {
        facts.mostUniverses().ifPresent(m -> node.put("mostUniverses", m));
        facts.shows().ifPresent(s -> node.put("shows", Json.slug(s)));
        facts.reaches().ifPresent(r -> node.set("reaches", write(r)));
        facts.fixture().ifPresent(f -> node.put("fixture", f.number()));
        if (facts.megabits() != BoxFacts.USUAL_MEGABITS) {
            node.put("megabits", facts.megabits());
        }
        if (facts.snooping() != BoxFacts.Snooping.UNKNOWN) {
            node.put("snooping", Json.slug(facts.snooping()));
        }
        if (!facts.passesRdm()) {
            node.put("passesRdm", false);
        }
        if (!facts.note().isEmpty()) {
            node.put("note", facts.note());
        }
    }

    static ObjectNode write(PortRef port) {
        return Json.object().put("box", port.box()).put("port", port.number());
    }

    /** A box, or a node as documents had it before there were others. */
    static Box readBox(JsonNode node) {
        int number = Json.number(node, "number");
        String name = Json.text(node, "name");
        if (node.path("ports").isInt()) {
            return Box.node(number, name, ip(Json.text(node, "ip")), Json.number(node, "ports"));
        }
        return new Box(
                number,
                name,
                Json.constant(BoxKind.class, Json.text(node, "kind")),
                Json.optional(node, "card", BoxJson::readCard),
                Json.list(node, "ports", BoxJson::readPort),
                new BoxPlace(
                        Json.optional(node, "position", JsonNode::asInt),
                        PlaceJson.length(node, "offset"),
                        node.path("rack").asString("")),
                readFacts(node));
    }

    private static NetCard readCard(JsonNode node) {
        return new NetCard(
                ip(Json.text(node, "ip")),
                Json.number(node, "prefix"),
                Json.optional(node, "factory", n -> ip(n.asString())));
    }

    private static BoxPort readPort(JsonNode node) {
        BoxPort usual = BoxPort.USUAL;
        return new BoxPort(
                constant(node, "direction", usual.direction()),
                constant(node, "socket", usual.socket()),
                node.path("rdm").asBoolean(usual.rdm()),
                constant(node, "merge", usual.merge()),
                constant(node, "whenLost", usual.whenLost()),
                node.path("steady").asBoolean(usual.steady()));
    }

    private static BoxFacts readFacts(JsonNode node) {
        BoxFacts none = BoxFacts.NONE;
        return new BoxFacts(
                Json.optional(node, "mostUniverses", JsonNode::asInt),
                Json.optional(node, "shows", n -> Json.constant(BoxNumber.Kind.class, n.asString())),
                Json.optional(node, "reaches", BoxJson::readPortRef),
                Json.optional(node, "fixture", n -> FixtureKey.of(n.asInt())),
                node.path("megabits").asInt(none.megabits()),
                constant(node, "snooping", none.snooping()),
                node.path("passesRdm").asBoolean(none.passesRdm()),
                node.path("note").asString(none.note()));
    }

    /** A port of a box; of a node, in documents from before there were others. */
    static PortRef readPortRef(JsonNode node) {
        return new PortRef(Json.number(node, node.has("box") ? "box" : "node"), Json.number(node, "port"));
    }

    static <E extends Enum<E>> E constant(JsonNode node, String field, E usual) {
        return Json.optional(node, field, n -> Json.constant(usual.getDeclaringClass(), n.asString()))
                .orElse(usual);
    }

    static ObjectNode write(Line line) {
        ObjectNode node = Json.object().put("number", line.number()).put("name", line.name());
        node.set("from", write(line.from()));
        ArrayNode stops = node.putArray("stops");
        line.stops().forEach(s -> {
            if (s instanceof LineStop.Unit unit) {
                stops.addObject().put("fixture", unit.fixture().number());
            } else if (s instanceof LineStop.Through through) {
                stops.addObject().put("box", through.box());
            }
        });
        return node;
    }

    static Line readLine(JsonNode node) {
        return new Line(
                Json.number(node, "number"),
                Json.text(node, "name"),
                readPortRef(node.path("from")),
                Json.list(node, "stops", BoxJson::readStop));
    }

    private static LineStop readStop(JsonNode node) {
        return node.has("fixture")
                ? new LineStop.Unit(FixtureKey.of(Json.number(node, "fixture")))
                : new LineStop.Through(Json.number(node, "box"));
    }

    /** What differs from {@link NetworkRules#USUAL}, but for the counting, which is written beside it. */
    static ObjectNode write(NetworkRules rules) {
        ObjectNode node = Json.object();
        rules.ip().ifPresent(ip -> {
            ObjectNode plan = node.putObject("ip").put("range", ip.range().toString());
            ObjectNode first = plan.putObject("first");
            new TreeMap<>(ip.first()).forEach((kind, host) -> first.put(Json.slug(kind), host));
            if (!ip.others().isEmpty()) {
                ArrayNode others = plan.putArray("others");
                ip.others().forEach(o -> others.add(o.toString()));
            }
        });
        rules.card().ifPresent(c -> node.put("card", c.toString()));
        if (!rules.beside().isEmpty()) {
            ArrayNode beside = node.putArray("cardsBeside");
            rules.beside().forEach(c -> beside.add(c.toString()));
        }
        if (!rules.cable().equals(CableRules.USUAL)) {
            node.set("cable", write(rules.cable()));
        }
        return node;
    }

    private static ObjectNode write(CableRules cable) {
        ObjectNode node = Json.object()
                .put("mostUnits", cable.mostUnits())
                .put("longest", cable.longest().micrometres())
                .put("slack", cable.slack().micrometres())
                .put("order", Json.slug(cable.order()))
                .put("first", Json.slug(cable.first()));
        ArrayNode stock = node.putArray("stock");
        cable.stock().forEach(l -> stock.add(l.micrometres()));
        ArrayNode trusses = node.put("splitterOutputs", cable.splitterOutputs()).putArray("trusses");
        cable.trusses().forEach(trusses::add);
        return node;
    }

    /** @throws IllegalArgumentException when a value is not legal */
    static NetworkRules readRules(Counting counting, JsonNode node) {
        return new NetworkRules(
                counting,
                Json.optional(node, "ip", BoxJson::readIpRules),
                Json.optional(node, "cable", BoxJson::readCable).orElse(CableRules.USUAL),
                Json.optional(node, "card", n -> ip(n.asString())),
                Json.list(node, "cardsBeside", n -> ip(n.asString())));
    }

    private static IpRules readIpRules(JsonNode node) {
        String range = Json.text(node, "range");
        Map<BoxKind, Integer> first = new EnumMap<>(BoxKind.class);
        node.path("first")
                .properties()
                .forEach(e -> first.put(
                        Json.constant(BoxKind.class, e.getKey()), e.getValue().asInt()));
        return new IpRules(range(range), first, Json.list(node, "others", o -> range(o.asString())));
    }

    private static Subnet range(String text) {
        return Subnet.parse(text).orElseThrow(() -> new IllegalArgumentException(text + " is no range of addresses"));
    }

    private static CableRules readCable(JsonNode node) {
        CableRules usual = CableRules.USUAL;
        List<Length> stock = Json.list(node, "stock", n -> new Length(n.asLong()));
        return new CableRules(
                node.path("mostUnits").asInt(usual.mostUnits()),
                PlaceJson.length(node, "longest").orElse(usual.longest()),
                PlaceJson.length(node, "slack").orElse(usual.slack()),
                constant(node, "order", usual.order()),
                constant(node, "first", usual.first()),
                stock.isEmpty() ? usual.stock() : stock,
                Json.list(node, "trusses", JsonNode::asInt),
                node.path("splitterOutputs").asInt(usual.splitterOutputs()));
    }

    private static Ipv4 ip(String text) {
        return Ipv4.parse(text).orElseThrow(() -> new IllegalArgumentException(text + " is no IPv4 address"));
    }
}
