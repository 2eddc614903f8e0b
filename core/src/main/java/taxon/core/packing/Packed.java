package taxon.core.packing;

/**
 * A packing, and how good it is.
 *
 * @param filling by bins: first the given ones, then the others in their order
 * @param used how many of the other bins hold anything
 * @param atLeast no packing of all runs uses fewer of the others than this
 */
public record Packed(Filling filling, int used, int atLeast) {
    /** True when all runs are placed and no packing uses fewer bins. */
    public boolean isOptimal() {
        return filling.isWhole() && used == atLeast;
    }
}
