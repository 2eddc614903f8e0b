package taxon.app.proposals;

import java.util.Optional;
import taxon.app.proposals.ProposalKind.Looked;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.finding.FindingText;
import taxon.core.proof.Price;
import taxon.core.proposal.Proposal;
import taxon.core.rig.Refusal;
import taxon.core.rig.edit.Proposed;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A proposal as a script gets it: what all kinds answer, then what its own kind does. */
final class ProposalJson {
    private ProposalJson() {}

    static <T extends Proposed> ObjectNode write(
            ProposalKind<T> kind, StoredProposal stored, long version, Optional<Looked<T>> looked) {
        ObjectNode body = Json.object()
                .put("proposal", stored.id())
                .put("kind", kind.name())
                .put("state", Json.slug(stored.state()))
                .put("madeOnVersion", stored.baseVersion())
                .put("version", version)
                .put("outdated", looked.isEmpty());
        looked.ifPresent(l -> {
            put(body, l.proposal());
            body.put("headline", kind.headline(l));
            ArrayNode hindrances = body.putArray("hindrances");
            l.proposal().refusals().stream().map(Refusal::sentence).distinct().forEach(hindrances::add);
            kind.hindrance(l.proposal()).ifPresent(hindrances::add);
            body.setAll(kind.json(l));
        });
        return body;
    }

    private static void put(ObjectNode body, Proposal<?> proposal) {
        Price price = proposal.price();
        body.put("changesNothing", proposal.changesNothing())
                .put("staying", proposal.content().staying())
                .put("leftOut", proposal.content().omissions().size());
        body.putObject("price")
                .put("touched", price.touched())
                .put("plannedOnly", price.plannedOnly())
                .put("first", price.first());
        ArrayNode brought = body.putArray("brought");
        proposal.brought()
                .forEach(f -> brought.addObject()
                        .put("id", f.id())
                        .put("severity", Json.slug(f.severity()))
                        .put("sentence", FindingText.sentence(f)));
    }
}
