package taxon.core.drawing;

import java.util.List;
import taxon.core.length.LengthUnit;

/**
 * How much smaller than life something is drawn.
 *
 * @param to 100 where it is drawn at 1:100; 1 to 10,000
 */
public record DrawingScale(int to) {
    private static final int MOST = 10_000;

    /** ISO 5455, and 1:25, 1:75 and 1:250 between (common practice). */
    private static final List<Integer> METRIC = List.of(10, 20, 25, 50, 75, 100, 200, 250, 500, 1_000, 2_000, 5_000);

    /** One inch, a half, a quarter, an eighth, a sixteenth and a thirty-second of an inch to the foot (common practice), and beyond. */
    private static final List<Integer> IN_FEET = List.of(12, 24, 48, 96, 192, 384, 600, 1_200, 2_400, 4_800);

    public DrawingScale {
        if (to < 1 || to > MOST) {
            throw new IllegalArgumentException("a scale of 1:" + to + " is outside 1:1 to 1:" + MOST);
        }
    }

    /** The usual ones of a unit, the largest drawing first. */
    public static List<DrawingScale> usual(LengthUnit unit) {
        return (unit == LengthUnit.FEET ? IN_FEET : METRIC)
                .stream().map(DrawingScale::new).toList();
    }

    /** How many millimetres of paper a metre is. */
    public double perMetre() {
        return 1_000.0 / to;
    }

    /** "1:48". */
    @Override
    public String toString() {
        return "1:" + to;
    }
}
