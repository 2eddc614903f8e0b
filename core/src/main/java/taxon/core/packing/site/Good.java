package taxon.core.packing.site;

/**
 * Runs that are alike.
 *
 * @param length slots of each, 1 or more
 * @param sharingClass only goods of one class lie on one site
 * @param count how many need a place, 0 or more; those that sit somewhere now are among them
 */
public record Good(int length, int sharingClass, int count) {
    public Good {
        if (length < 1 || count < 0 || sharingClass < 0) {
            throw new IllegalArgumentException(
                    count + " runs of " + length + " slots and class " + sharingClass + " are no good");
        }
    }
}
