package taxon.app.addresses;

import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.addressing.PlacementRequest;
import taxon.core.addressing.PlacementRequest.Scope;
import taxon.core.dmx.AddressText;
import taxon.core.rig.FixtureKey;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A request for a placing as JSON, as it is stored and shown. */
final class PlacementJson {
    private PlacementJson() {}

    static ObjectNode write(PlacementRequest request) {
        ObjectNode node = Json.object()
                .put("scope", Json.slug(request.scope()))
                .put("from", request.from().toString())
                .put("gap", request.gap());
        var chosen = node.putArray("chosen");
        request.chosen().stream().sorted().forEach(k -> chosen.add(k.number()));
        return node;
    }

    static PlacementRequest read(JsonNode node) {
        Set<FixtureKey> chosen = new TreeSet<>();
        node.path("chosen").forEach(k -> chosen.add(FixtureKey.of(k.asInt())));
        AddressText.Read from =
                (AddressText.Read) AddressText.read(node.path("from").asString());
        return new PlacementRequest(
                scope(node.path("scope").asString()),
                chosen,
                from.address(),
                node.path("gap").asInt());
    }

    /** @throws IllegalArgumentException when it is none of the three words */
    static Scope scope(String word) {
        for (Scope scope : Scope.values()) {
            if (Json.slug(scope).equals(word.toLowerCase(Locale.ROOT))) {
                return scope;
            }
        }
        throw new IllegalArgumentException("what to place is one of unplaced, chosen and all, not: " + word);
    }
}
