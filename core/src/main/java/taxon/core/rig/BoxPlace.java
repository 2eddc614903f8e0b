package taxon.core.rig;

import java.util.Optional;
import taxon.core.length.Length;
import taxon.core.text.Texts;

/**
 * Where a box stands.
 *
 * @param position at which it stands or hangs; empty where nobody has said
 * @param offset from the middle of the position, to the right; empty for its middle
 * @param rack in which it is built, at most 40 characters, may be blank
 */
public record BoxPlace(Optional<Integer> position, Optional<Length> offset, String rack) {
    public static final BoxPlace UNSAID = new BoxPlace(Optional.empty(), Optional.empty(), "");

    public BoxPlace {
        Texts.allowLine("rack", rack, 40);
        if (position.isEmpty() && offset.isPresent()) {
            throw new IllegalArgumentException("an offset is from the middle of a position, and none is said");
        }
    }

    /** At the middle of a position. */
    public static BoxPlace at(int position) {
        return new BoxPlace(Optional.of(position), Optional.empty(), "");
    }
}
