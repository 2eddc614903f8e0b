package taxon.core.numbering;

/**
 * The order in which a rig is read.
 *
 * @param by what comes first
 * @param fromRight true to begin at the right as the audience sees it, which is the left of someone on the stage
 * @param serpentine true to turn round on every second position or row
 */
public record NumberingOrder(By by, boolean fromRight, boolean serpentine) {
    /** Position by position, from left to right as the audience sees it. */
    public static final NumberingOrder USUAL = new NumberingOrder(By.POSITION, false, false);

    /** What comes first. */
    public enum By {
        /** Position by position, along each. */
        POSITION,
        /** In rows from the audience upstage, along each row. */
        ROW,
        /** Across the whole rig, whatever hangs behind what. */
        ACROSS
    }
}
