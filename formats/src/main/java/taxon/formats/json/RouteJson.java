package taxon.formats.json;

import java.util.ArrayList;
import java.util.List;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Delivery;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.Universe;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Universes and their ways as JSON. */
final class RouteJson {
    private static final String ART_NET = "art-net";
    private static final String SACN = "sacn";
    private static final String DIRECT = "direct";

    private RouteJson() {}

    static ObjectNode write(Universe universe) {
        ObjectNode node =
                Json.object().put("number", universe.number().number()).put("label", universe.label());
        if (universe.isRouted()) {
            ArrayNode routes = node.putArray("routes");
            universe.routes().forEach(r -> routes.add(write(r)));
        }
        if (!universe.sources().isEmpty()) {
            ArrayNode sources = node.putArray("sources");
            universe.sources()
                    .forEach(s -> sources.addObject().put("box", s.box()).put("priority", s.priority()));
        }
        return node;
    }

    static ObjectNode write(Route route) {
        ObjectNode node = Json.object();
        if (route instanceof Route.ArtNet a) {
            node.put("protocol", ART_NET).put("portAddress", a.address().number());
            if (a.delivery() != Delivery.TO_BOX) {
                node.put("delivery", Json.slug(a.delivery()));
            }
        } else if (route instanceof Route.Sacn s) {
            node.put("protocol", SACN).put("universe", s.universe().number());
            if (s.delivery() != Delivery.TO_GROUP) {
                node.put("delivery", Json.slug(s.delivery()));
            }
            if (s.priority() != Route.Sacn.USUAL_PRIORITY) {
                node.put("priority", s.priority());
            }
        } else {
            node.put("protocol", DIRECT);
        }
        return node.put("box", route.port().box()).put("port", route.port().number());
    }

    static Universe readUniverse(JsonNode node) {
        List<Route> routes = new ArrayList<>(Json.list(node, "routes", RouteJson::readRoute));
        // The only way that a universe had in older documents.
        Json.optional(node, "route", RouteJson::readRoute).ifPresent(routes::add);
        return new Universe(
                UniverseNumber.of(Json.number(node, "number")),
                Json.text(node, "label"),
                routes,
                Json.list(
                        node, "sources", n -> new Universe.Source(Json.number(n, "box"), Json.number(n, "priority"))));
    }

    private static Route readRoute(JsonNode node) {
        PortRef port = BoxJson.readPortRef(node);
        String protocol = Json.text(node, "protocol");
        if (protocol.equals(ART_NET)) {
            return new Route.ArtNet(
                    new PortAddress(Json.number(node, "portAddress")),
                    BoxJson.constant(node, "delivery", Delivery.TO_BOX),
                    port);
        }
        if (protocol.equals(SACN)) {
            return new Route.Sacn(
                    new SacnUniverse(Json.number(node, "universe")),
                    BoxJson.constant(node, "delivery", Delivery.TO_GROUP),
                    node.path("priority").asInt(Route.Sacn.USUAL_PRIORITY),
                    port);
        }
        return new Route.Direct(port);
    }
}
