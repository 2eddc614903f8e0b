package taxon.core.packing;

/**
 * A run of free slots: runs may lie from the first to the last of them.
 *
 * @param first where the first run may begin
 * @param last {@code first} or more
 */
public record Hole(int first, int last) {
    public Hole {
        if (first < 1 || last < first) {
            throw new IllegalArgumentException("slots " + first + " to " + last + " are no hole");
        }
    }

    public int length() {
        return last - first + 1;
    }
}
