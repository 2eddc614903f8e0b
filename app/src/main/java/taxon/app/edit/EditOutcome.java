package taxon.app.edit;

import java.util.List;
import taxon.app.store.JournalEntry;
import taxon.core.rig.Refusal;

/** What became of an edit. */
public sealed interface EditOutcome {

    /** @param title what was done, for the message */
    record Done(long version, String title) implements EditOutcome {}

    /** Nothing differs, so nothing was written. */
    record NoChange(long version) implements EditOutcome {}

    record Refused(List<Refusal> reasons) implements EditOutcome {
        public Refused {
            reasons = List.copyOf(reasons);
        }
    }

    /**
     * Someone changed the same thing since the version that the edit was made on; nothing was written.
     *
     * @param since what was done meanwhile, the oldest first
     */
    record Conflict(long version, List<JournalEntry> since) implements EditOutcome {
        public Conflict {
            since = List.copyOf(since);
        }
    }

    /** There is nothing to undo, or nothing to do again. */
    record NothingThere(String what) implements EditOutcome {}
}
