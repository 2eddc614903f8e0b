package taxon.formats.gdtf;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import taxon.core.fixture.Mode;
import taxon.core.fixture.RemoteManagement;
import taxon.core.fixture.RemoteManagement.Software;
import taxon.formats.gdtf.GdtfNote.Kind;
import taxon.formats.xml.XmlElement;

/** Reads what a file says of remote management (FTRDM), whose numbers are hexadecimal (DIN SPEC 15800, from memory). */
final class RemoteReader {
    private static final int MOST_ID = 0xFFFF;

    private final List<XmlElement> elements;
    private final Notes notes;
    private final TreeMap<Long, Map<Integer, String>> versions = new TreeMap<>();
    private final Map<String, Integer> newest = new HashMap<>();

    RemoteReader(List<XmlElement> elements, Notes notes) {
        this.elements = elements;
        this.notes = notes;
        // A version that cannot be read is older than all that can.
        elements.stream()
                .flatMap(e -> e.children("SoftwareVersionID"))
                .sorted(java.util.Comparator.comparingLong(s -> version(s).orElse(-1L)))
                .forEach(this::software);
    }

    private void software(XmlElement software) {
        Optional<Long> version = version(software);
        if (version.isEmpty()) {
            notes.add(
                    Kind.SOFTWARE_UNCLEAR,
                    "",
                    software.line(),
                    software.attribute("Value").orElse(""));
        }
        Map<Integer, String> numbering = version.map(v -> versions.computeIfAbsent(v, k -> new TreeMap<>()))
                .orElseGet(HashMap::new);
        for (XmlElement personality : software.children("DMXPersonality").toList()) {
            String value = personality.attribute("Value").orElse("");
            Optional<Integer> number =
                    hex(value).filter(n -> n >= 1 && n <= 255).map(Long::intValue);
            Optional<String> mode = personality.attribute("DMXMode");
            if (number.isEmpty()) {
                notes.add(Kind.PERSONALITY_UNCLEAR, "", personality.line(), value);
            } else if (mode.isPresent()) {
                newest.put(mode.get(), number.get());
                numbering.put(number.get(), mode.get());
                lines.putIfAbsent(mode.get(), personality.line());
            }
        }
    }

    private final Map<String, Integer> lines = new HashMap<>();

    /** The personality of a mode as the newest software of the unit numbers it: that of the highest version, wherever it stands. */
    Optional<Integer> personality(String written) {
        return Optional.ofNullable(newest.get(written));
    }

    /** @param modes by the name that the file gives them */
    RemoteManagement read(Map<String, Mode> modes) {
        if (elements.isEmpty()) {
            return RemoteManagement.NONE;
        }
        lines.forEach((written, line) -> {
            if (!modes.containsKey(written)) {
                notes.add(Kind.PERSONALITY_OF_NO_MODE, "", line, written);
            }
        });
        List<Software> software = versions.entrySet().stream()
                .limit(RemoteManagement.MOST_SOFTWARE)
                .map(v -> new Software(v.getKey(), named(v.getValue(), modes)))
                .toList();
        return new RemoteManagement(true, id("ManufacturerID"), id("DeviceModelID"), software);
    }

    private SortedMap<Integer, String> named(Map<Integer, String> numbering, Map<String, Mode> modes) {
        TreeMap<Integer, String> named = new TreeMap<>();
        numbering.forEach((number, written) -> {
            Optional<Mode> mode = Optional.ofNullable(modes.get(written));
            String name = mode.map(Mode::name)
                    .orElseGet(() -> notes.cut(written, 60, "mode", lines.getOrDefault(written, 0)));
            if (!name.isBlank()) {
                named.put(number, name);
            }
        });
        return named;
    }

    private Optional<Integer> id(String attribute) {
        Optional<XmlElement> element = elements.stream()
                .filter(e -> e.attribute(attribute).isPresent())
                .findFirst();
        Optional<String> text = element.flatMap(e -> e.attribute(attribute));
        Optional<Integer> id =
                text.flatMap(RemoteReader::hex).filter(n -> n <= MOST_ID).map(Long::intValue);
        if (text.isPresent() && id.isEmpty()) {
            notes.add(Kind.REMOTE_ID_UNCLEAR, attribute, element.get().line(), text.get());
        }
        return id;
    }

    private static Optional<Long> version(XmlElement software) {
        return hex(software.attribute("Value").orElse(""));
    }

    /** With or without {@code 0x} before it, so that "10" is sixteen. */
    private static Optional<Long> hex(String text) {
        String digits = text.strip().toLowerCase(Locale.ROOT).replaceFirst("^0x", "");
        return digits.matches("[0-9a-f]{1,8}") ? Optional.of(Long.parseLong(digits, 16)) : Optional.empty();
    }
}
