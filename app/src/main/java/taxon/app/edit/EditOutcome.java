package taxon.app.edit;

import java.util.List;
import java.util.stream.Collectors;
import taxon.app.store.JournalEntry;
import taxon.core.finding.Finding;
import taxon.core.finding.FindingText;
import taxon.core.rig.Refusal;

/** What became of an edit. */
public sealed interface EditOutcome {

    /**
     * It was done.
     *
     * @param title what was done, for the message
     * @param stops what it brought: nobody makes a clash without being told
     */
    record Done(long version, String title, List<Finding> stops) implements EditOutcome {
        private static final int TOLD = 2;

        public Done {
            stops = List.copyOf(stops);
        }

        /** What was done, and the stops that came with it, in sentences. */
        public String told() {
            return title + "." + brought();
        }

        /** " It brought 1 stop: Overlap at 1.001 to 1.003. …", or nothing. */
        public String brought() {
            if (stops.isEmpty()) {
                return "";
            }
            String first = stops.stream().limit(TOLD).map(FindingText::sentence).collect(Collectors.joining(" "));
            return " It brought " + stops.size() + (stops.size() == 1 ? " stop: " : " stops: ") + first
                    + (stops.size() > TOLD ? " And " + (stops.size() - TOLD) + " more." : "");
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
