package taxon.core.history;

/**
 * One thing that a change did.
 *
 * @param who what was changed: "204", "Crane rail", "Universe 3"
 * @param what of it: "Address"; "added" and "taken away" for the whole
 * @param before empty where there was nothing
 * @param after empty where there is nothing
 */
public record ChangeLine(String who, String what, String before, String after) {
    /** What says that the whole of it is new. */
    public static final String ADDED = "added";
    /** What says that the whole of it is gone. */
    public static final String GONE = "taken away";
}
