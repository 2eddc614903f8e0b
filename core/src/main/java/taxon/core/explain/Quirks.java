package taxon.core.explain;

import java.util.HashSet;
import java.util.Set;
import taxon.core.fixture.Attribute;

/**
 * How a unit answers otherwise than its mode says.
 *
 * @param reversed axes that go the other way round
 * @param swapped true when pan is tilt
 * @param reordered true when its channels come in an order that nobody knows
 * @param unsteady true when it flickers whatever it is told
 */
record Quirks(Set<Attribute> reversed, boolean swapped, boolean reordered, boolean unsteady) {
    static final Attribute PAN = Attribute.of("Pan");
    static final Attribute TILT = Attribute.of("Tilt");
    static final Quirks NONE = new Quirks(Set.of(), false, false, false);

    Quirks {
        reversed = Set.copyOf(reversed);
    }

    Quirks reversing(Attribute axis) {
        Set<Attribute> all = new HashSet<>(reversed);
        all.add(axis);
        return new Quirks(all, swapped, reordered, unsteady);
    }

    Quirks swapping() {
        return new Quirks(reversed, true, reordered, unsteady);
    }

    Quirks reordering() {
        return new Quirks(reversed, swapped, true, unsteady);
    }

    Quirks flickering() {
        return new Quirks(reversed, swapped, reordered, true);
    }

    /** What moves where a channel of this attribute is raised. */
    Attribute moved(Attribute raised) {
        if (swapped && raised.equals(PAN)) {
            return TILT;
        }
        return swapped && raised.equals(TILT) ? PAN : raised;
    }
}
