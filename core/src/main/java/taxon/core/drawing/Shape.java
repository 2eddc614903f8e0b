package taxon.core.drawing;

import taxon.core.label.TextMeasure.Face;

/** Something on a sheet, in millimetres; y counts down. */
public sealed interface Shape {
    /** The same somewhere else. */
    Shape moved(double right, double down);

    /** True when it may be seen in a field: never false of what is. */
    boolean meets(Drawing.Field field);

    /**
     * A straight line.
     *
     * @param width of the line
     */
    record Stroke(double x1, double y1, double x2, double y2, double width, boolean isDashed) implements Shape {
        @Override
        public Shape moved(double right, double down) {
            return new Stroke(x1 + right, y1 + down, x2 + right, y2 + down, width, isDashed);
        }

        @Override
        public boolean meets(Drawing.Field field) {
            return field.meets(Math.min(x1, x2), Math.min(y1, y2), Math.max(x1, x2), Math.max(y1, y2));
        }
    }

    /** A line that leaves level and arrives level, and turns halfway; between two points one above the other it bows to the left. */
    record Bend(double x1, double y1, double x2, double y2, double width) implements Shape {
        private static final double BOW = 4;

        /** Where it turns: the x of both of its control points as a cubic curve. */
        public double middle() {
            return x1 == x2 ? x1 - BOW : (x1 + x2) / 2;
        }

        @Override
        public Shape moved(double right, double down) {
            return new Bend(x1 + right, y1 + down, x2 + right, y2 + down, width);
        }

        @Override
        public boolean meets(Drawing.Field field) {
            return field.meets(
                    Math.min(middle(), Math.min(x1, x2)), Math.min(y1, y2), Math.max(x1, x2), Math.max(y1, y2));
        }
    }

    /**
     * What a box is filled with.
     *
     * @param tint one of the ten of types, 0 to 9; below 0 for paper and black
     */
    record Fill(int tint) {
        public static final Fill PAPER = new Fill(-1);
        public static final Fill BLACK = new Fill(-2);
    }

    /**
     * A rectangle.
     *
     * @param line how wide its outline is; 0 for none
     * @param isDashed of its outline
     */
    record Box(double x, double y, double width, double height, Fill fill, double line, boolean isDashed)
            implements Shape {
        @Override
        public Shape moved(double right, double down) {
            return new Box(x + right, y + down, width, height, fill, line, isDashed);
        }

        @Override
        public boolean meets(Drawing.Field field) {
            return field.meets(x, y, x + width, y + height);
        }
    }

    /** Where words lie to their point. */
    enum Anchor {
        START,
        MIDDLE,
        END
    }

    /**
     * Words in one line.
     *
     * @param x of the point that they begin at, end at or have their middle at
     * @param y of that point, on the line that they stand on
     * @param size from one line to the next
     * @param angle in degrees, counterclockwise; 90 is read upwards
     */
    record Words(double x, double y, double size, Face face, String text, Anchor anchor, double angle)
            implements Shape {
        public static Words level(double x, double y, double size, Face face, String text) {
            return new Words(x, y, size, face, text, Anchor.START, 0);
        }

        @Override
        public Shape moved(double right, double down) {
            return new Words(x + right, y + down, size, face, text, anchor, angle);
        }

        /** As if every letter were as wide as it is high. */
        @Override
        public boolean meets(Drawing.Field field) {
            double reach = size * (text.length() + 1);
            return field.meets(x - reach, y - reach, x + reach, y + reach);
        }
    }
}
