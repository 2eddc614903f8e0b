package taxon.core.compare;

/**
 * Rows of both sides that are taken for the same fixture.
 *
 * @param reason why
 */
public record Match(PatchRow ours, PatchRow theirs, Reason reason) {
    private static final double GUESS = 0.6;

    /** Why two rows are taken for the same, the surest first. */
    public enum Reason {
        /** Somebody said so. */
        TOLD(1),
        /** Both have this fixture ID, and no other row of either side has it. */
        SAME_ID(0.99),
        /** A program gave both the same identity. */
        SAME_UUID(0.99),
        /** Both have this name, and no other row of either side has it. */
        SAME_NAME(0.9),
        /** Both begin at the same address. */
        SAME_ADDRESS(0.8),
        /** Of those that are left they are of one type, and come in this order. */
        SAME_TYPE_IN_ORDER(0.5);

        private final double sureness;

        Reason(double sureness) {
            this.sureness = sureness;
        }

        /** True for one that somebody should look at: what was said of both fits others too. */
        public boolean isGuess() {
            return sureness < GUESS;
        }

        /** How sure such a match is, 0 to 1 (common practice). */
        public double sureness() {
            return sureness;
        }
    }
}
