package taxon.app.types;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.dmx.AddressText;
import taxon.core.fixture.FixtureType;
import taxon.core.modes.ChangeProposal;
import taxon.core.modes.ChangeProposal.StylePrice;
import taxon.core.modes.ChangeRequest;
import taxon.core.modes.ChangeRequest.Style;
import taxon.core.modes.ChangeRequest.Switch;
import taxon.core.rig.FixtureKey;
import taxon.formats.json.FixtureTypeJson;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A request to change types and modes as JSON, as it is stored, and its proposal as scripts get it. The definition of each
 * type is stored with it, so that a proposal stays the same when the library changes.
 */
final class ChangeJson {
    private ChangeJson() {}

    static ObjectNode write(ChangeRequest request) {
        ObjectNode node = Json.object().put("style", Json.slug(request.style()));
        request.from().ifPresent(a -> node.put("from", a.toString()));
        if (request.addressing()) {
            node.put("addressing", true);
        }
        ArrayNode switches = node.putArray("switches");
        request.switches().forEach(s -> {
            ObjectNode one = switches.addObject().put("mode", s.mode());
            one.set("type", FixtureTypeJson.write(s.type()));
            ArrayNode fixtures = one.putArray("fixtures");
            s.fixtures().forEach(k -> fixtures.add(k.number()));
        });
        return node;
    }

    static ChangeRequest read(JsonNode node) {
        List<Switch> switches = new ArrayList<>();
        node.path("switches").forEach(s -> {
            Set<FixtureKey> keys = new TreeSet<>();
            s.path("fixtures").forEach(k -> keys.add(FixtureKey.of(k.asInt())));
            FixtureType type = FixtureTypeJson.read(s.path("type"));
            switches.add(new Switch(keys, type, s.path("mode").asString("")));
        });
        return new ChangeRequest(
                switches,
                style(node.path("style").asString("")).orElse(Style.LEAST_DISTURBANCE),
                AddressText.read(node.path("from").asString("")) instanceof AddressText.Read read
                        ? Optional.of(read.address())
                        : Optional.empty(),
                node.path("addressing").asBoolean(false));
    }

    static Optional<Style> style(String slug) {
        for (Style style : Style.values()) {
            if (Json.slug(style).equals(slug)) {
                return Optional.of(style);
            }
        }
        return Optional.empty();
    }

    static ObjectNode write(ChangeProposal proposal) {
        ObjectNode body = Json.object()
                .put("title", proposal.title())
                .put("style", Json.slug(proposal.request().style()));
        body.putObject("price")
                .put("touched", proposal.price().touched())
                .put("plannedOnly", proposal.price().plannedOnly())
                .put("first", proposal.price().first());
        ArrayNode changed = body.putArray("changed");
        proposal.changed().forEach(c -> {
            ObjectNode one = changed.addObject()
                    .put("fixture", c.fixture().key().number())
                    .put("label", c.fixture().label())
                    .put("type", c.typeAfter())
                    .put("mode", c.modeAfter());
            c.before().ifPresent(n -> one.put("slotsBefore", n));
            one.put("slotsAfter", c.after()).put("touchesUnit", c.touches());
        });
        ArrayNode clashes = body.putArray("clashesIfStartsAreKept");
        proposal.clashes().forEach(c -> clashes.add(ChangeText.sentence(c)));
        ArrayNode moves = body.putArray("moves");
        proposal.moves().forEach(m -> {
            ObjectNode one = moves.addObject()
                    .put("fixture", m.block().fixture().key().number())
                    .put("block", m.block().ref().block())
                    .put("label", m.block().label());
            m.before().ifPresent(a -> one.put("before", a.toString()));
            one.put("after", m.after().toString()).put("touchesUnit", m.touches());
        });
        ArrayNode styles = body.putArray("styles");
        proposal.otherStyles().forEach(p -> styles.add(price(p)));
        return body;
    }

    static ObjectNode price(StylePrice price) {
        return Json.object()
                .put("style", Json.slug(price.style()))
                .put("moved", price.moved())
                .put("touched", price.touched())
                .put("overlaps", price.overlaps())
                .put("slots", price.slots())
                .put("universes", price.universes());
    }
}
