package taxon.app.compare;

import java.util.List;

/**
 * One universe of both sides, drawn above each other.
 *
 * @param joins from a block of ours to where it is there, in this universe or a neighbour of the drawing
 */
public record TapePair(int universe, List<Bar> ours, List<Bar> theirs, List<Join> joins) {
    /**
     * A block of slots.
     *
     * @param x where it begins, in units of the drawing
     * @param differs true where the other side has it elsewhere, otherwise, or not at all
     */
    public record Bar(int x, int width, String label, String title, boolean differs) {}

    /** From ours, above, to theirs, below. */
    public record Join(int from, int to, String title) {}
}
