package taxon.core.addressing.request;

import java.util.Collections;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Wish;

/**
 * What to place, and how.
 *
 * @param chosen the fixtures meant by {@link Scope#CHOSEN}; ignored otherwise
 */
public record PlacementRequest(Scope scope, Set<FixtureKey> chosen, Wish wish) {

    public enum Scope {
        /** Fixtures with a block that has no address. */
        UNPLACED,
        /** The fixtures chosen, wherever they are now. */
        CHOSEN,
        /** Every fixture. */
        ALL
    }

    public PlacementRequest {
        chosen = Collections.unmodifiableSet(new TreeSet<>(chosen));
    }

    /** In order from an address on, so many slots apart. */
    public PlacementRequest(Scope scope, Set<FixtureKey> chosen, StartAddress from, int gap) {
        this(scope, chosen, Wish.USUAL.within(from, UniverseSet.ALL).withSpacing(Spacing.ofGap(gap)));
    }

    public PlacementRequest withStyle(Wish.Style style) {
        return new PlacementRequest(scope, chosen, wish.withStyle(style));
    }
}
