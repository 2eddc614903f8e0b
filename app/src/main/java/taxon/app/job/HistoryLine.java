package taxon.app.job;

import taxon.app.store.JournalEntry;
import taxon.app.store.JournalEntry.Kind;

/**
 * An entry of the history as the job sheet lists it.
 *
 * @param when "2026-11-28 02:30", UTC
 * @param state "done", "undone", "abandoned", or "learnt of the rig"
 */
public record HistoryLine(int id, String when, String title, String who, String state) {
    static HistoryLine of(JournalEntry entry) {
        return new HistoryLine(
                entry.id(),
                entry.at().toString().substring(0, 16).replace('T', ' '),
                entry.title(),
                entry.who(),
                entry.kind() == Kind.EVIDENCE ? "learnt of the rig" : state(entry.state()));
    }

    private static String state(JournalEntry.State state) {
        return switch (state) {
            case DONE -> "done";
            case UNDONE -> "undone";
            case ABANDONED -> "abandoned";
        };
    }
}
