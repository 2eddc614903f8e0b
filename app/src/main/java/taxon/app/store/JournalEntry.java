package taxon.app.store;

import java.time.Instant;
import taxon.core.rig.PlanDelta;

/**
 * One thing that was done to a job.
 *
 * @param version the version that it, or its latest undo or redo, made
 */
public record JournalEntry(
        int id, long version, String title, String who, Instant at, Kind kind, State state, PlanDelta delta) {

    public enum Kind {
        /** A change of the plan. Can be undone. */
        PLAN,
        /** Something that a person ticked off on the real rig. Can be undone, and changes no plan. */
        TICK,
        /** Something that was learnt of the real rig. Stays. */
        EVIDENCE
    }

    public enum State {
        DONE,
        UNDONE,
        /** Undone, and then something else was done: it can no longer be done again. */
        ABANDONED
    }
}
