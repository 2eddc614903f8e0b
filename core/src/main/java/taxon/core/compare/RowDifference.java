package taxon.core.compare;

/**
 * One way in which two rows that are taken for the same differ.
 *
 * @param ours as our side says it
 * @param theirs as their side says it
 */
public record RowDifference(Kind kind, String ours, String theirs) {
    /** What may differ. */
    public enum Kind {
        /** The universe, whatever the slot. */
        UNIVERSE,
        /** The slot within the same universe. */
        ADDRESS,
        /** Slots of its mode. */
        FOOTPRINT,
        MODE,
        TYPE,
        ID,
        NAME,
        /** Its place among the others. */
        ORDER
    }
}
