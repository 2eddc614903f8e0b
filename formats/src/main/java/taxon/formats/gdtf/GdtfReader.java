package taxon.formats.gdtf;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Stream;
import taxon.core.fixture.Facts;
import taxon.core.fixture.Facts.Hazard;
import taxon.core.fixture.Facts.Reach;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
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

    private GdtfReader(XmlElement type, Optional<byte[]> factsBytes) {
        this.type = type;
        facts = FactsFile.read(factsBytes, notes);
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
                facts.revision().orElseGet(this::revision),
                facts.facts().orElseGet(() -> facts(modes)),
                modes);
    }

    private Optional<String> text(String attribute, int longest) {
        return type.attribute(attribute).map(t -> Texts.clip(t, longest)).filter(t -> !t.isBlank());
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
        return Texts.clip(date.isEmpty() || text.isEmpty() ? text + date : text + ", " + date, 80);
    }

    private List<Mode> modes() {
        GeometryTree geometries = new GeometryTree(
                type.children("Geometries").flatMap(g -> g.children().stream()).toList(), notes);
        Map<String, Integer> personalities = personalities();
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
                    .read(geometries, Optional.ofNullable(personalities.get(written)))
                    .ifPresent(modes::add);
        }
        return modes;
    }

    private String distinct(String written, XmlElement element, Set<String> names) {
        String base = Texts.clip(written.isBlank() ? "Mode" : written, 54);
        String name = Texts.clip(written, 60).equals(written) && !written.isBlank() ? written : base;
        for (int i = 2; !names.add(name); i++) {
            name = base + " (" + i + ")";
        }
        if (!name.equals(written)) {
            notes.add(Kind.NAME_CHANGED, "mode", element.line(), name);
        }
        return name;
    }

    /** By mode name, as the newest software of the unit numbers them: that of the highest version, wherever it stands. */
    private Map<String, Integer> personalities() {
        Map<String, Integer> found = new HashMap<>();
        List<XmlElement> versions = new ArrayList<>(type.path("Protocols", "FTRDM", "SoftwareVersionID"));
        versions.sort(Comparator.comparingLong(
                v -> hex(v.attribute("Value").orElse("")).orElse(-1L)));
        for (XmlElement software : versions) {
            for (XmlElement personality : software.children("DMXPersonality").toList()) {
                String value = personality.attribute("Value").orElse("");
                Optional<Integer> number = personalityNumber(value);
                if (number.isEmpty()) {
                    notes.add(Kind.PERSONALITY_UNCLEAR, "", personality.line(), value);
                }
                number.ifPresent(n -> personality.attribute("DMXMode").ifPresent(m -> found.put(m, n)));
            }
        }
        return found;
    }

    private static Optional<Integer> personalityNumber(String text) {
        return hex(text).filter(n -> n >= 1 && n <= 255).map(Long::intValue);
    }

    /** Hexadecimal, with or without {@code 0x} before it, so that "10" is sixteen (DIN SPEC 15800, FTRDM, from memory). */
    private static Optional<Long> hex(String text) {
        String digits = text.strip().toLowerCase(Locale.ROOT).replaceFirst("^0x", "");
        return digits.matches("[0-9a-f]{1,8}") ? Optional.of(Long.parseLong(digits, 16)) : Optional.empty();
    }

    /** What the description lets one conclude; assumptions are those of {@link Facts#of}. */
    private Facts facts(List<Mode> modes) {
        Facts assumed = Facts.of(hazard(modes), Reach.LINE);
        List<String> inputs = sockets("Input", "1");
        List<String> outputs = sockets("Output", "-1");
        boolean told = !inputs.isEmpty() || !outputs.isEmpty();
        return new Facts(
                assumed.hazard(),
                assumed.reach(),
                told ? inputs : assumed.inputs(),
                told ? outputs : assumed.outputs(),
                assumed.loadEighths(),
                !type.path("Protocols", "FTRDM").isEmpty(),
                "");
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
        Stream<Optional<String>> wired = geometries("WiringObject")
                .filter(w -> w.attribute("ComponentType").equals(Optional.of(direction)))
                .filter(w -> w.attribute("SignalType")
                        .filter(s -> s.startsWith("DMX"))
                        .isPresent())
                .map(w -> w.attribute("ConnectorType"));
        Stream<Optional<String>> listed = type.path("PhysicalDescriptions", "Connectors", "Connector").stream()
                .filter(c -> c.attribute("DMXBreak").filter(b -> !b.equals("0")).isPresent())
                .filter(c -> c.attribute("Gender").equals(Optional.of(gender)))
                .map(c -> c.attribute("Type"));
        List<String> names = named(wired);
        return names.isEmpty() ? named(listed) : names;
    }

    private static List<String> named(Stream<Optional<String>> connectors) {
        return connectors
                .map(c -> Texts.clip(c.orElse("unknown"), 30))
                .filter(c -> !c.isBlank())
                .limit(16)
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
