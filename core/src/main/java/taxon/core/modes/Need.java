package taxon.core.modes;

import java.util.Comparator;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;

/**
 * An attribute that a type must have in the show.
 *
 * @param fine true when it must have more than one slot
 */
public record Need(TypeId type, Attribute attribute, boolean fine) implements Comparable<Need> {
    private static final Comparator<Need> ORDER = Comparator.comparing(Need::type)
            .thenComparing(n -> n.attribute().name())
            .thenComparing(Need::fine);

    public boolean isMetBy(Mode mode) {
        return fine ? mode.controlsFinely(attribute) : mode.controls(attribute);
    }

    @Override
    public int compareTo(Need other) {
        return ORDER.compare(this, other);
    }
}
