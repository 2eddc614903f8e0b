package taxon.core.packing;

/**
 * Runs that are alike.
 *
 * @param length slots of each, 1 or more
 * @param load what each puts on its line, 0 or more
 * @param count how many there are, 0 or more
 */
public record ItemKind(int length, int load, int count) {
    public ItemKind {
        if (length < 1 || load < 0 || count < 0) {
            throw new IllegalArgumentException(
                    count + " runs of " + length + " slots and load " + load + " are no kind");
        }
    }
}
