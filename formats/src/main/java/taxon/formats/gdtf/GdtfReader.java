package taxon.formats.gdtf;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.fixture.Facts;
import taxon.core.fixture.Facts.Hazard;
import taxon.core.fixture.Facts.Reach;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.SettingGuide;
import taxon.core.fixture.TypeId;
import taxon.core.text.Texts;
import taxon.formats.gdtf.GdtfNote.Kind;
import taxon.formats.xml.SafeXml;
import taxon.formats.xml.XmlElement;
import taxon.formats.xml.XmlRefusedException;
import taxon.formats.zip.ArchiveRefusedException;
import taxon.formats.zip.SafeArchive;

/**
 * Reads a GDTF file (DIN SPEC 15800, versions 1.0 to 1.2, from memory) that may come from anyone. Time and memory are bounded
 * by the size of the file and the limits below, whatever it claims.
 */
public final class GdtfReader {
    public static final int LARGEST_FILE = 32 << 20;
    private static final int LARGEST_DESCRIPTION = 24 << 20;
    private static final int MOST_CHANNELS = 65_536;
    private static final String DESCRIPTION = "description.xml";
    private static final Set<String> VERSIONS = Set.of("1.0", "1.1", "1.2");

    private final Notes notes = new Notes();
    private final XmlElement type;
    private final FactsFile facts;
    private final RemoteReader remote;

    private GdtfReader(XmlElement type, Optional<byte[]> factsBytes) {
        this.type = type;
        facts = FactsFile.read(factsBytes, notes);
        remote = new RemoteReader(type.path("Protocols", "FTRDM"), notes);
    }

    public static ParsedGdtf read(byte[] file) {
        if (file.length > LARGEST_FILE) {
            return new ParsedGdtf.Refused("The file has " + file.length + " bytes; " + LARGEST_FILE + " is the most.");
        }
        try {
            SafeArchive archive = SafeArchive.open(file);
            Optional<byte[]> description = archive.read(DESCRIPTION, LARGEST_DESCRIPTION);
            if (description.isEmpty()) {
                return new ParsedGdtf.Refused("The archive has no " + DESCRIPTION + ", so it is no GDTF file.");
            }
            return read(SafeXml.read(description.get()), archive.read(FactsFile.NAME, FactsFile.LARGEST));
        } catch (ArchiveRefusedException | XmlRefusedException e) {
            return new ParsedGdtf.Refused(String.valueOf(e.getMessage()));
        }
    }

    private static ParsedGdtf read(XmlElement root, Optional<byte[]> factsBytes) {
        Optional<XmlElement> type = root.child("FixtureType");
        if (!root.name().equals("GDTF") || type.isEmpty()) {
            return new ParsedGdtf.Refused(
                    DESCRIPTION + " holds no GDTF fixture type: it begins with <" + Texts.clip(root.name(), 60) + ">.");
        }
        GdtfReader reader = new GdtfReader(type.get(), factsBytes);
        reader.checkVersion(root);
        reader.reportUnknown(root);
        return reader.read();
    }

    private void checkVersion(XmlElement root) {
        String version = root.attribute("DataVersion").orElse("none");
        if (!VERSIONS.contains(version)) {
            notes.add(Kind.VERSION_UNKNOWN, "", root.line(), version);
        }
    }

    /** Names what GDTF does not, each once with its count; it stays in the original file. */
    private void reportUnknown(XmlElement root) {
        Map<String, Integer> counts = new TreeMap<>();
        countUnknown(root, counts);
        counts.forEach((name, count) -> notes.add(
                Kind.ELEMENT_UNKNOWN, "", 0, count + (count == 1 ? " element <" : " elements <") + name + ">"));
    }

    private static void countUnknown(XmlElement element, Map<String, Integer> counts) {
        if (!GdtfElements.KNOWN.contains(element.name()) && counts.size() < 100) {
            counts.merge(Texts.clip(element.name(), 60), 1, Integer::sum);
        }
        element.children().forEach(c -> countUnknown(c, counts));
    }

    private ParsedGdtf read() {
        long channels =
                type.path("DMXModes", "DMXMode", "DMXChannels", "DMXChannel").size();
        if (channels > MOST_CHANNELS) {
            return new ParsedGdtf.Refused(
                    "The file has " + channels + " channels in all its modes; " + MOST_CHANNELS + " is the most.");
        }
        List<Mode> modes = modes();
        reportUndefined();
        if (modes.isEmpty()) {
            List<GdtfNote> told = notes.all();
            String why = told.isEmpty() ? "" : " " + told.get(told.size() - 1).sentence();
            return new ParsedGdtf.Refused("The file has no mode that can be used." + why);
        }
        try {
            return new ParsedGdtf.Read(type(modes), notes.all());
        } catch (IllegalArgumentException e) {
            // Only facts beside the description can contradict each other so: they give names that are then taken
            // twice.
            return new ParsedGdtf.Refused("The file contradicts itself: " + e.getMessage() + ".");
        }
    }

    /** Attributes that channels use and the file does not define, each where it stands first. */
    private void reportUndefined() {
        Set<String> known = type.path("AttributeDefinitions", "Attributes", "Attribute").stream()
                .flatMap(a -> a.attribute("Name").stream())
                .collect(Collectors.toCollection(HashSet::new));
        type.path("DMXModes", "DMXMode", "DMXChannels", "DMXChannel", "LogicalChannel")
                .forEach(logical -> Stream.concat(Stream.of(logical), logical.children("ChannelFunction"))
                        .forEach(e -> e.attribute("Attribute")
                                .filter(known::add)
                                .ifPresent(a -> notes.add(Kind.ATTRIBUTE_UNDEFINED, "", e.line(), a))));
    }

    private FixtureType type(List<Mode> modes) {
        String maker = text("Manufacturer", 60).orElse("Unknown maker");
        String name = text("Name", 60).or(() -> text("LongName", 60)).orElse("Unnamed type");
        TypeId id = facts.id().orElseGet(() -> TypeId.named(maker, name));
        return new FixtureType(
                id,
                guid(id),
                maker,
                name,
                text("ShortName", FixtureType.LONGEST_SHORT_NAME)
                        .orElseGet(() -> Texts.clip(name, FixtureType.LONGEST_SHORT_NAME)),
                text("LongName", FixtureType.LONGEST_LONG_NAME)
                        .filter(l -> !l.equals(maker + " " + name))
                        .orElse(""),
                facts.revision().orElseGet(this::revision),
                facts.facts().orElseGet(() -> facts(modes)),
                modes);
    }

    private Optional<String> text(String attribute, int longest) {
        return type.attribute(attribute)
                .map(t -> notes.cut(t, longest, attribute, type.line()))
                .filter(t -> !t.isBlank());
    }

    private UUID guid(TypeId id) {
        Optional<String> text = type.attribute("FixtureTypeID");
        if (text.filter(t -> t.matches("[0-9A-Fa-f]{8}(-[0-9A-Fa-f]{4}){3}-[0-9A-Fa-f]{12}"))
                .isPresent()) {
            return UUID.fromString(text.get());
        }
        UUID made = FixtureType.guidOf(id);
        notes.add(Kind.ID_MADE, "", type.line(), made.toString());
        return made;
    }

    private String revision() {
        List<XmlElement> revisions = type.path("Revisions", "Revision");
        if (revisions.isEmpty()) {
            return "";
        }
        XmlElement last = revisions.get(revisions.size() - 1);
        String date = last.attribute("Date").orElse("");
        String text = last.attribute("Text").orElse("");
        return notes.cut(
                date.isEmpty() || text.isEmpty() ? text + date : text + ", " + date, 80, "Revision", last.line());
    }

    /** By their names as written; the first of two that are called the same. */
    private final Map<String, Mode> byWrittenName = new HashMap<>();

    private List<Mode> modes() {
        GeometryTree geometries = new GeometryTree(
                type.children("Geometries").flatMap(g -> g.children().stream()).toList(), notes);
        List<Mode> modes = new ArrayList<>();
        Set<String> names = new HashSet<>();
        for (XmlElement element : type.path("DMXModes", "DMXMode")) {
            if (modes.size() == FixtureType.MOST_MODES) {
                notes.add(
                        Kind.MODE_LEFT_OUT,
                        "",
                        element.line(),
                        FixtureType.MOST_MODES + " modes are the most that is kept");
                break;
            }
            String written = element.attribute("Name").orElse("");
            String name = distinct(written, element, names);
            new ModeReader(name, element, facts, notes)
                    .read(geometries, remote.personality(written))
                    .ifPresent(m -> {
                        modes.add(m);
                        byWrittenName.putIfAbsent(written, m);
                    });
        }
        return modes;
    }

    private String distinct(String written, XmlElement element, Set<String> names) {
        // A scene names a mode of an overlong name by the same first characters.
        String whole = Texts.clip(written.isBlank() ? "Mode" : written, 60);
        String name = whole;
        for (int i = 2; !names.add(name); i++) {
            name = Texts.clip(whole, 54) + " (" + i + ")";
        }
        if (!name.equals(written)) {
            notes.add(Kind.NAME_CHANGED, "mode", element.line(), name);
        }
        return name;
    }

    /** What the description lets one conclude; assumptions are those of {@link Facts#of}. */
    private Facts facts(List<Mode> modes) {
        Facts assumed = Facts.of(hazard(modes), Reach.LINE);
        List<String> inputs = sockets("Input", "1");
        List<String> outputs = sockets("Output", "-1");
        boolean told = !inputs.isEmpty() || !outputs.isEmpty();
        if (!told) {
            notes.add(Kind.SOCKETS_ASSUMED, "", type.line(), String.join(", ", assumed.inputs()));
        }
        return new Facts(
                assumed.hazard(),
                assumed.reach(),
                told ? inputs : assumed.inputs(),
                told ? outputs : assumed.outputs(),
                assumed.loadEighths(),
                assumed.switches(),
                remote.read(byWrittenName),
                SettingGuide.NONE);
    }

    private Hazard hazard(List<Mode> modes) {
        boolean laser = geometries("Laser").findAny().isPresent();
        boolean air = modes.stream()
                .flatMap(Mode::channels)
                .anyMatch(c -> c.attribute().name().matches("(Fog|Haze)\\d+"));
        return laser ? Hazard.LASER : air ? Hazard.ATMOSPHERE : Hazard.NONE;
    }

    /**
     * The sockets of a direction: those of the wiring objects among the geometries; in a file of 1.1, which has none, those of
     * its list of connectors, where a receiver's input is male (gender 1) and its output female (-1) (from memory).
     */
    private List<String> sockets(String direction, String gender) {
        List<XmlElement> wired = geometries("WiringObject")
                .filter(w -> w.attribute("ComponentType").equals(Optional.of(direction)))
                .filter(w -> w.attribute("SignalType")
                        .filter(s -> s.startsWith("DMX"))
                        .isPresent())
                .toList();
        List<XmlElement> listed = type.path("PhysicalDescriptions", "Connectors", "Connector").stream()
                .filter(c -> c.attribute("DMXBreak").filter(b -> !b.equals("0")).isPresent())
                .filter(c -> c.attribute("Gender").equals(Optional.of(gender)))
                .toList();
        List<String> names = named(wired, "ConnectorType");
        return names.isEmpty() ? named(listed, "Type") : names;
    }

    private List<String> named(List<XmlElement> connectors, String attribute) {
        connectors.stream()
                .skip(Facts.MOST_SOCKETS)
                .findFirst()
                .ifPresent(c -> notes.add(
                        Kind.SOCKETS_LEFT_OUT, "", c.line(), String.valueOf(connectors.size() - Facts.MOST_SOCKETS)));
        return connectors.stream()
                .limit(Facts.MOST_SOCKETS)
                .map(c -> notes.cut(c.attribute(attribute).orElse("unknown"), 30, attribute, c.line()))
                .map(c -> c.isBlank() ? "unknown" : c)
                .toList();
    }

    /** All geometries of a kind, at any depth. */
    private Stream<XmlElement> geometries(String kind) {
        return type.children("Geometries").flatMap(g -> anywhere(g, kind));
    }

    private static Stream<XmlElement> anywhere(XmlElement element, String name) {
        return Stream.concat(
                element.name().equals(name) ? Stream.of(element) : Stream.empty(),
                element.children().stream().flatMap(c -> anywhere(c, name)));
    }
}
