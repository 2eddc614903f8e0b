package taxon.app.store;

/** Where a job stands in the list of jobs. */
public enum JobPlace {
    IN_USE,
    /** Out of the way, and as it was. */
    PUT_AWAY,
    /** To be forgotten; it can be had back. */
    THROWN_AWAY
}
