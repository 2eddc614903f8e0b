package taxon.core.compare;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * What somebody said of rows that could be taken for several.
 *
 * @param of for a place of our side the place of theirs; empty where it has none there
 */
public record Told(Map<Integer, Optional<Integer>> of) {
    public static final Told NOTHING = new Told(Map.of());

    public Told {
        of = Map.copyOf(of);
    }

    /** The same, and what is said of one more. */
    public Told with(int ours, Optional<Integer> theirs) {
        Map<Integer, Optional<Integer>> more = new HashMap<>(of);
        more.put(ours, theirs);
        return new Told(more);
    }
}
