package taxon.formats.mvr;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import taxon.core.cable.CableWay;
import taxon.core.cable.Spot;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.network.BoxKind;
import taxon.core.network.NetCard;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Line;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.formats.gdtf.GdtfWriter;
import taxon.formats.xml.XmlOut;
import taxon.formats.zip.ArchiveOut;

/**
 * Writes the rig as an MVR scene of version 1.6 (DIN SPEC 15801, from memory) with the GDTF file of each type that it uses and of
 * which more than the name is known.
 * {@link MvrReader} reads the same fixtures back. What the format has a place for goes with them: where they hang, addresses,
 * the folder or group that they lie in, the IP address of a unit on the network, and the cable from unit to unit. The bytes depend on the plan and the time alone.
 */
public final class MvrWriter {
    private static final double MILLI = 1000;

    private final Plan plan;
    private final CableWay way;
    private final XmlOut xml = new XmlOut();
    private final Map<FixtureKey, NetCard> cards = new HashMap<>();
    private final Map<FixtureKey, FixtureKey> next = new HashMap<>();
    private final Map<FixtureType, String> files = new LinkedHashMap<>();

    private MvrWriter(Plan plan) {
        this.plan = plan;
        way = new CableWay(plan);
        for (Box box : plan.boxes()) {
            if (box.kind() == BoxKind.UNIT && box.card().isPresent()) {
                box.facts().fixture().ifPresent(f -> cards.put(f, box.card().get()));
            }
        }
        for (Line line : plan.lines()) {
            List<FixtureKey> units = line.units();
            for (int i = 1; i < units.size(); i++) {
                next.putIfAbsent(units.get(i - 1), units.get(i));
            }
        }
        nameFiles();
    }

    /** @param at when the file is made, for the revisions of its types */
    public static byte[] write(Plan plan, Instant at) {
        MvrWriter writer = new MvrWriter(plan);
        Map<String, byte[]> content = new LinkedHashMap<>();
        content.put("GeneralSceneDescription.xml", writer.scene());
        writer.files.forEach((type, name) -> {
            if (!type.modes().isEmpty()) {
                content.put(name, GdtfWriter.write(type, at));
            }
        });
        return ArchiveOut.of(content, ArchiveOut.NO_TIME);
    }

    /** "maker@type.gdtf", underscores for what a name of a file cannot hold; of two alike the second gets a number. */
    private void nameFiles() {
        Set<String> taken = new HashSet<>();
        for (Fixture fixture : plan.fixtures()) {
            files.computeIfAbsent(plan.type(fixture), t -> {
                String name = legal(t.maker()) + "@" + legal(t.name());
                String free = name;
                for (int i = 2; !taken.add(free.toLowerCase(Locale.ROOT)); i++) {
                    free = name + "@" + i;
                }
                return free + ".gdtf";
            });
        }
    }

    private static String legal(String name) {
        return name.replaceAll("[^\\p{L}\\p{N}+() -]", "_").replace(' ', '_');
    }

    private byte[] scene() {
        xml.open("GeneralSceneDescription", "verMajor", 1, "verMinor", 6, "provider", "Taxon", "providerVersion", "1");
        xml.open("Scene").open("AUXData");
        plan.positions().forEach(p -> xml.leaf("Position", "uuid", uuid(p), "name", p.name()));
        xml.close().open("Layers");
        for (SceneTree.Node layer : SceneTree.layers(plan)) {
            xml.open("Layer", "uuid", uuid(layer.key()), "name", layer.name());
            children(layer, layer.key());
            xml.close();
        }
        return xml.close().close().close().bytes();
    }

    private void children(SceneTree.Node node, String path) {
        xml.open("ChildList");
        for (SceneTree.Node group : node.inner().values()) {
            // A group may lie in several layers, and a UUID stands once in a file.
            String own = path + "/" + group.key();
            xml.open("GroupObject", "name", group.name(), "uuid", uuid(own));
            children(group, own);
            xml.close();
        }
        node.fixtures().forEach(this::fixture);
        xml.close();
    }

    /** Its own, or one that stays the same for as long as the job is called so. */
    private String uuid(Fixture fixture) {
        return fixture.uuid().map(UUID::toString).orElseGet(() -> uuid("fixture/" + fixture.key()));
    }

    private String uuid(Position position) {
        return position.uuid().map(UUID::toString).orElseGet(() -> uuid("position/" + position.number()));
    }

    private String uuid(String what) {
        String name = "taxon:" + plan.sheet().name() + "/" + what;
        return UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8)).toString();
    }

    private void fixture(Fixture fixture) {
        FixtureType type = plan.type(fixture);
        Position position = plan.position(fixture);
        xml.open("Fixture", "name", name(fixture), "uuid", uuid(fixture));
        matrix(fixture).ifPresent(m -> xml.text("Matrix", m));
        xml.text("GDTFSpec", Optional.ofNullable(files.get(type)).orElseThrow());
        xml.text(
                "GDTFMode",
                plan.mode(fixture).map(m -> GdtfWriter.modeName(type, m)).orElse(fixture.mode()));
        xml.text("DMXInvertPan", Boolean.toString(fixture.traits().axes().panReversed()));
        xml.text("DMXInvertTilt", Boolean.toString(fixture.traits().axes().tiltReversed()));
        xml.text("Position", uuid(position));
        String function = fixture.traits().look().purpose();
        if (!function.isEmpty()) {
            xml.text("Function", function);
        }
        xml.text("FixtureID", fixture.id().map(FixtureId::toString).orElse(""));
        fixture.id().ifPresent(i -> xml.text("FixtureIDNumeric", Integer.toString(i.number())));
        xml.text("UnitNumber", Integer.toString(fixture.unit()));
        addresses(fixture);
        connections(fixture);
        xml.close();
    }

    private static String name(Fixture fixture) {
        return fixture.words().name().isEmpty()
                ? fixture.label()
                : fixture.words().name();
    }

    /** Where it hangs, in millimetres; empty where nobody has said where its position lies. */
    private Optional<String> matrix(Fixture fixture) {
        return way.spot(fixture).flatMap(MvrWriter::matrix);
    }

    private static Optional<String> matrix(Spot spot) {
        return spot.point()
                .map(p -> String.format(
                        Locale.ROOT,
                        "{1,0,0}{0,1,0}{0,0,1}{%.3f,%.3f,%.3f}",
                        p.across() * MILLI,
                        p.upstage() * MILLI,
                        spot.height() * MILLI));
    }

    /** Blocks count from 1, breaks of a scene from 0 (from memory). */
    private void addresses(Fixture fixture) {
        xml.open("Addresses");
        fixture.addresses()
                .forEach((block, address) ->
                        xml.text("Address", Integer.toString(absolute(address)), "break", block - 1));
        Optional.ofNullable(cards.get(fixture.key()))
                .ifPresent(c -> xml.leaf(
                        "Network",
                        "geometry",
                        "ethernet_1",
                        "ipv4",
                        c.ip(),
                        "subnetmask",
                        c.subnet().mask()));
        xml.close();
    }

    private static int absolute(StartAddress address) {
        return (address.universe().number() - 1) * Slot.LAST + address.slot().number();
    }

    /** The cable goes on from here to the next unit of its line. */
    private void connections(Fixture fixture) {
        Optional.ofNullable(next.get(fixture.key())).flatMap(plan::fixture).ifPresent(to -> {
            xml.open("Connections");
            xml.leaf("Connection", "own", "Output", "other", "Input", "toObject", uuid(to));
            xml.close();
        });
    }
}
