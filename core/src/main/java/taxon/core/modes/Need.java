package taxon.core.modes;

import java.util.Comparator;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;
import taxon.core.fixture.TypeId;

/**
 * An attribute that a type must have in the show.
 *
 * @param fine true when it must have more than one slot
 * @param parts in how many cells or layers at least each by itself, 1 to 512; 1 asks for none
 */
public record Need(TypeId type, Attribute attribute, boolean fine, int parts) implements Comparable<Need> {
    public static final int MOST_PARTS = 512;

    private static final Comparator<Need> ORDER = Comparator.comparing(Need::type)
            .thenComparing(n -> n.attribute().name())
            .thenComparing(Need::fine)
            .thenComparing(Need::parts);

    public Need {
        if (parts < 1 || parts > MOST_PARTS) {
            throw new IllegalArgumentException(parts + " parts is outside 1 to " + MOST_PARTS);
        }
    }

    public Need(TypeId type, Attribute attribute, boolean fine) {
        this(type, attribute, fine, 1);
    }

    public boolean isMetBy(Mode mode) {
        boolean has = fine ? mode.controlsFinely(attribute) : mode.controls(attribute);
        return has && (parts == 1 || partsWith(mode, attribute) >= parts);
    }

    /** In how many cells or layers a mode has an attribute by itself. */
    public static int partsWith(Mode mode, Attribute attribute) {
        return (int) mode.channels()
                .filter(c -> !c.isVirtual() && c.attribute().equals(attribute))
                .filter(c -> c.part().kind() != Part.Kind.WHOLE)
                .map(c -> c.part())
                .distinct()
                .count();
    }

    @Override
    public int compareTo(Need other) {
        return ORDER.compare(this, other);
    }
}
