package taxon.app.form;

import java.util.List;
import java.util.stream.Collectors;
import taxon.app.store.JournalEntry;

/** What was done meanwhile, in a part of a sentence that stays short however much it was. */
final class Conflicts {
    private static final int NAMED = 3;

    private Conflicts() {}

    /** ": “Moved 204” (Ada), “Moved 205” (Ada)"; of many the newest three and a count; empty where nothing is known. */
    static String words(List<JournalEntry> since) {
        if (since.isEmpty()) {
            return "";
        }
        int left = Math.max(0, since.size() - NAMED);
        String named = since.stream()
                .skip(left)
                .map(e -> "“" + e.title() + "” (" + e.who() + ")")
                .collect(Collectors.joining(", "));
        return ": " + named + (left == 0 ? "" : " and " + left + " more, which the history of the job lists");
    }
}
