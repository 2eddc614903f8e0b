package taxon.app.store;

/** Where something that waits for a decision stands. */
public enum Progress {
    OPEN,
    APPLIED,
    DROPPED
}
