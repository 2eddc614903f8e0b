package taxon.core.visible;

import java.util.List;
import taxon.core.fixture.Part;

/**
 * A part of a unit that gives light.
 *
 * @param dark what keeps it dark; none where nothing that is known does
 */
public record Light(Part part, List<Dark> dark) {
    public Light {
        dark = List.copyOf(dark);
    }

    /** True when something that is known keeps it dark. */
    public boolean isDark() {
        return !dark.isEmpty();
    }
}
