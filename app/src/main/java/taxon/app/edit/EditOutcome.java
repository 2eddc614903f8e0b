package taxon.app.edit;

import java.util.List;
import taxon.app.store.JournalEntry;
import taxon.core.finding.Finding;
import taxon.core.rig.Refusal;

/** What became of an edit. */
public sealed interface EditOutcome {

    /**
     * It was done.
     *
     * @param title what was done, for the message
     * @param brought what was not there before: stops, and warns of reserved slots, shared addresses and hazards
     */
    record Done(long version, String title, List<Finding> brought) implements EditOutcome {
        public Done {
            brought = List.copyOf(brought);
        }
    }

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
