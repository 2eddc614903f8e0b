package taxon.core.library;

import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.fixture.TypeId;

/**
 * What a shop knows besides its jobs: the shelf, and the modes that are doubted.
 *
 * @param shelf how many of each type it owns; a type that is not in it is not counted
 */
public record Shop(Map<TypeId, Integer> shelf, Map<ModeRef, Doubt> doubts) {
    public static final Shop EMPTY = new Shop(Map.of(), Map.of());
    public static final int MOST_OWNED = 99_999;

    public Shop {
        shelf = Collections.unmodifiableMap(new TreeMap<>(shelf));
        doubts = Collections.unmodifiableMap(new TreeMap<>(doubts));
    }

    /** How many of a type the shop owns; empty for one that is not on the shelf. */
    public Optional<Integer> owned(TypeId type) {
        return Optional.ofNullable(shelf.get(type));
    }

    /** What is doubted of a mode. */
    public Optional<Doubt> doubt(TypeId type, String mode) {
        return Optional.ofNullable(doubts.get(new ModeRef(type, mode)));
    }
}
