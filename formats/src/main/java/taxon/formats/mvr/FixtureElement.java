package taxon.formats.mvr;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.UUID;
import taxon.core.dmx.AddressText;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.FixtureId;
import taxon.core.scene.SceneFixture;
import taxon.core.scene.ScenePoint;
import taxon.core.text.Texts;
import taxon.formats.mvr.MvrNote.Kind;
import taxon.formats.xml.XmlElement;

/** One {@code Fixture} element of a scene. What is not understood is noted and left out; the fixture is read all the same. */
final class FixtureElement {
    private static final String GDTF = ".gdtf";
    private static final int MOST_UNIT = 9999;
    private static final int MOST_BREAK = 63;

    private final XmlElement element;
    private final String label;
    private final Set<MvrNote> notes;

    FixtureElement(XmlElement element, String label, Set<MvrNote> notes) {
        this.element = element;
        this.label = label;
        this.notes = notes;
    }

    SceneFixture read(UUID uuid, List<String> folders, Placement placement, Set<UUID> positions) {
        Optional<ScenePoint> point =
                element.textOf("Matrix").flatMap(Placement::read).flatMap(own -> placement.point());
        return new SceneFixture(
                uuid,
                name(),
                folders,
                id(),
                unit(),
                position(positions),
                point,
                spec(),
                cut(element.textOf("GDTFMode").orElse(""), 60),
                addresses(),
                flag("DMXInvertPan"),
                flag("DMXInvertTilt"),
                cut(element.textOf("Function").orElse(""), 80));
    }

    private String cut(String text, int longest) {
        return MvrReader.cut(notes, text, longest, element);
    }

    /** An ID that is no number is what people call it: it goes before the name that the file gives besides. */
    private String name() {
        String said = element.attribute("name").orElse("");
        Optional<String> called = element.textOf("FixtureID").filter(t -> !t.equals("0") && id(t).isEmpty());
        return cut(
                called.filter(c -> !said.startsWith(c))
                        .map(c -> said.isBlank() ? c : c + " " + said)
                        .orElse(said),
                80);
    }

    private void note(Kind kind, String value) {
        notes.add(new MvrNote(kind, label, element.line(), Texts.clip(value, 60)));
    }

    /** FixtureIDNumeric where there is one above nought; else FixtureID where that is a number. */
    private Optional<FixtureId> id() {
        Optional<FixtureId> numeric = element.textOf("FixtureIDNumeric").flatMap(FixtureElement::id);
        Optional<String> text = element.textOf("FixtureID");
        Optional<FixtureId> id = numeric.or(() -> text.flatMap(FixtureElement::id));
        text.filter(t -> !t.equals("0") && id(t).isEmpty()).ifPresent(t -> note(Kind.ID_UNCLEAR, t));
        return id;
    }

    private static Optional<FixtureId> id(String text) {
        return text.matches("\\d{1,6}") && FixtureId.isLegal(Long.parseLong(text))
                ? Optional.of(FixtureId.of(Integer.parseInt(text)))
                : Optional.empty();
    }

    private Optional<Integer> unit() {
        Optional<String> text = element.textOf("UnitNumber").filter(t -> !t.equals("0"));
        Optional<Integer> unit =
                text.filter(t -> t.matches("\\d{1,5}")).map(Integer::valueOf).filter(n -> n >= 1 && n <= MOST_UNIT);
        if (text.isPresent() && unit.isEmpty()) {
            note(Kind.UNIT_UNCLEAR, text.get());
        }
        return unit;
    }

    private Optional<UUID> position(Set<UUID> positions) {
        Optional<String> text = element.textOf("Position");
        Optional<UUID> known = text.flatMap(MvrReader::uuid).filter(positions::contains);
        if (text.isPresent() && known.isEmpty()) {
            note(Kind.POSITION_UNKNOWN, text.get());
        }
        return known;
    }

    /** Files write the name with its ending or without. */
    private String spec() {
        String spec = cut(element.textOf("GDTFSpec").orElse(""), 200);
        return spec.isEmpty() || spec.toLowerCase(Locale.ROOT).endsWith(GDTF) ? spec : spec + GDTF;
    }

    /** The breaks of a scene are counted from 0, those of a type from 1 (from memory). An absolute 0 stands for none. */
    private SortedMap<Integer, StartAddress> addresses() {
        TreeMap<Integer, StartAddress> addresses = new TreeMap<>();
        for (XmlElement address : element.path("Addresses", "Address")) {
            String number = address.attribute("break").orElse("0");
            String text = address.text();
            if (text.isEmpty() || text.equals("0")) {
                continue;
            }
            boolean known = number.matches("\\d{1,3}") && Integer.parseInt(number) <= MOST_BREAK;
            if (known && AddressText.read(text) instanceof AddressText.Read read) {
                addresses.put(Integer.parseInt(number) + 1, read.address());
            } else {
                note(Kind.ADDRESS_UNCLEAR, known ? text : "break " + number);
            }
        }
        return addresses;
    }

    private Optional<Boolean> flag(String name) {
        return element.textOf(name).map(t -> t.equalsIgnoreCase("true") || t.equals("1"));
    }
}
