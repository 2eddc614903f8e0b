package taxon.formats.json;

import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.UUID;
import taxon.core.fixture.Part;
import taxon.core.length.Length;
import taxon.core.length.LengthUnit;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;
import taxon.core.rig.RigView;
import taxon.core.rig.RigView.Front;
import taxon.core.rig.RigView.Side;
import taxon.core.rig.Traits;
import taxon.core.rig.Traits.Parked;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Where positions lie, and what is special about a fixture, as JSON. What is not said is left out, so old documents stay whole. */
public final class PlaceJson {
    private PlaceJson() {}

    static ObjectNode write(Position position) {
        ObjectNode node = Json.object().put("number", position.number()).put("name", position.name());
        if (position.kind() != PositionKind.UNSAID) {
            node.put("kind", Json.slug(position.kind()));
        }
        PositionGeometry geometry = position.geometry();
        geometry.length().ifPresent(l -> put(node, "length", l));
        put(node, "across", geometry.across());
        put(node, "upstage", geometry.upstage());
        put(node, "height", geometry.height());
        if (geometry.angle() != 0) {
            node.put("angle", geometry.angle());
        }
        if (geometry.upright()) {
            node.put("upright", true);
        }
        if (position.rank() != position.number()) {
            node.put("rank", position.rank());
        }
        position.uuid().ifPresent(u -> node.put("uuid", u.toString()));
        return node;
    }

    private static void put(ObjectNode node, String field, Length length) {
        if (!length.equals(Length.ZERO)) {
            node.put(field, length.micrometres());
        }
    }

    static Position read(JsonNode node) {
        return new Position(
                Json.number(node, "number"),
                Json.text(node, "name"),
                Json.optional(node, "kind", n -> Json.constant(PositionKind.class, n.asString()))
                        .orElse(PositionKind.UNSAID),
                new PositionGeometry(
                        length(node, "length"),
                        length(node, "across").orElse(Length.ZERO),
                        length(node, "upstage").orElse(Length.ZERO),
                        length(node, "height").orElse(Length.ZERO),
                        Json.number(node, "angle"),
                        node.path("upright").asBoolean(false)),
                Json.optional(node, "rank", n -> n.asInt()).orElseGet(() -> Json.number(node, "number")),
                uuid(node));
    }

    static Optional<UUID> uuid(JsonNode node) {
        return Json.optional(node, "uuid", n -> UUID.fromString(n.asString()));
    }

    /** What differs from {@link RigView#USUAL}. */
    public static ObjectNode write(RigView view) {
        ObjectNode node = Json.object();
        put(node, "unit", view.unit(), RigView.USUAL.unit());
        put(node, "front", view.front(), RigView.USUAL.front());
        put(node, "side", view.side(), RigView.USUAL.side());
        return node;
    }

    private static <E extends Enum<E>> void put(ObjectNode node, String field, E value, E usual) {
        if (value != usual) {
            node.put(field, Json.slug(value));
        }
    }

    public static RigView readView(JsonNode node) {
        return new RigView(
                constant(node, "unit", LengthUnit.class, RigView.USUAL.unit()),
                constant(node, "front", Front.class, RigView.USUAL.front()),
                constant(node, "side", Side.class, RigView.USUAL.side()));
    }

    private static <E extends Enum<E>> E constant(JsonNode node, String field, Class<E> type, E usual) {
        return Json.optional(node, field, n -> Json.constant(type, n.asString()))
                .orElse(usual);
    }

    static Optional<Length> length(JsonNode node, String field) {
        return Json.optional(node, field, n -> new Length(n.asLong()));
    }

    static void put(ObjectNode node, Fixture fixture) {
        fixture.offset().ifPresent(o -> node.put("offset", o.micrometres()));
        fixture.uuid().ifPresent(u -> node.put("uuid", u.toString()));
        if (!fixture.traits().equals(Traits.NONE)) {
            node.set("traits", write(fixture.traits()));
        }
    }

    /** What differs from {@link Traits#NONE}. */
    public static ObjectNode write(Traits traits) {
        ObjectNode node = Json.object();
        text(node, "purpose", traits.purpose());
        text(node, "colour", traits.colour());
        flag(node, "panReversed", traits.panReversed());
        flag(node, "tiltReversed", traits.tiltReversed());
        flag(node, "axesSwapped", traits.axesSwapped());
        traits.mirrors().ifPresent(m -> node.put("mirrors", m.number()));
        text(node, "hazard", traits.hazard());
        if (!traits.parked().isEmpty()) {
            ArrayNode parked = node.putArray("parked");
            traits.parked()
                    .forEach(p -> parked.addObject()
                            .put("block", p.block())
                            .put("offset", p.offset())
                            .put("value", p.value())
                            .put("why", p.why()));
        }
        text(node, "line", traits.line());
        flag(node, "locked", traits.locked());
        if (!traits.names().names().isEmpty()) {
            ArrayNode parts = node.putArray("parts");
            traits.names()
                    .names()
                    .forEach((part, name) ->
                            parts.addObject().put("part", part.toString()).put("name", name));
        }
        MenuJson.write(traits.menu(), node);
        return node;
    }

    private static void text(ObjectNode node, String field, String text) {
        if (!text.isEmpty()) {
            node.put(field, text);
        }
    }

    private static void flag(ObjectNode node, String field, boolean set) {
        if (set) {
            node.put(field, true);
        }
    }

    /** @throws IllegalArgumentException when a value is not legal */
    public static Traits readTraits(JsonNode node) {
        return new Traits(
                new Traits.Look(Json.text(node, "purpose"), Json.text(node, "colour")),
                new Traits.Axes(
                        node.path("panReversed").asBoolean(false),
                        node.path("tiltReversed").asBoolean(false),
                        node.path("axesSwapped").asBoolean(false),
                        Json.optional(node, "mirrors", n -> FixtureKey.of(n.asInt()))),
                new Traits.Care(Json.text(node, "hazard"), Json.list(node, "parked", PlaceJson::readParked)),
                new Traits.Service(Json.text(node, "line"), node.path("locked").asBoolean(false)),
                new Traits.PartNames(readNames(node.path("parts"))),
                MenuJson.readOwn(node));
    }

    private static SortedMap<Part, String> readNames(JsonNode list) {
        SortedMap<Part, String> names = new TreeMap<>();
        for (JsonNode one : list) {
            String part = Json.text(one, "part");
            names.put(
                    Part.read(part).orElseThrow(() -> new IllegalArgumentException(part + " names no cell or layer")),
                    Json.text(one, "name"));
        }
        return names;
    }

    private static Parked readParked(JsonNode node) {
        return new Parked(
                Json.number(node, "block"),
                Json.number(node, "offset"),
                Json.number(node, "value"),
                Json.text(node, "why"));
    }
}
