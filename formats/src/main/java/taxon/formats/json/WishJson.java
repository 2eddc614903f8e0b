package taxon.formats.json;

import java.util.TreeSet;
import taxon.core.dmx.AddressText;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.KeptWish;
import taxon.core.rig.Share;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Headroom.Measure;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Wishes for addresses, and shared addresses, as JSON. */
public final class WishJson {
    private WishJson() {}

    public static ObjectNode write(KeptWish kept) {
        return write(kept.number(), kept.name(), kept.wish());
    }

    /** A wish that is neither in force nor kept: number 0, without a name. */
    public static ObjectNode write(Wish wish) {
        return write(KeptWish.IN_FORCE, "", wish);
    }

    private static ObjectNode write(int number, String name, Wish wish) {
        ObjectNode node = Json.object()
                .put("number", number)
                .put("name", name)
                .put("order", Json.slug(wish.order()))
                .put("style", Json.slug(wish.style()))
                .put("split", Json.slug(wish.split()))
                .put("hazardsApart", wish.hazardsApart())
                .put("gap", wish.spacing().gap())
                .put("starts", Json.slug(wish.spacing().starts()))
                .put("every", wish.spacing().every())
                .put("largestMode", wish.spacing().largestMode())
                .put("headroom", wish.headroom().amount())
                .put("headroomIn", Json.slug(wish.headroom().measure()))
                .put("blocks", Json.slug(wish.blocks()))
                .put("from", wish.from().toString())
                .put("universes", wish.universes().toString());
        wish.unitsPerLine().ifPresent(k -> node.put("unitsPerLine", k));
        return node;
    }

    /** @throws IllegalArgumentException when a value is not legal */
    public static KeptWish readKept(JsonNode node) {
        return new KeptWish(Json.number(node, "number"), Json.text(node, "name"), read(node));
    }

    /** @throws IllegalArgumentException when a value is not legal */
    public static Wish read(JsonNode node) {
        return new Wish(
                new Wish.Aim(
                        Json.constant(Wish.Order.class, Json.text(node, "order")),
                        Json.constant(Wish.Style.class, Json.text(node, "style"))),
                new Wish.Apart(
                        Json.constant(Wish.Split.class, Json.text(node, "split")),
                        node.path("hazardsApart").asBoolean(false),
                        Json.constant(Wish.Blocks.class, Json.text(node, "blocks"))),
                new Spacing(
                        Json.number(node, "gap"),
                        Json.constant(Starts.class, Json.text(node, "starts")),
                        Json.number(node, "every"),
                        node.path("largestMode").asBoolean(false)),
                new Wish.Bounds(
                        new Headroom(
                                Json.number(node, "headroom"),
                                Json.constant(Measure.class, Json.text(node, "headroomIn"))),
                        address(Json.text(node, "from")),
                        universes(Json.text(node, "universes")),
                        Json.optional(node, "unitsPerLine", JsonNode::asInt)));
    }

    private static UniverseSet universes(String text) {
        return UniverseSet.read(text)
                .orElseThrow(() ->
                        new IllegalArgumentException("universes cannot be " + text + "; they are written 1-8, 12"));
    }

    private static StartAddress address(String text) {
        if (AddressText.read(text) instanceof AddressText.Read read) {
            return read.address();
        }
        throw new IllegalArgumentException("the start cannot be " + text + "; it is written 2.073");
    }

    static ObjectNode write(Share share) {
        ObjectNode node = Json.object().put("number", share.number()).put("why", share.why());
        node.set("blocks", blocks(share));
        return node;
    }

    /** Fixture and block of each, in pairs. */
    public static ArrayNode blocks(Share share) {
        ArrayNode list = Json.object().arrayNode();
        share.blocks()
                .forEach(b ->
                        list.addObject().put("fixture", b.fixture().number()).put("block", b.block()));
        return list;
    }

    /** @throws IllegalArgumentException when a value is not legal */
    public static Share readShare(JsonNode node) {
        TreeSet<BlockRef> blocks = new TreeSet<>();
        node.path("blocks")
                .forEach(b ->
                        blocks.add(new BlockRef(FixtureKey.of(Json.number(b, "fixture")), Json.number(b, "block"))));
        return new Share(Json.number(node, "number"), blocks, Json.text(node, "why"));
    }
}
