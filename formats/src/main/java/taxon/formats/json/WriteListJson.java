package taxon.formats.json;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.FixtureKey;
import taxon.core.writing.Item;
import taxon.core.writing.Order;
import taxon.core.writing.Prepared.Left;
import taxon.core.writing.Result;
import taxon.core.writing.Result.Outcome;
import taxon.core.writing.Target;
import taxon.core.writing.Value;
import taxon.core.writing.WriteList;
import taxon.core.writing.WriteList.State;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Lists of what is written to units and boxes as JSON: what was there, what will be, and what became of it. */
public final class WriteListJson {
    private WriteListJson() {}

    /** All of a list; of each order its words beside its values. */
    public static ObjectNode write(WriteList list) {
        ObjectNode body = Json.object()
                .put("title", list.title())
                .put("who", list.who())
                .put("at", list.at().toString())
                .put("asPlanned", list.asPlanned())
                .put("state", Json.slug(list.state()));
        ArrayNode orders = body.putArray("orders");
        for (int i = 0; i < list.orders().size(); i++) {
            ObjectNode order = order(list.orders().get(i));
            list.result(i)
                    .ifPresent(r -> order.put("outcome", Json.slug(r.outcome())).put("says", r.says()));
            orders.add(order);
        }
        ArrayNode left = body.putArray("left");
        list.left().forEach(l -> left.addObject().put("whom", l.whom()).put("why", l.why()));
        return body;
    }

    private static ObjectNode order(Order order) {
        ObjectNode node = Json.object()
                .put("item", Json.slug(order.item()))
                .put("part", order.part())
                .put("words", order.words());
        order.was().ifPresent(w -> node.set("was", value(w)));
        node.set("will", value(order.will()));
        if (order.target() instanceof Target.Unit unit) {
            node.put("unit", unit.uid())
                    .put("universe", unit.universe().number())
                    .put("fixture", unit.fixture().map(FixtureKey::number).orElse(0))
                    .put("label", unit.label());
        } else {
            Target.OfBox box = (Target.OfBox) order.target();
            node.put("box", box.number()).put("name", box.name());
        }
        return node;
    }

    private static ObjectNode value(Value value) {
        return Json.object().put("raw", value.raw()).put("words", value.words());
    }

    /** Reads what {@link #write} wrote. */
    public static WriteList read(JsonNode body) {
        return new WriteList(
                Json.text(body, "title"),
                Json.text(body, "who"),
                Instant.parse(Json.text(body, "at")),
                body.path("asPlanned").asBoolean(false),
                Json.list(body, "orders", WriteListJson::readOrder),
                Json.list(body, "left", l -> new Left(Json.text(l, "whom"), Json.text(l, "why"))),
                Json.constant(State.class, Json.text(body, "state")),
                results(body));
    }

    private static List<Result> results(JsonNode body) {
        return body.path("orders")
                .valueStream()
                .filter(o -> o.has("outcome"))
                .map(o -> new Result(Json.constant(Outcome.class, Json.text(o, "outcome")), Json.text(o, "says")))
                .toList();
    }

    private static Order readOrder(JsonNode node) {
        return new Order(
                target(node),
                Json.constant(Item.class, Json.text(node, "item")),
                Json.number(node, "part"),
                Json.optional(node, "was", WriteListJson::readValue),
                readValue(node.path("will")));
    }

    private static Target target(JsonNode node) {
        if (!node.has("unit")) {
            return new Target.OfBox(Json.number(node, "box"), Json.text(node, "name"));
        }
        int fixture = Json.number(node, "fixture");
        return new Target.Unit(
                Json.text(node, "unit"),
                UniverseNumber.of(Json.number(node, "universe")),
                fixture > 0 ? Optional.of(FixtureKey.of(fixture)) : Optional.empty(),
                Json.text(node, "label"));
    }

    private static Value readValue(JsonNode node) {
        return new Value(Json.text(node, "raw"), Json.text(node, "words"));
    }
}
