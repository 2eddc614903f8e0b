package taxon.core.modes;

import java.util.EnumSet;
import java.util.Set;
import taxon.core.fixture.Mode;

/**
 * What the console can drive.
 *
 * @param colours the ways of colour that it can mix
 * @param sixteenBit true when it sends fine channels; else they stay at rest
 */
public record Console(Set<ColourWay> colours, boolean sixteenBit) {
    /** One that can do it all. */
    public static final Console ANY = new Console(EnumSet.allOf(ColourWay.class), true);

    public Console {
        colours = Set.copyOf(colours);
    }

    /** True when the mode mixes no colour, or does so in a way that the console knows. */
    public boolean drives(Mode mode) {
        return ColourWay.of(mode).map(colours::contains).orElse(true);
    }
}
