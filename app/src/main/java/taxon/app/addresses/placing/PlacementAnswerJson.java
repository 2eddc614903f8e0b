package taxon.app.addresses.placing;

import taxon.app.addresses.wish.PlacementJson;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.text.ProposalText;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** A proposal as JSON. */
public final class PlacementAnswerJson {
    private PlacementAnswerJson() {}

    public static ObjectNode write(PlacementRequest wanted, AddressProposal proposal) {
        ObjectNode body = Json.object();
        body.set("request", PlacementJson.write(wanted));
        body.put("certainty", ProposalText.certainty(proposal));
        body.put("proof", ProposalText.sentence(proposal.optimum()));
        body.putObject("totals")
                .put("universes", proposal.totals().universes())
                .put("slots", proposal.totals().slots())
                .put("free", proposal.totals().free());
        var breaks = body.putArray("breaks");
        proposal.breaks().forEach(b -> breaks.add(ProposalText.sentence(b)));
        var modes = body.putArray("modesToSet");
        proposal.modesToSet()
                .forEach(f -> modes.addObject().put("fixture", f.key().number()).put("mode", f.mode()));
        var moves = body.putArray("moves");
        proposal.moves().forEach(m -> {
            ObjectNode move = moves.addObject()
                    .put("fixture", m.ref().fixture().number())
                    .put("block", m.ref().block())
                    .put("label", m.block().label());
            m.before().ifPresent(a -> move.put("before", a.toString()));
            move.put("after", m.after().toString())
                    .put("touchesUnit", m.touchesUnit())
                    .put("why", ProposalText.sentence(m.reason()));
        });
        var stays = body.putArray("stays");
        proposal.stays().forEach(b -> stays.add(b.ref().toString()));
        var notPlaced = body.putArray("notPlaced");
        proposal.leftOut()
                .forEach(n -> notPlaced
                        .addObject()
                        .put("fixture", n.fixture().key().number())
                        .put("obstacle", ObstacleWords.slug(n.obstacle()))
                        .put("why", ProposalText.sentence(n)));
        return body;
    }
}
