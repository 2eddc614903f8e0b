package taxon.formats.gdtf;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.RemoteManagement;
import taxon.core.fixture.RemoteManagement.Software;
import taxon.formats.gdtf.ModePlan.Template;
import taxon.formats.xml.XmlOut;
import taxon.formats.zip.ArchiveOut;

/**
 * Writes a type as a GDTF file of version 1.2 (DIN SPEC 15800, from memory). {@link GdtfReader} reads the same type back. The
 * bytes depend on nothing but the type and the time given.
 */
public final class GdtfWriter {
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

    /** What a mode is called in the file of its type: a link separates names by dots, so that no name holds one. */
    public static String modeName(FixtureType type, Mode mode) {
        return new WrittenNames(type).mode(mode);
    }

    private static byte[] archive(byte[] description, byte[] facts) {
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("description.xml", description);
        files.put(FactsFile.NAME, facts);
        return ArchiveOut.of(files, ArchiveOut.NO_TIME);
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
                type.longName().isEmpty() ? type.fullName() : type.longName(),
                "Manufacturer",
                type.maker(),
                "Description",
                type.facts().settings(),
                "FixtureTypeID",
                type.guid().toString().toUpperCase(Locale.ROOT),
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
        ChannelWriter channels = new ChannelWriter(xml, names, plan);
        plan.channels().forEach(channels::write);
        xml.close();
        xml.leaf("Relations");
        xml.leaf("FTMacros");
        xml.close();
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

    /** Numbers of the maker, the model and its software are written where they are known; none is made up. */
    private void protocols() {
        RemoteManagement remote = type.facts().remote();
        List<Software> software = software(remote);
        if (!remote.answers() && software.isEmpty()) {
            xml.leaf("Protocols");
            return;
        }
        List<Object> numbers = new ArrayList<>();
        remote.maker().ifPresent(m -> numbers.addAll(List.of("ManufacturerID", "0x" + RemoteManagement.words(m))));
        remote.model().ifPresent(m -> numbers.addAll(List.of("DeviceModelID", "0x" + RemoteManagement.words(m))));
        xml.open("Protocols").open("FTRDM", numbers.toArray());
        software.forEach(this::software);
        xml.close().close();
    }

    /** What its file said; where it said nothing, the modes as they are numbered, under a version of nought. */
    private List<Software> software(RemoteManagement remote) {
        if (!remote.software().isEmpty()) {
            return remote.software();
        }
        TreeMap<Integer, String> modes = new TreeMap<>();
        type.modes().forEach(m -> m.personality().ifPresent(p -> modes.put(p, m.name())));
        return modes.isEmpty() ? List.of() : List.of(new Software(0, modes));
    }

    private void software(Software software) {
        xml.open("SoftwareVersionID", "Value", "0x" + String.format(Locale.ROOT, "%08X", software.version()));
        software.modes()
                .forEach((personality, mode) -> xml.leaf(
                        "DMXPersonality",
                        "Value",
                        "0x" + Integer.toHexString(personality),
                        "DMXMode",
                        type.mode(mode).map(names::mode).orElse(mode)));
        xml.close();
    }
}
