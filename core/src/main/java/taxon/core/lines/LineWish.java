package taxon.core.lines;

import java.util.Set;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.CableRules;

/**
 * How lines are to be drawn.
 *
 * @param rules what a line may be; they become the job's with the lines
 * @param anew true when lines that are there are drawn anew too
 * @param only the universes that are asked for; none for all
 */
public record LineWish(CableRules rules, boolean anew, Set<UniverseNumber> only) {
    public LineWish {
        only = Set.copyOf(only);
    }

    boolean asksFor(UniverseNumber universe) {
        return only.isEmpty() || only.contains(universe);
    }
}
