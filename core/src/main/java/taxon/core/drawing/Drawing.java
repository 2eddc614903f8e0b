package taxon.core.drawing;

import java.util.ArrayList;
import java.util.List;

/**
 * One sheet of paper and what is drawn on it. Millimetres from its upper left corner, to the right and down.
 *
 * @param field outside of which nothing of {@code inside} is seen
 * @param inside the drawing itself, which may be larger than its field
 * @param around title block, legend and scale
 */
public record Drawing(SheetSize size, Field field, List<Shape> inside, List<Shape> around) {
    public Drawing {
        inside = List.copyOf(inside);
        around = List.copyOf(around);
    }

    /** A rectangle of the sheet; x and y are its upper left corner. */
    public record Field(double x, double y, double width, double height) {
        /** True when something that lies within these bounds is seen in it. */
        boolean meets(double left, double top, double right, double bottom) {
            return right >= x && left <= x + width && bottom >= y && top <= y + height;
        }
    }

    /** The same with more around it. */
    public Drawing with(List<Shape> more) {
        List<Shape> all = new ArrayList<>(around);
        all.addAll(more);
        return new Drawing(size, field, inside, all);
    }
}
