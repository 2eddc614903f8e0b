package taxon.core.label;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Labels as they are bought: on sheets, side by side, or one after the other on a roll. Sheets have their labels in their middle.
 *
 * @param slug in addresses
 * @param columns across the sheet, at least 1
 * @param rows down the sheet, at least 1
 * @param gapX between two columns
 * @param gapY between two rows
 */
public record LabelStock(String slug, Size sheet, Size label, int columns, int rows, double gapX, double gapY) {
    public static final double LARGEST = 1_000;
    public static final Size A4 = new Size(210, 297);
    public static final Size LETTER = new Size(215.9, 279.4);

    private static final double INCH = 25.4;

    /** Rounding of inches must not make a sheet too small for what is sold on it. */
    private static final double TOLERANCE = 0.05;

    /** Width and height, each above 0 and at most a metre. */
    public record Size(double width, double height) {
        public Size {
            if (!(width > 0 && height > 0 && width <= LARGEST && height <= LARGEST)) {
                throw new IllegalArgumentException("A size of " + mm(width) + " × " + mm(height)
                        + " mm is none: each side is above 0 and at most " + mm(LARGEST) + " mm.");
            }
        }

        /** "63.5 × 38.1 mm". */
        public String words() {
            return mm(width) + " × " + mm(height) + " mm";
        }
    }

    /** @throws IllegalArgumentException when the labels do not fit the sheet */
    public LabelStock {
        if (columns < 1 || rows < 1 || !(gapX >= 0) || !(gapY >= 0)) {
            throw new IllegalArgumentException(columns + " by " + rows + " labels with gaps of " + mm(gapX) + " and "
                    + mm(gapY) + " mm are no stock.");
        }
        double width = columns * label.width() + (columns - 1) * gapX;
        double height = rows * label.height() + (rows - 1) * gapY;
        if (width > sheet.width() + TOLERANCE || height > sheet.height() + TOLERANCE) {
            throw new IllegalArgumentException(columns + " by " + rows + " labels of " + label.words() + " take "
                    + mm(width) + " × " + mm(height) + " mm, and the sheet has " + sheet.words() + ".");
        }
    }

    /**
     * The sizes that are common (common practice; the gaps are from memory), in their order: A4, US letter, rolls.
     */
    public static List<LabelStock> common() {
        return List.of(
                new LabelStock("a4-24", A4, new Size(70, 37), 3, 8, 0, 0),
                new LabelStock("a4-21", A4, new Size(63.5, 38.1), 3, 7, 2.54, 0),
                new LabelStock("a4-14", A4, new Size(99.1, 38.1), 2, 7, 2.54, 0),
                new LabelStock("a4-8", A4, new Size(99.1, 67.7), 2, 4, 2.54, 0),
                new LabelStock("a4-48", A4, new Size(45.7, 21.2), 4, 12, 2.54, 0),
                new LabelStock("letter-30", LETTER, new Size(2.625 * INCH, INCH), 3, 10, 0.125 * INCH, 0),
                new LabelStock("letter-10", LETTER, new Size(4 * INCH, 2 * INCH), 2, 5, 0.1875 * INCH, 0),
                roll("roll-62", new Size(62, 40)),
                roll("roll-100", new Size(100, 50)),
                roll("roll-102", new Size(102, 152)));
    }

    /** The common one that is called so. */
    public static Optional<LabelStock> called(String slug) {
        return common().stream().filter(s -> s.slug().equals(slug)).findFirst();
    }

    /** One after the other. */
    public static LabelStock roll(String slug, Size label) {
        return new LabelStock(slug, label, label, 1, 1, 0, 0);
    }

    /**
     * As many as a sheet holds.
     *
     * @throws IllegalArgumentException when it holds none
     */
    public static LabelStock filling(String slug, Size sheet, Size label, double gapX, double gapY) {
        return new LabelStock(
                slug,
                sheet,
                label,
                Math.max(1, (int) ((sheet.width() + gapX + TOLERANCE) / (label.width() + gapX))),
                Math.max(1, (int) ((sheet.height() + gapY + TOLERANCE) / (label.height() + gapY))),
                gapX,
                gapY);
    }

    /** How many a sheet has. */
    public int perSheet() {
        return columns * rows;
    }

    public boolean isRoll() {
        return perSheet() == 1 && sheet.equals(label);
    }

    /** Where the columns begin. */
    public double left() {
        return (sheet.width() - columns * label.width() - (columns - 1) * gapX) / 2;
    }

    /** Where the rows begin. */
    public double top() {
        return (sheet.height() - rows * label.height() - (rows - 1) * gapY) / 2;
    }

    /**
     * Where a label lies.
     *
     * @param sheet from 0
     * @param x of its left edge
     * @param y of its upper edge
     */
    public record Place(int sheet, double x, double y) {}

    /**
     * The place of a label, row by row.
     *
     * @param index from 0 for the first label of the first sheet
     */
    public Place place(int index) {
        int onSheet = index % perSheet();
        int row = onSheet / columns;
        return new Place(
                index / perSheet(),
                left() + onSheet % columns * (label.width() + gapX),
                top() + row * (label.height() + gapY));
    }

    /** "A4, 63.5 × 38.1 mm, 21"; "roll, 100 × 50 mm". */
    public String words() {
        return isRoll()
                ? "roll, " + label.words()
                : (sheet.equals(A4) ? "A4, " : sheet.equals(LETTER) ? "US letter, " : sheet.words() + ", ")
                        + label.words() + ", " + perSheet();
    }

    /** To a tenth, without a tenth where there is none. */
    static String mm(double value) {
        String tenths = String.format(Locale.ROOT, "%.1f", value);
        return tenths.endsWith(".0") ? tenths.substring(0, tenths.length() - 2) : tenths;
    }
}
