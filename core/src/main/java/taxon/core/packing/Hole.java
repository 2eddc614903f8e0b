package taxon.core.packing;

/**
 * A run of free slots: runs may lie from the first to the last of them.
 *
 * @param first where the first run may begin
 * @param last {@code first} or more: the last slot to use when the first run begins at {@code first}
 * @param end the last slot that is free at all, {@code last} or more
 * @param next where something stands behind to which the last run keeps its distance; {@link #NOTHING} where nothing does
 */
public record Hole(int first, int last, int end, int next) {
    public static final int NOTHING = Integer.MAX_VALUE;

    public Hole {
        if (first < 1 || last < first || end < last || next <= end) {
            throw new IllegalArgumentException(
                    "slots " + first + " to " + last + " of " + end + " before " + next + " are no hole");
        }
    }

    /** One with nothing behind it to which a distance is kept. */
    public Hole(int first, int last) {
        this(first, last, last, NOTHING);
    }

    public int length() {
        return last - first + 1;
    }

    /**
     * The last slot to use when the first run begins later, since what lies before pushes it. At a pitch, whole steps are
     * counted from where it begins.
     *
     * @param start {@code first} or more
     */
    public int lastFrom(int start, Grain grain) {
        return next == NOTHING ? end : Math.min(end, grain.lastBefore(start, next));
    }
}
