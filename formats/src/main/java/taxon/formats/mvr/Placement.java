package taxon.formats.mvr;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.length.Length;
import taxon.core.scene.ScenePoint;

/**
 * A matrix of a scene: where something is and how it is turned inside what it lies in. Written as three base vectors and an
 * offset, "{u}{v}{w}{o}", in millimetres; right-handed, the third axis up (DIN SPEC 15801, from memory).
 *
 * @param rows u, v, w and o, three numbers each
 */
record Placement(double[][] rows) {
    static final Placement NONE = new Placement(new double[][] {{1, 0, 0}, {0, 1, 0}, {0, 0, 1}, {0, 0, 0}});

    private static final int LONGEST = 1000;
    private static final double FARTHEST = 1e6;
    private static final String NUMBER = "\\s*([-+]?\\d{0,12}(?:\\.\\d{0,18})?(?:[eE][-+]?\\d{1,3})?)\\s*";
    private static final String VECTOR = "\\{" + NUMBER + "," + NUMBER + "," + NUMBER + "\\}\\s*";
    private static final Pattern MATRIX = Pattern.compile("\\s*" + VECTOR + VECTOR + VECTOR + VECTOR);

    /** Empty for a text that is no such matrix, or holds numbers beyond a kilometre. */
    static Optional<Placement> read(String text) {
        Matcher matcher = MATRIX.matcher(text.length() > LONGEST ? "" : text);
        if (!matcher.matches()) {
            return Optional.empty();
        }
        double[][] rows = new double[4][3];
        for (int i = 0; i < 12; i++) {
            Optional<Double> number = number(matcher.group(i + 1));
            if (number.isEmpty()) {
                return Optional.empty();
            }
            rows[i / 3][i % 3] = number.get();
        }
        return Optional.of(new Placement(rows));
    }

    private static Optional<Double> number(String text) {
        try {
            double value = Double.parseDouble(text);
            return Math.abs(value) <= FARTHEST ? Optional.of(value) : Optional.empty();
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    /** The same as seen from outside of what it lies in. */
    Placement inside(Placement outer) {
        double[][] turned = new double[4][3];
        for (int row = 0; row < 4; row++) {
            for (int axis = 0; axis < 3; axis++) {
                double sum = row == 3 ? outer.rows[3][axis] : 0;
                for (int i = 0; i < 3; i++) {
                    sum += rows[row][i] * outer.rows[i][axis];
                }
                turned[row][axis] = sum;
            }
        }
        return new Placement(turned);
    }

    /** Empty when it is more than a kilometre away. */
    Optional<ScenePoint> point() {
        double[] o = rows[3];
        boolean near = Math.abs(o[0]) <= FARTHEST && Math.abs(o[1]) <= FARTHEST && Math.abs(o[2]) <= FARTHEST;
        return near ? Optional.of(new ScenePoint(length(o[0]), length(o[1]), length(o[2]))) : Optional.empty();
    }

    private static Length length(double millimetres) {
        return new Length(Math.round(millimetres * 1000));
    }
}
