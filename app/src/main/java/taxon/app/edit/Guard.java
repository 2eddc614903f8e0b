package taxon.app.edit;

/** How strictly an edit insists on the version that it was made on. */
public enum Guard {
    /** Nobody may have done anything since: for what adds, and for what was computed. */
    UNCHANGED_JOB,
    /** Nobody may have touched the same elements since: for edits of single things. */
    UNTOUCHED_ELEMENTS
}
