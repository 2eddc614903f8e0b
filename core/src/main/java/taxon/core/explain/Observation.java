package taxon.core.explain;

import java.util.Set;

/**
 * What answered to a trial.
 *
 * @param seen all that was seen to answer; none where nothing did
 */
public record Observation(Trial trial, Set<Response> seen) implements Evidence {
    public Observation {
        seen = Set.copyOf(seen);
    }
}
