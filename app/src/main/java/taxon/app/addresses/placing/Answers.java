package taxon.app.addresses.placing;

import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import taxon.app.addresses.wish.PlacementJson;
import taxon.core.addressing.Planner;
import taxon.core.addressing.Shift;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.AddressText;
import taxon.core.dmx.StartAddress;
import taxon.core.packing.Effort;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.wish.Wish;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Requests for addresses as they are stored, and their answers: by the planner, or moved by hand. */
public final class Answers {
    private static final String TO = "to";

    private Answers() {}

    /** Several fixtures moved by hand. */
    public static ObjectNode shift(Iterable<FixtureKey> keys, PlannedBlock held, StartAddress to) {
        ObjectNode node = Json.object();
        var list = node.putArray("chosen");
        keys.forEach(k -> list.add(k.number()));
        return node.put("held", held.fixture().key().number())
                .put("block", held.ref().block())
                .put(TO, to.toString());
    }

    /** The request behind a stored proposal; one that was moved by hand shows as a request for those fixtures. */
    public static PlacementRequest request(JsonNode stored, Plan plan) {
        return stored.has(TO)
                ? new PlacementRequest(Scope.CHOSEN, keys(stored), plan.wish().orElse(Wish.USUAL))
                : PlacementJson.read(stored);
    }

    /** What is proposed on a plan; no moves where what was held is gone. */
    public static AddressProposal of(Plan plan, JsonNode stored, Effort effort) {
        if (!stored.has(TO)) {
            return Planner.propose(plan, PlacementJson.read(stored), effort);
        }
        BlockRef ref = new BlockRef(
                FixtureKey.of(stored.path("held").asInt()), stored.path("block").asInt());
        Optional<PlannedBlock> held = plan.block(ref).filter(b -> b.start().isPresent());
        AddressText.Read to =
                (AddressText.Read) AddressText.read(stored.path(TO).asString());
        return held.map(h -> Shift.propose(plan, keys(stored), h, to.address()))
                .orElseGet(() -> Planner.propose(plan, new PlacementRequest(Scope.CHOSEN, Set.of(), Wish.USUAL)));
    }

    /** What decides the answer on a plan; the same for a proposal and for the price of its style. */
    static String question(JsonNode stored) {
        return stored.has(TO) ? stored.toString() : PlacementJson.question(PlacementJson.read(stored));
    }

    private static Set<FixtureKey> keys(JsonNode stored) {
        Set<FixtureKey> keys = new TreeSet<>();
        stored.path("chosen").forEach(k -> keys.add(FixtureKey.of(k.asInt())));
        return keys;
    }
}
