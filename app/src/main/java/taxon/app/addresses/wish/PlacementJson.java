package taxon.app.addresses.wish;

import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.AddressText;
import taxon.core.rig.FixtureKey;
import taxon.formats.json.Json;
import taxon.formats.json.WishJson;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A request for a placing as JSON, as it is stored and shown. */
public final class PlacementJson {
    private PlacementJson() {}

    /** What decides the answer of the planner on a plan. */
    public static String question(PlacementRequest request) {
        return "placement " + write(request);
    }

    public static ObjectNode write(PlacementRequest request) {
        ObjectNode node = Json.object().put("scope", Json.slug(request.scope()));
        var chosen = node.putArray("chosen");
        request.chosen().stream().sorted().forEach(k -> chosen.add(k.number()));
        node.set("wish", WishJson.write(request.wish()));
        return node;
    }

    public static PlacementRequest read(JsonNode node) {
        Set<FixtureKey> chosen = new TreeSet<>();
        node.path("chosen").forEach(k -> chosen.add(FixtureKey.of(k.asInt())));
        Scope scope = scope(node.path("scope").asString());
        return node.has("wish")
                ? new PlacementRequest(scope, chosen, WishJson.read(node.path("wish")))
                : old(scope, chosen, node);
    }

    /** As it was stored before there were wishes: a start and a gap. */
    private static PlacementRequest old(Scope scope, Set<FixtureKey> chosen, JsonNode node) {
        AddressText.Read from =
                (AddressText.Read) AddressText.read(node.path("from").asString("1.001"));
        return new PlacementRequest(
                scope, chosen, from.address(), node.path("gap").asInt(0));
    }

    /** @throws IllegalArgumentException when it is none of the three words */
    public static Scope scope(String word) {
        for (Scope scope : Scope.values()) {
            if (Json.slug(scope).equals(word.toLowerCase(Locale.ROOT))) {
                return scope;
            }
        }
        throw new IllegalArgumentException("what to place is one of unplaced, chosen and all, not: " + word);
    }
}
