package taxon.formats.json;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.TypeId;
import taxon.core.network.Counting;
import taxon.core.network.NetworkRules;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Box;
import taxon.core.rig.CheckItem;
import taxon.core.rig.Element;
import taxon.core.rig.ElementCases;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.JobSheet;
import taxon.core.rig.KeptWish;
import taxon.core.rig.Line;
import taxon.core.rig.Mark;
import taxon.core.rig.Position;
import taxon.core.rig.RadioLink;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.RigType;
import taxon.core.rig.RigView;
import taxon.core.rig.Share;
import taxon.core.rig.UnitCheck;
import taxon.core.rig.Universe;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Elements of a plan as JSON, one shape for documents and for the journal. */
public final class ElementJson {
    private ElementJson() {}

    public static ObjectNode write(Element element) {
        return element.match(new Writer());
    }

    private static final class Writer implements ElementCases<ObjectNode> {
        @Override
        public ObjectNode jobSheet(JobSheet sheet) {
            return written(sheet);
        }

        @Override
        public ObjectNode type(RigType type) {
            return MenuJson.write(type);
        }

        @Override
        public ObjectNode position(Position position) {
            return PlaceJson.write(position);
        }

        @Override
        public ObjectNode box(Box box) {
            return BoxJson.write(box);
        }

        @Override
        public ObjectNode line(Line line) {
            return BoxJson.write(line);
        }

        @Override
        public ObjectNode radioLink(RadioLink link) {
            return LinkJson.write(link);
        }

        @Override
        public ObjectNode universe(Universe universe) {
            return RouteJson.write(universe);
        }

        @Override
        public ObjectNode reservedRun(ReservedRun run) {
            return Json.object()
                    .put("number", run.number())
                    .put("universe", run.universe().number())
                    .put("first", run.slots().first())
                    .put("last", run.slots().last())
                    .put("label", run.label());
        }

        @Override
        public ObjectNode fixture(Fixture fixture) {
            return written(fixture);
        }

        @Override
        public ObjectNode evidence(BlockEvidence evidence) {
            ObjectNode node = Json.object()
                    .put("fixture", evidence.ref().fixture().number())
                    .put("block", evidence.ref().block());
            evidence.set().ifPresent(m -> node.set("set", mark(m)));
            evidence.proved().ifPresent(m -> node.set("proved", mark(m)));
            if (!evidence.menu().isEmpty()) {
                node.put("menu", evidence.menu());
            }
            return node.put("uid", evidence.uid());
        }

        @Override
        public ObjectNode check(UnitCheck check) {
            return Json.object()
                    .put("fixture", check.fixture().number())
                    .put("item", check.item().name())
                    .put("seen", Json.slug(check.seen()))
                    .put("note", check.note())
                    .put("against", check.against())
                    .put("at", check.at().toString())
                    .put("by", check.by());
        }

        @Override
        public ObjectNode group(Group group) {
            return GroupJson.write(group);
        }

        @Override
        public ObjectNode share(Share share) {
            return WishJson.write(share);
        }

        @Override
        public ObjectNode wish(KeptWish wish) {
            return WishJson.write(wish);
        }
    }

    /**
     * Reads what {@link #write} wrote.
     *
     * @throws IllegalArgumentException when a value is not legal
     */
    public static Element read(Kind kind, JsonNode node) {
        return switch (kind) {
            case JOB_SHEET -> readSheet(node);
            case TYPE -> MenuJson.readType(node);
            case POSITION -> PlaceJson.read(node);
            case BOX -> BoxJson.readBox(node);
            case LINE -> BoxJson.readLine(node);
            case LINK -> LinkJson.read(node);
            case UNIVERSE -> RouteJson.readUniverse(node);
            case RESERVED_RUN ->
                new ReservedRun(
                        Json.number(node, "number"),
                        UniverseNumber.of(Json.number(node, "universe")),
                        new SlotRange(Json.number(node, "first"), Json.number(node, "last")),
                        Json.text(node, "label"));
            case FIXTURE -> readFixture(node);
            case EVIDENCE -> readEvidence(node);
            case CHECK -> readCheck(node);
            case GROUP -> GroupJson.read(node);
            case SHARE -> WishJson.readShare(node);
            case WISH -> WishJson.readKept(node);
        };
    }

    private static ObjectNode written(JobSheet sheet) {
        ObjectNode node = Json.object().put("name", sheet.name()).put("venue", sheet.venue());
        sheet.from().ifPresent(d -> node.put("from", d.toString()));
        sheet.to().ifPresent(d -> node.put("to", d.toString()));
        if (!sheet.view().equals(RigView.USUAL)) {
            node.set("view", PlaceJson.write(sheet.view()));
        }
        if (!sheet.counting().equals(Counting.SAME)) {
            node.set("counting", write(sheet.counting()));
        }
        ObjectNode network = BoxJson.write(sheet.network());
        if (!network.isEmpty()) {
            node.set("network", network);
        }
        return node.put("note", sheet.note());
    }

    /** What is decided once for the network and the lines, but for the counting. */
    public static ObjectNode write(NetworkRules rules) {
        return BoxJson.write(rules);
    }

    /** @throws IllegalArgumentException when a value is not legal */
    public static NetworkRules readRules(Counting counting, JsonNode node) {
        return BoxJson.readRules(counting, node);
    }

    private static JobSheet readSheet(JsonNode node) {
        return new JobSheet(
                Json.text(node, "name"),
                Json.text(node, "venue"),
                Json.optional(node, "from", n -> LocalDate.parse(n.asString())),
                Json.optional(node, "to", n -> LocalDate.parse(n.asString())),
                Json.text(node, "note"),
                PlaceJson.readView(node.path("view")),
                BoxJson.readRules(readCounting(node.path("counting")), node.path("network")));
    }

    /** What differs from {@link Counting#SAME}. */
    public static ObjectNode write(Counting counting) {
        ObjectNode node = Json.object();
        if (counting.firstPortAddress() != Counting.SAME.firstPortAddress()) {
            node.put("firstPortAddress", counting.firstPortAddress());
        }
        if (counting.sacnOffset() != Counting.SAME.sacnOffset()) {
            node.put("sacnOffset", counting.sacnOffset());
        }
        return node;
    }

    /** @throws IllegalArgumentException when a value is not legal */
    public static Counting readCounting(JsonNode node) {
        return new Counting(
                node.path("firstPortAddress").asInt(Counting.SAME.firstPortAddress()),
                node.path("sacnOffset").asInt(Counting.SAME.sacnOffset()));
    }

    private static ObjectNode written(Fixture fixture) {
        ObjectNode node = Json.object().put("key", fixture.key().number());
        fixture.id().ifPresent(i -> node.put("id", i.number()));
        node.put("type", fixture.type().value())
                .put("mode", fixture.mode())
                .put("position", fixture.position())
                .put("unit", fixture.unit())
                .put("name", fixture.name())
                .put("note", fixture.note());
        ArrayNode addresses = node.putArray("addresses");
        fixture.addresses()
                .forEach((block, a) -> addresses.add(address(Json.object().put("block", block), a)));
        PlaceJson.put(node, fixture);
        return node;
    }

    private static Fixture readFixture(JsonNode node) {
        TreeMap<Integer, StartAddress> addresses = new TreeMap<>();
        for (JsonNode a : node.path("addresses")) {
            int block = Json.number(a, "block");
            if (addresses.put(block, readAddress(a)) != null) {
                throw new IllegalArgumentException(
                        "fixture " + Json.number(node, "key") + " has two addresses for its block " + block);
            }
        }
        return new Fixture(
                FixtureKey.of(Json.number(node, "key")),
                Json.optional(node, "id", n -> FixtureId.of(n.asInt())),
                new Fixture.Model(TypeId.of(Json.text(node, "type")), Json.text(node, "mode")),
                new Fixture.Place(
                        Json.number(node, "position"), Json.number(node, "unit"), PlaceJson.length(node, "offset")),
                new Fixture.Words(Json.text(node, "name"), Json.text(node, "note")),
                addresses,
                PlaceJson.readTraits(node.path("traits")),
                PlaceJson.uuid(node));
    }

    private static BlockEvidence readEvidence(JsonNode node) {
        BlockRef ref = new BlockRef(FixtureKey.of(Json.number(node, "fixture")), Json.number(node, "block"));
        Optional<Mark> set = Json.optional(node, "set", ElementJson::readMark);
        return new BlockEvidence(
                ref,
                set,
                Json.optional(node, "proved", ElementJson::readMark),
                Json.text(node, "uid"),
                Json.optional(node, "menu", JsonNode::asString).orElse(""));
    }

    private static UnitCheck readCheck(JsonNode node) {
        return new UnitCheck(
                FixtureKey.of(Json.number(node, "fixture")),
                CheckItem.read(Json.text(node, "item")),
                Json.constant(UnitCheck.Seen.class, Json.text(node, "seen")),
                Json.text(node, "note"),
                Json.text(node, "against"),
                Instant.parse(Json.text(node, "at")),
                Json.text(node, "by"));
    }

    private static ObjectNode mark(Mark mark) {
        return address(Json.object(), mark.address())
                .put("mode", mark.mode())
                .put("at", mark.at().toString())
                .put("by", mark.by());
    }

    private static Mark readMark(JsonNode node) {
        return new Mark(
                readAddress(node),
                Json.text(node, "mode"),
                Instant.parse(Json.text(node, "at")),
                Json.text(node, "by"));
    }

    private static ObjectNode address(ObjectNode node, StartAddress address) {
        return node.put("universe", address.universe().number())
                .put("slot", address.slot().number());
    }

    private static StartAddress readAddress(JsonNode node) {
        return StartAddress.of(Json.number(node, "universe"), Json.number(node, "slot"));
    }
}
