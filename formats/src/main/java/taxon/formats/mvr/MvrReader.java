package taxon.formats.mvr;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import taxon.core.scene.Scene;
import taxon.core.scene.SceneFixture;
import taxon.core.text.Texts;
import taxon.formats.gdtf.GdtfReader;
import taxon.formats.gdtf.ParsedGdtf;
import taxon.formats.mvr.MvrNote.Kind;
import taxon.formats.xml.SafeXml;
import taxon.formats.xml.XmlElement;
import taxon.formats.xml.XmlRefusedException;
import taxon.formats.zip.ArchiveRefusedException;
import taxon.formats.zip.ByteSource;
import taxon.formats.zip.SafeArchive;

/**
 * Reads an MVR file (DIN SPEC 15801, versions 1.4 to 1.6, from memory) that may come from anyone. Time and memory are bounded
 * by the size of the file and the limits below, whatever it claims; models and pictures in it are not unpacked.
 */
public final class MvrReader {
    /** 128 MiB: most of it is models, which are not read. */
    public static final int LARGEST_FILE = 128 << 20;

    private static final String DESCRIPTION = "GeneralSceneDescription.xml";
    private static final int LARGEST_DESCRIPTION = 64 << 20;
    private static final int MOST_FIXTURES = 20_000;
    private static final int MOST_TYPES = 400;
    private static final long MOST_TYPE_BYTES = 256L << 20;
    private static final Set<String> VERSIONS = Set.of("1.4", "1.5", "1.6");

    private final SafeArchive archive;
    private final Set<MvrNote> notes = new LinkedHashSet<>();
    private final Map<UUID, String> positions = new HashMap<>();
    private final List<SceneFixture> fixtures = new ArrayList<>();
    private final Set<UUID> seen = new HashSet<>();
    private boolean tooMany;

    private MvrReader(SafeArchive archive) {
        this.archive = archive;
    }

    /** Reads a scene that is in memory. */
    public static ParsedMvr read(byte[] file) {
        return read(ByteSource.of(file));
    }

    /** Reads a scene of which models and pictures are never in memory. */
    public static ParsedMvr read(ByteSource file) {
        if (file.size() > LARGEST_FILE) {
            return new ParsedMvr.Refused("The file has " + file.size() + " bytes; " + LARGEST_FILE + " is the most.");
        }
        try {
            SafeArchive archive = SafeArchive.open(file);
            Optional<byte[]> description = archive.read(DESCRIPTION, LARGEST_DESCRIPTION);
            return description.isEmpty()
                    ? new ParsedMvr.Refused("The archive has no " + DESCRIPTION + ", so it is no MVR file.")
                    : new MvrReader(archive).read(SafeXml.read(description.get()));
        } catch (ArchiveRefusedException | XmlRefusedException e) {
            return new ParsedMvr.Refused(String.valueOf(e.getMessage()));
        }
    }

    private ParsedMvr read(XmlElement root) {
        List<XmlElement> scenes = root.path("Scene");
        if (!root.name().equals("GeneralSceneDescription") || scenes.isEmpty()) {
            return new ParsedMvr.Refused(
                    DESCRIPTION + " holds no scene: it begins with <" + Texts.clip(root.name(), 60) + ">.");
        }
        checkVersion(root);
        XmlElement scene = scenes.get(0);
        scene.path("AUXData", "Position").forEach(this::position);
        for (XmlElement layer : scene.path("Layers", "Layer")) {
            inside(layer, List.of(name(layer)), matrix(layer, "a layer").orElse(Placement.NONE));
        }
        if (tooMany) {
            return new ParsedMvr.Refused("The scene has more than " + MOST_FIXTURES + " fixtures, which is the most.");
        }
        return new ParsedMvr.Read(new Scene(positions, fixtures), types(), List.copyOf(notes));
    }

    private void checkVersion(XmlElement root) {
        String version = root.attribute("verMajor").orElse("?") + "."
                + root.attribute("verMinor").orElse("?");
        if (!VERSIONS.contains(version)) {
            notes.add(new MvrNote(Kind.VERSION_UNKNOWN, "", root.line(), Texts.clip(version, 20)));
        }
    }

    private void position(XmlElement element) {
        uuid(element).ifPresent(u -> positions.put(u, name(element)));
    }

    private String name(XmlElement element) {
        return cut(notes, element.attribute("name").orElse(""), 80, element);
    }

    /** A text as long as it may be; that it was cut is noted. */
    static String cut(Set<MvrNote> notes, String text, int longest, XmlElement element) {
        String kept = Texts.clip(text, longest);
        if (!kept.equals(text)) {
            notes.add(new MvrNote(Kind.TEXT_CUT, element.name(), element.line(), kept));
        }
        return kept;
    }

    static Optional<UUID> uuid(XmlElement element) {
        return element.attribute("uuid").flatMap(MvrReader::uuid);
    }

    static Optional<UUID> uuid(String text) {
        String hex = "[0-9a-fA-F]";
        boolean whole = text.strip().matches(hex + "{8}(-" + hex + "{4}){3}-" + hex + "{12}");
        return whole ? Optional.of(UUID.fromString(text.strip())) : Optional.empty();
    }

    /** Layers, groups, and fixtures that carry others: all that hold a ChildList. */
    private void inside(XmlElement parent, List<String> folders, Placement placement) {
        for (XmlElement child : parent.path("ChildList").stream()
                .flatMap(l -> l.children().stream())
                .toList()) {
            String kind = child.name();
            Placement own = matrix(child, name(child)).orElse(Placement.NONE).inside(placement);
            if (kind.equals("Fixture")) {
                fixture(child, folders, own);
            }
            List<String> path = folders;
            if (kind.equals("GroupObject") && !name(child).isBlank()) {
                path = new ArrayList<>(folders);
                path.add(name(child));
            }
            inside(child, path, own);
        }
    }

    private Optional<Placement> matrix(XmlElement element, String where) {
        Optional<String> text = element.textOf("Matrix");
        Optional<Placement> read = text.flatMap(Placement::read);
        if (text.isPresent() && read.isEmpty()) {
            notes.add(new MvrNote(Kind.MATRIX_UNCLEAR, where, element.line(), Texts.clip(text.get(), 40)));
        }
        return read;
    }

    private void fixture(XmlElement element, List<String> folders, Placement placement) {
        Optional<UUID> uuid = uuid(element);
        String label = element.textOf("FixtureID").orElse(name(element));
        if (uuid.isEmpty()) {
            String said = Texts.clip(element.attribute("uuid").orElse(""), 40);
            notes.add(new MvrNote(Kind.UUID_UNCLEAR, label, element.line(), said));
            return;
        }
        if (!seen.add(uuid.get())) {
            notes.add(new MvrNote(
                    Kind.UUID_TWICE, label, element.line(), uuid.get().toString()));
            return;
        }
        tooMany |= fixtures.size() >= MOST_FIXTURES;
        if (!tooMany) {
            fixtures.add(new FixtureElement(element, Texts.clip(label, 40), notes)
                    .read(uuid.get(), folders, placement, positions.keySet()));
        }
    }

    /** The files of types that fixtures name, as the archive holds them. */
    private Map<String, ParsedMvr.TypeFile> types() {
        Map<String, ParsedMvr.TypeFile> types = new LinkedHashMap<>();
        Map<String, String> entries = new HashMap<>();
        archive.names().forEach(n -> entries.put(n.toLowerCase(Locale.ROOT), n));
        long bytes = 0;
        for (String spec : specs()) {
            String entry = entries.getOrDefault(spec.toLowerCase(Locale.ROOT), spec);
            Optional<byte[]> file = file(spec, entry);
            if (file.isEmpty()) {
                continue;
            }
            if (bytes + file.get().length > MOST_TYPE_BYTES || types.size() >= MOST_TYPES) {
                notes.add(new MvrNote(Kind.TYPE_BEYOND_BOUNDS, spec, 0, ""));
                continue;
            }
            bytes += file.get().length;
            ParsedMvr.TypeFile type = ParsedMvr.TypeFile.of(file.get());
            types.put(spec, type);
            if (type.content() instanceof ParsedGdtf.Refused refused) {
                notes.add(new MvrNote(Kind.TYPE_UNREADABLE, spec, 0, refused.sentence()));
            }
        }
        return types;
    }

    private List<String> specs() {
        return fixtures.stream()
                .map(SceneFixture::spec)
                .filter(s -> !s.isEmpty())
                .distinct()
                .toList();
    }

    private Optional<byte[]> file(String spec, String entry) {
        try {
            return archive.read(entry, GdtfReader.LARGEST_FILE);
        } catch (ArchiveRefusedException e) {
            notes.add(new MvrNote(Kind.TYPE_UNREADABLE, spec, 0, String.valueOf(e.getMessage())));
            return Optional.empty();
        }
    }
}
