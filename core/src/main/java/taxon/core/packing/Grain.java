package taxon.core.packing;

/**
 * Where runs may begin inside a hole, and how far apart.
 *
 * @param step 1 or more: from one start to the next is a multiple of it
 * @param onGrid true where starts are 1, 1 + step, 1 + 2 × step …; false where the first start of a hole is free
 * @param gap slots that stay free between neighbours, 0 or more; none is kept behind the last run of a hole
 */
public record Grain(int step, boolean onGrid, int gap) {
    public static final Grain FINEST = new Grain(1, false, 0);

    public Grain {
        if (step < 1 || gap < 0) {
            throw new IllegalArgumentException("a grain of step " + step + " and gap " + gap + " is none");
        }
    }

    /** How many steps a run takes when another follows it. */
    int cells(int length) {
        return (length + gap + step - 1) / step;
    }

    /** How many slots from the start of a run to the first start behind it. */
    public int pace(int length) {
        return cells(length) * step;
    }

    /** The first slot at or behind this one where a run may begin. */
    public int aligned(int slot) {
        return onGrid ? 1 + (slot - 1 + step - 1) / step * step : slot;
    }
}
