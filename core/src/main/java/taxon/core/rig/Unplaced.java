package taxon.core.rig;

import java.util.List;

/** What waits for an address. */
public final class Unplaced {
    private Unplaced() {}

    /** The blocks without one, in the order of their fixtures; what only an app reaches waits for none. */
    public static List<PlannedBlock> blocks(Plan plan) {
        return plan.blocks().stream().filter(Unplaced::waits).toList();
    }

    /** True when a block has no address and needs one. */
    public static boolean waits(PlannedBlock block) {
        return block.start().isEmpty() && !block.type().hearsNoUniverse();
    }
}
