package taxon.formats.gdtf;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import taxon.core.fixture.Part;
import taxon.formats.xml.XmlElement;

/**
 * A place where a geometry stands in a mode: once for each way that leads there through references.
 *
 * @param part which cell or layer it is; the whole where no reference was passed
 * @param shifts by break: how far the slots move
 * @param overwrite the break for channels that are marked "Overwrite": the last one that the reference names
 * @param references the geometries that were passed through, to notice circles
 */
record GeometryInstance(Part part, Map<Integer, Integer> shifts, Optional<Integer> overwrite, List<String> references) {
    static final GeometryInstance ROOT = new GeometryInstance(Part.WHOLE, Map.of(), Optional.empty(), List.of());
    private static final int MOST_DIGITS = 6;

    GeometryInstance {
        shifts = Map.copyOf(shifts);
        references = List.copyOf(references);
    }

    int shift(int dmxBreak) {
        return shifts.getOrDefault(dmxBreak, 0);
    }

    /** The place behind a reference. */
    GeometryInstance through(XmlElement reference, String target, Part number) {
        Map<Integer, Integer> moved = new HashMap<>(shifts);
        Optional<Integer> last = overwrite;
        for (XmlElement dmxBreak : reference.children("Break").toList()) {
            int key = number(dmxBreak.attribute("DMXBreak")).orElse(1);
            moved.merge(key, offset(dmxBreak) - 1, Integer::sum);
            last = Optional.of(key);
        }
        List<String> passed = new ArrayList<>(references);
        passed.add(target);
        return new GeometryInstance(number.inside(part), moved, last, passed);
    }

    /** An offset is a number, or {@code universe.slot} (type DMXAddress, from memory). */
    private static int offset(XmlElement dmxBreak) {
        String text = dmxBreak.attribute("DMXOffset").orElse("1");
        int dot = text.indexOf('.');
        if (dot < 0) {
            return number(Optional.of(text)).orElse(1);
        }
        int universe = number(Optional.of(text.substring(0, dot))).orElse(1);
        int slot = number(Optional.of(text.substring(dot + 1))).orElse(1);
        return Math.min(universe, 10_000) * 512 - 512 + slot;
    }

    static Optional<Integer> number(Optional<String> text) {
        return text.map(String::strip)
                .filter(t -> t.matches("\\d{1," + MOST_DIGITS + "}"))
                .map(Integer::valueOf);
    }
}
