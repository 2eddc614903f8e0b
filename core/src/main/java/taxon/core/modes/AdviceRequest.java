package taxon.core.modes;

import java.util.Collections;
import java.util.Set;
import java.util.TreeSet;

/**
 * What is asked of the advice.
 *
 * @param universes how many universes the rig may take, 1 to 400
 */
public record AdviceRequest(Console console, Set<Need> needs, int universes, Aim aim) {
    public static final int MOST_UNIVERSES = 400;

    /** What counts first. */
    public enum Aim {
        /** As few slots as possible; among equals as few units to touch as possible. */
        FEWEST_SLOTS,
        /** As few units to touch as possible that still fits; among equals as few slots as possible. */
        LEAST_TOUCHED
    }

    public AdviceRequest {
        needs = Collections.unmodifiableSortedSet(new TreeSet<>(needs));
        if (universes < 1 || universes > MOST_UNIVERSES) {
            throw new IllegalArgumentException(universes + " universes is outside 1 to " + MOST_UNIVERSES);
        }
    }
}
