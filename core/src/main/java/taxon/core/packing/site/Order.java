package taxon.core.packing.site;

/**
 * What is placed whole or not at all.
 *
 * @param counts how many of each good it takes; changed by no one
 * @param count how many such orders there are, 1 or more
 */
public record Order(int[] counts, int count) {
    public Order {
        if (count < 1) {
            throw new IllegalArgumentException(count + " orders are none");
        }
    }
}
