package taxon.app.store;

import java.util.Optional;

/**
 * Where a job stands against its newest revision.
 *
 * @param edits changes of the plan since; all of them where nothing is frozen yet
 */
public record RevisionState(Optional<Revision> latest, int edits) {

    /** "Revision B, 3 edits since"; "Revision B"; "No revision yet, 12 edits". */
    public String words() {
        String count = edits == 1 ? "1 edit" : edits + " edits";
        return latest.map(r -> "Revision " + r.letters() + (edits == 0 ? "" : ", " + count + " since"))
                .orElse("No revision yet, " + count);
    }
}
