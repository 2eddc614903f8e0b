package taxon.core.rig.edit;

import java.util.List;

/** What a kind of proposal computed, before anything is done. */
public interface Proposed {
    /** Does all of it as one step of undo. */
    Edit edit();

    /** How much of what was asked for is already as it would be. */
    int staying();

    /** What was asked for and is left out, each with its reason. */
    List<? extends Omission> omissions();
}
