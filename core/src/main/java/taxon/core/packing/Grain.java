package taxon.core.packing;

/**
 * Where runs may begin, and how far apart.
 *
 * @param step 1 or more: the pitch, or the round number; 1 where runs may begin anywhere
 * @param onGrid true where starts are 1, 1 + step, 1 + 2 × step …; false where they keep the step from one to the next
 * @param gap slots that stay free between neighbours, 0 or more
 */
public record Grain(int step, boolean onGrid, int gap) {
    public static final Grain FINEST = new Grain(1, false, 0);

    public Grain {
        if (step < 1 || gap < 0) {
            throw new IllegalArgumentException("a grain of step " + step + " and gap " + gap + " is none");
        }
    }

    /** How many steps a run takes when another follows it: a run longer than the step takes as many as hold it. */
    public int steps(int length) {
        return (length + gap + step - 1) / step;
    }

    /** How many slots from the start of a run to the start of the next one that is laid behind it. */
    public int pace(int length) {
        return steps(length) * step;
    }

    /**
     * How many slots from the start of a run belong to it: a neighbour behind it begins there or later. At a pitch that is
     * whole steps; on round starts, where neighbours begin on the grid or are fixed, it is the length and the gap.
     */
    public int claims(int length) {
        return onGrid ? length + gap : pace(length);
    }

    /** The first slot at or behind this one where a run may begin. */
    public int aligned(int slot) {
        return onGrid ? 1 + (slot - 1 + step - 1) / step * step : slot;
    }

    /** True when a run may begin there. */
    public boolean isStart(int slot) {
        return aligned(slot) == slot;
    }

    /**
     * The last slot of a hole that begins at {@code first} and behind which something stands at {@code next}, so that all that
     * is laid into it keeps its distance; below {@code first} when nothing fits.
     */
    public int lastBefore(int first, int next) {
        return onGrid || step == 1 ? next - 1 - gap : first + (next - first) / step * step - gap - 1;
    }
}
