package taxon.core.boxcheck;

import java.util.List;
import taxon.core.rig.Box;

/**
 * How a box is against its plan.
 *
 * @param differences none for one that is in all that it says as it is planned
 */
public record BoxVerdict(Box box, List<BoxDifference> differences) {
    public BoxVerdict {
        differences = List.copyOf(differences);
    }

    public boolean isAsPlanned() {
        return differences.isEmpty();
    }
}
