package taxon.app.rig.positions;

import java.util.Set;
import java.util.TreeSet;
import taxon.core.arranging.ArrangingProposal;
import taxon.core.arranging.Spread;
import taxon.core.length.Length;
import taxon.core.rig.FixtureKey;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A wish to arrange units as JSON, as it is stored, and its proposal as scripts get it. Lengths are in micrometres. */
public final class ArrangingJson {
    private ArrangingJson() {}

    public static ObjectNode write(Set<FixtureKey> fixtures, Spread spread) {
        ObjectNode node = Json.object();
        ArrayNode keys = node.putArray("fixtures");
        new TreeSet<>(fixtures).forEach(k -> keys.add(k.number()));
        if (spread instanceof Spread.FromTo run) {
            return node.put("way", "from-to")
                    .put("first", run.from().micrometres())
                    .put("second", run.to().micrometres());
        }
        if (spread instanceof Spread.Pitch run) {
            return node.put("way", "pitch")
                    .put("first", run.first().micrometres())
                    .put("second", run.pitch().micrometres());
        }
        if (spread instanceof Spread.Shifted shift) {
            return node.put("way", "shifted").put("first", shift.way().micrometres());
        }
        return spread instanceof Spread.Centred run
                ? node.put("way", "centred").put("first", run.pitch().micrometres())
                : node.put("way", "mirrored");
    }

    public static Set<FixtureKey> fixtures(JsonNode node) {
        Set<FixtureKey> keys = new TreeSet<>();
        node.path("fixtures").forEach(k -> keys.add(FixtureKey.of(k.asInt())));
        return keys;
    }

    public static Spread spread(JsonNode node) {
        Length first = new Length(node.path("first").asLong(0));
        Length second = new Length(node.path("second").asLong(0));
        return switch (node.path("way").asString("")) {
            case "from-to" -> new Spread.FromTo(first, second);
            case "pitch" -> new Spread.Pitch(first, second);
            case "centred" -> new Spread.Centred(first);
            case "shifted" -> new Spread.Shifted(first);
            default -> new Spread.Mirrored();
        };
    }

    public static ObjectNode write(ArrangingProposal proposal) {
        ObjectNode body = Json.object().put("title", proposal.title());
        ArrayNode moves = body.putArray("moves");
        proposal.moves().forEach(m -> {
            ObjectNode one = moves.addObject().put("fixture", m.fixture().key().number());
            m.before().ifPresent(b -> one.put("before", b.micrometres()));
            one.put("after", m.after().micrometres()).put("beyond", m.beyond());
        });
        ArrayNode unknown = body.putArray("unknown");
        proposal.unknown().forEach(f -> unknown.add(f.key().number()));
        return body;
    }
}
