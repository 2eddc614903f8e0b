package taxon.core.rig;

import taxon.core.rig.ElementKey.Kind;
import taxon.core.text.Texts;

/**
 * Where fixtures hang or stand: a truss, a pipe, a tower, a floor, a room. Ordered by number.
 *
 * @param number 1 or more
 * @param name 1 to 80 characters
 */
public record Position(int number, String name, PositionKind kind, Stretch stretch) implements Element {
    public Position {
        if (number < 1) {
            throw new IllegalArgumentException("position number " + number + " is below 1");
        }
        Texts.requireLine("position", name, 80);
    }

    /** A position of which only the name is known. */
    public Position(int number, String name) {
        this(number, name, PositionKind.UNSAID, Stretch.UNSAID);
    }

    @Override
    public ElementKey elementKey() {
        return ElementKey.of(Kind.POSITION, number);
    }
}
