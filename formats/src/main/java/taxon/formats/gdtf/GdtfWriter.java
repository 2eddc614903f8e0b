package taxon.formats.gdtf;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Condition;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Levels;
import taxon.core.fixture.Mode;
import taxon.core.fixture.RangeSet;
import taxon.formats.gdtf.ModePlan.PlacedChannel;
import taxon.formats.gdtf.ModePlan.Template;
import taxon.formats.xml.XmlOut;

/**
 * Writes a type as a GDTF file of version 1.2 (DIN SPEC 15800, from memory). {@link GdtfReader} reads the same type back. The
 * bytes depend on nothing but the type and the time given.
 */
public final class GdtfWriter {
    /** A maker number of the range for prototypes (ANSI E1.20, 5.1, from memory): the file is nobody's product. */
    private static final String PROTOTYPE_MAKER = "0x7FF0";

    private final FixtureType type;
    private final Instant at;
    private final WrittenNames names;
    private final List<ModePlan> plans = new ArrayList<>();
    private final XmlOut xml = new XmlOut();

    private GdtfWriter(FixtureType type, Instant at) {
        this.type = type;
        this.at = at;
        names = new WrittenNames(type);
        for (Mode mode : type.modes()) {
            plans.add(ModePlan.of(mode, plans.size() + 1));
        }
    }

    /** @param at when the file is made, for its revision */
    public static byte[] write(FixtureType type, Instant at) {
        GdtfWriter writer = new GdtfWriter(type, at);
        byte[] description = writer.description();
        return archive(description, FactsFile.write(type, writer.names.changed()));
    }

    private static byte[] archive(byte[] description, byte[] facts) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            put(zip, "description.xml", description);
            put(zip, FactsFile.NAME, facts);
        } catch (IOException e) {
            throw new UncheckedIOException("an archive can always be written to memory", e);
        }
        return out.toByteArray();
    }

    private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        entry.setTimeLocal(LocalDateTime.of(1980, 1, 1, 0, 0));
        zip.putNextEntry(entry);
        zip.write(bytes);
        zip.closeEntry();
    }

    private byte[] description() {
        xml.open("GDTF", "DataVersion", "1.2");
        xml.open(
                "FixtureType",
                "Name",
                type.name(),
                "ShortName",
                type.shortName(),
                "LongName",
                type.fullName(),
                "Manufacturer",
                type.maker(),
                "Description",
                type.facts().settings(),
                "FixtureTypeID",
                type.guid().toString().toUpperCase(java.util.Locale.ROOT),
                "CanHaveChildren",
                "No");
        attributes();
        xml.leaf("Wheels");
        xml.leaf("PhysicalDescriptions");
        xml.leaf("Models");
        geometries();
        xml.open("DMXModes");
        for (int i = 0; i < plans.size(); i++) {
            mode(type.modes().get(i), plans.get(i));
        }
        xml.close();
        revisions();
        xml.leaf("FTPresets");
        protocols();
        return xml.close().close().bytes();
    }

    private void attributes() {
        TreeMap<String, AttributeBook.Entry> used = new TreeMap<>();
        TreeSet<String> activations = new TreeSet<>();
        TreeMap<String, TreeSet<String>> features = new TreeMap<>();
        TreeMap<String, String> activationOf = new TreeMap<>();
        usedAttributes().forEach(attribute -> {
            AttributeBook.Entry entry = AttributeBook.describe(attribute);
            String activation = AttributeBook.activation(attribute);
            used.put(names.attribute(attribute), entry);
            activationOf.put(names.attribute(attribute), activation);
            if (!activation.isEmpty()) {
                activations.add(activation);
            }
            features.computeIfAbsent(entry.featureGroup(), g -> new TreeSet<>())
                    .add(entry.feature().substring(entry.featureGroup().length() + 1));
        });
        xml.open("AttributeDefinitions").open("ActivationGroups");
        activations.forEach(a -> xml.leaf("ActivationGroup", "Name", a));
        xml.close().open("FeatureGroups");
        features.forEach((group, of) -> {
            xml.open("FeatureGroup", "Name", group, "Pretty", group);
            of.forEach(f -> xml.leaf("Feature", "Name", f));
            xml.close();
        });
        xml.close().open("Attributes");
        used.forEach((name, entry) -> {
            String activation = activationOf.getOrDefault(name, "");
            List<Object> attribute = new ArrayList<>(List.of("Name", name, "Pretty", pretty(name)));
            if (!activation.isEmpty()) {
                attribute.addAll(List.of("ActivationGroup", activation));
            }
            attribute.addAll(List.of(
                    "Feature", entry.feature(), "PhysicalUnit", entry.unit().gdtf()));
            xml.leaf("Attribute", attribute.toArray());
        });
        xml.close().close();
    }

    private static String pretty(String name) {
        return AttributeBook.words(Attribute.of(name)).replace('.', ' ');
    }

    private Stream<Attribute> usedAttributes() {
        return type.modes().stream()
                .flatMap(Mode::channels)
                .flatMap(c -> Stream.concat(
                        Stream.of(c.attribute()), c.functions().stream().map(ChannelFunction::attribute)));
    }

    private void geometries() {
        xml.open("Geometries");
        for (ModePlan plan : plans) {
            xml.open("Geometry", "Name", plan.body(), "Position", IDENTITY);
            plan.templates().forEach(this::references);
            sockets(plan);
            xml.close();
            plan.templates().forEach(t -> xml.leaf("Geometry", "Name", t.name(), "Position", IDENTITY));
        }
        xml.close();
    }

    private static final String IDENTITY = "{1,0,0,0}{0,1,0,0}{0,0,1,0}{0,0,0,1}";

    private void references(Template template) {
        template.references().forEach(reference -> {
            xml.open("GeometryReference", "Name", reference.name(), "Geometry", template.name(), "Position", IDENTITY);
            reference
                    .offsets()
                    .forEach((dmxBreak, offset) -> xml.leaf("Break", "DMXOffset", offset, "DMXBreak", dmxBreak));
            xml.close();
        });
    }

    /** Sockets are those of the unit; they hang on the first body, so that they are there once. */
    private void sockets(ModePlan plan) {
        if (plan.equals(plans.get(0))) {
            sockets(type.facts().inputs(), "Input");
            sockets(type.facts().outputs(), "Output");
        }
    }

    private void sockets(List<String> connectors, String direction) {
        for (int i = 0; i < connectors.size(); i++) {
            xml.leaf(
                    "WiringObject",
                    "Name",
                    "DMX " + direction + " " + (i + 1),
                    "ConnectorType",
                    connectors.get(i),
                    "ComponentType",
                    direction,
                    "SignalType",
                    "DMX512",
                    "Position",
                    IDENTITY);
        }
    }

    private void mode(Mode mode, ModePlan plan) {
        xml.open("DMXMode", "Name", names.mode(mode), "Geometry", plan.body());
        xml.open("DMXChannels");
        plan.channels().forEach(c -> channel(c, plan));
        xml.close();
        xml.leaf("Relations");
        xml.leaf("FTMacros");
        xml.close();
    }

    private void channel(PlacedChannel placed, ModePlan plan) {
        Channel channel = placed.channel();
        String attribute = names.attribute(channel.attribute());
        int bytes = channel.bytes();
        List<String> functions = channel.functions().isEmpty()
                ? List.of(ChannelReader.defaultName(attribute, 0))
                : names.functions(channel);
        int initial =
                channel.initialFunction().map(channel.functions()::indexOf).orElse(0);
        xml.open(
                "DMXChannel",
                "DMXBreak",
                placed.dmxBreak(),
                "Offset",
                channel.isVirtual()
                        ? "None"
                        : String.join(
                                ",",
                                channel.offsets().stream().map(String::valueOf).toList()),
                "InitialFunction",
                placed.geometry() + "_" + attribute + "." + attribute + "." + functions.get(initial),
                "Highlight",
                channel.highlight().map(h -> DmxValue.write(h, bytes)).orElse("None"),
                "Geometry",
                placed.geometry());
        xml.open(
                "LogicalChannel",
                "Attribute",
                attribute,
                "Snap",
                "No",
                "Master",
                "None",
                "MibFade",
                "0",
                "DMXChangeTimeLimit",
                "0");
        if (channel.functions().isEmpty()) {
            xml.leaf(
                    "ChannelFunction",
                    functionHead(functions.get(0), attribute, 0, channel.rest(), 0, 1, bytes)
                            .toArray());
        }
        for (int i = 0; i < channel.functions().size(); i++) {
            function(channel.functions().get(i), functions.get(i), bytes, plan);
        }
        xml.close().close();
    }

    private static List<Object> functionHead(
            String name, String attribute, long from, long rest, double physicalFrom, double physicalTo, int bytes) {
        return new ArrayList<>(List.of(
                "Name",
                name,
                "Attribute",
                attribute,
                "OriginalAttribute",
                "",
                "DMXFrom",
                DmxValue.write(from, bytes),
                "Default",
                DmxValue.write(rest, bytes),
                "PhysicalFrom",
                physicalFrom,
                "PhysicalTo",
                physicalTo,
                "RealFade",
                "0",
                "RealAcceleration",
                "0"));
    }

    private void function(ChannelFunction function, String name, int bytes, ModePlan plan) {
        List<Object> head = functionHead(
                name,
                names.attribute(function.attribute()),
                function.from(),
                function.rest(),
                function.physical().from(),
                function.physical().to(),
                bytes);
        function.condition().ifPresent(c -> {
            head.addAll(List.of("ModeMaster", master(c, plan)));
            head.addAll(List.of("ModeFrom", DmxValue.write(c.from(), Levels.MOST_BYTES)));
            head.addAll(List.of("ModeTo", DmxValue.write(c.to(), Levels.MOST_BYTES)));
        });
        xml.open("ChannelFunction", head.toArray());
        function.sets().forEach(s -> set(s, bytes));
        xml.close();
    }

    /** The link to the channel that decides, or to one of its functions. Where the mode lacks it, the name is kept all the same. */
    private String master(Condition condition, ModePlan plan) {
        String attribute = names.attribute(condition.master());
        List<PlacedChannel> masters = plan.channels()
                .filter(c -> c.channel().attribute().equals(condition.master()))
                .toList();
        String channel = (masters.isEmpty() ? "Master" : masters.get(0).geometry()) + "_" + attribute;
        return condition.function().isEmpty()
                ? channel
                : channel + "." + attribute + "." + functionName(condition.function(), masters);
    }

    private String functionName(String function, List<PlacedChannel> masters) {
        for (PlacedChannel master : masters) {
            List<ChannelFunction> functions = master.channel().functions();
            for (int i = 0; i < functions.size(); i++) {
                if (functions.get(i).name().equals(function)) {
                    return names.functions(master.channel()).get(i);
                }
            }
        }
        return function;
    }

    private void set(RangeSet set, int bytes) {
        List<Object> attributes =
                new ArrayList<>(List.of("Name", set.name(), "DMXFrom", DmxValue.write(set.from(), bytes)));
        set.physical().ifPresent(p -> attributes.addAll(List.of("PhysicalFrom", p.from(), "PhysicalTo", p.to())));
        xml.leaf("ChannelSet", attributes.toArray());
    }

    private void revisions() {
        xml.open("Revisions");
        xml.leaf(
                "Revision",
                "Text",
                type.revision().isEmpty() ? "Written by Taxon" : type.revision(),
                "Date",
                at.atOffset(ZoneOffset.UTC).toLocalDateTime().withNano(0).toString(),
                "UserID",
                "0");
        xml.close();
    }

    private void protocols() {
        List<Mode> known =
                type.modes().stream().filter(m -> m.personality().isPresent()).toList();
        if (!type.facts().rdm() && known.isEmpty()) {
            xml.leaf("Protocols");
            return;
        }
        xml.open("Protocols").open("FTRDM", "ManufacturerID", PROTOTYPE_MAKER, "DeviceModelID", "0x0000");
        xml.open("SoftwareVersionID", "Value", "0x00000000");
        known.forEach(m -> xml.leaf(
                "DMXPersonality",
                "Value",
                "0x" + Integer.toHexString(m.personality().orElseThrow()),
                "DMXMode",
                names.mode(m)));
        xml.close().close().close();
    }
}
