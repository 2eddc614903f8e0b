package taxon.core.library;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.fixture.Facts.Hazard;
import taxon.core.fixture.Facts.Reach;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;

/** What people call a unit that controls such things (common practice; the words have no standard). */
final class Kinds {
    private Kinds() {}

    static List<String> of(FixtureType type) {
        Set<String> names = type.modes().stream()
                .flatMap(Mode::channels)
                .map(c -> c.attribute().name())
                .collect(Collectors.toSet());
        boolean moves = names.contains("Pan") || names.contains("Tilt");
        boolean gobo = any(names, "Gobo");
        boolean blades = any(names, "Blade");
        boolean mixes =
                any(names, "ColorAdd_") || any(names, "ColorSub_") || any(names, "HSB_") || any(names, "ColorRGB_");
        List<String> kinds = new ArrayList<>();
        add(kinds, moves, "moving head");
        add(kinds, gobo, "spot");
        add(kinds, blades, "profile");
        add(kinds, mixes && !gobo && !blades, "wash");
        add(kinds, any(names, "ColorAdd_"), "LED");
        add(kinds, has(type, Part.Kind.CELL), "batten cells");
        add(kinds, has(type, Part.Kind.LAYER) || any(names, "Media"), "media layers");
        add(kinds, names.equals(Set.of("Dimmer")), "dimmer");
        add(
                kinds,
                names.stream().anyMatch(n -> n.startsWith("Strobe") || n.startsWith("Shutter")) && names.size() <= 4,
                "strobe");
        add(kinds, type.hazard() == Hazard.LASER, "laser");
        add(kinds, type.hazard() == Hazard.ATMOSPHERE, "haze fog");
        add(kinds, type.reach() == Reach.WIRELESS, "wireless");
        return kinds;
    }

    private static void add(List<String> kinds, boolean applies, String word) {
        if (applies) {
            kinds.add(word);
        }
    }

    private static boolean any(Set<String> names, String prefix) {
        return names.stream().anyMatch(n -> n.startsWith(prefix));
    }

    private static boolean has(FixtureType type, Part.Kind kind) {
        return type.modes().stream()
                .flatMap(Mode::channels)
                .anyMatch(c -> c.part().kind() == kind);
    }
}
