package taxon.core.modes;

import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.fixture.Mode;

/** How a mode wants its colour. Filters in cyan, magenta and yellow count as red, green and blue turned round (common practice). */
public enum ColourWay {
    /** Red, green and blue only, or their filters. */
    RGB("red, green, blue"),
    /** More emitters than these, each by itself. */
    EMITTERS("separate emitters"),
    /** Hue and saturation. */
    HUE_SATURATION("hue and saturation");

    private static final Set<String> THREE =
            Set.of("ColorAdd_R", "ColorAdd_G", "ColorAdd_B", "ColorRGB_Red", "ColorRGB_Green", "ColorRGB_Blue");

    private final String words;

    ColourWay(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Empty for a mode that mixes no colour. */
    public static Optional<ColourWay> of(Mode mode) {
        Set<String> names = mode.channels()
                .filter(c -> !c.isVirtual())
                .map(c -> c.attribute().name())
                .collect(Collectors.toSet());
        if (names.contains("HSB_Hue")) {
            return Optional.of(HUE_SATURATION);
        }
        if (names.stream().anyMatch(n -> n.startsWith("ColorAdd_") && !THREE.contains(n))) {
            return Optional.of(EMITTERS);
        }
        return names.stream().anyMatch(n -> THREE.contains(n) || n.startsWith("ColorSub_"))
                ? Optional.of(RGB)
                : Optional.empty();
    }
}
