package taxon.core.addressing;

import java.util.Set;
import java.util.TreeSet;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.FixtureKey;

/**
 * What to place, from where, and how far apart.
 *
 * @param chosen the fixtures meant by {@link Scope#CHOSEN}; ignored otherwise
 * @param gap free slots between neighbours, 0 to 511
 */
public record PlacementRequest(Scope scope, Set<FixtureKey> chosen, StartAddress from, int gap) {

    public enum Scope {
        /** Fixtures with a block that has no address. */
        UNPLACED,
        /** The fixtures chosen, wherever they are now. */
        CHOSEN,
        /** Every fixture. */
        ALL
    }

    public static final int MOST_GAP = 511;

    public PlacementRequest {
        chosen = Set.copyOf(new TreeSet<>(chosen));
        if (gap < 0 || gap > MOST_GAP) {
            throw new IllegalArgumentException("a gap of " + gap + " slots is outside 0 to " + MOST_GAP);
        }
    }
}
