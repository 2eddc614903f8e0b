package taxon.core.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.drawing.Drawing.Field;
import taxon.core.drawing.RigPlanDrawing.Extent;
import taxon.core.drawing.RigPlanDrawing.Plane;
import taxon.core.drawing.Shape.Anchor;
import taxon.core.drawing.Shape.Box;
import taxon.core.drawing.Shape.Fill;
import taxon.core.drawing.Shape.Words;
import taxon.core.label.TextMeasure;
import taxon.core.label.TextMeasure.Face;
import taxon.core.length.LengthUnit;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.RigView;
import taxon.core.text.Counted;

/**
 * The rig plan on sheets of paper: on one, or on several that are laid beside each other and overlap, each with its scale as a number
 * and as a bar, where the front is, and what its letters mean.
 *
 * @param scale at which it is drawn; empty where there is nothing to draw
 * @param notes what is not on it, or otherwise than asked for, a sentence each
 */
public record RigPlanSheets(Optional<DrawingScale> scale, List<Drawing> sheets, List<String> notes) {
    /** More than these nobody lays out. */
    public static final int MOST_SHEETS = 40;

    private static final double OVERLAP = 10;
    private static final double LINE = 3.6;
    private static final double SMALL = 2.4;
    private static final double LONGEST_BAR = 50;
    private static final int[] STEPS = {50, 20, 10, 5, 2, 1};

    public RigPlanSheets {
        sheets = List.copyOf(sheets);
        notes = List.copyOf(notes);
    }

    /**
     * Draws it.
     *
     * @param layout what is drawn of the rig
     */
    public static RigPlanSheets of(Plan plan, RigLayout layout, DrawnOn on, TextMeasure measure) {
        List<String> notes = new ArrayList<>();
        if (!layout.unsaid().isEmpty()) {
            notes.add("Not drawn, since nobody said where it lies: "
                    + layout.unsaid().stream().map(Position::name).collect(Collectors.joining(", ")) + ".");
        }
        if (layout.positions().isEmpty()) {
            notes.add("There is nothing to draw: positions are described on the page of positions.");
            return new RigPlanSheets(Optional.empty(), List.of(), notes);
        }
        return new Cutter(plan, layout, on, measure, notes).sheets();
    }

    /** Chooses the scale and cuts the drawing into sheets. */
    private static final class Cutter {
        private final Plan plan;
        private final RigLayout layout;
        private final DrawnOn on;
        private final TextMeasure measure;
        private final List<String> notes;
        private final RigView view;
        private final TypeLetters letters;
        private final List<Shape> legend = new ArrayList<>();
        private final Field field;
        private final double foot;

        Cutter(Plan plan, RigLayout layout, DrawnOn on, TextMeasure measure, List<String> notes) {
            this.plan = plan;
            this.layout = layout;
            this.on = on;
            this.measure = measure;
            this.notes = notes;
            view = plan.sheet().view();
            letters = TypeLetters.of(plan, layout.positions());
            double width = on.sheet().width() - 2 * TitledSheet.SIDE;
            int lines = legend(width);
            foot = on.sheet().height() - TitledSheet.BOTTOM - 8;
            double lower = foot - lines * LINE - 2;
            legend.replaceAll(s -> s.moved(TitledSheet.SIDE, lower + LINE));
            field = new Field(TitledSheet.SIDE, TitledSheet.TOP, width, lower - TitledSheet.TOP);
        }

        /** Lays the letters of the types out, line by line. @return how many lines they take */
        private int legend(double width) {
            double x = 0;
            int line = 0;
            for (TypeLetters.Entry entry : letters.entries()) {
                String words = entry.letter() + "  " + entry.words();
                double wide = 4 + measure.width(Face.PLAIN, words) * SMALL + 5;
                if (x > 0 && x + wide > width) {
                    x = 0;
                    line++;
                }
                legend.add(new Box(x, line * LINE - 2.2, 2.8, 2.8, new Fill(entry.tint()), 0.2, false));
                legend.add(Words.level(x + 4, line * LINE, SMALL, Face.PLAIN, words));
                x += wide;
            }
            return line + 1;
        }

        RigPlanSheets sheets() {
            DrawingScale scale = scale();
            Plane plane = RigPlanDrawing.of(plan, layout, letters, scale, field, measure);
            if (plane.unnamed() > 0) {
                notes.add(Counted.of(plane.unnamed(), "unit") + (plane.unnamed() == 1 ? " has" : " have")
                        + " no room for an ID at " + scale + "; where each stands is in the list.");
            }
            int columns = count(plane.extent().width(), field.width());
            int rows = count(plane.extent().height(), field.height());
            List<Drawing> sheets = new ArrayList<>();
            for (int row = 0; row < rows; row++) {
                for (int column = 0; column < columns; column++) {
                    sheets.add(sheet(plane, scale, column, row, columns, rows));
                }
            }
            return new RigPlanSheets(Optional.of(scale), sheets, notes);
        }

        private DrawingScale scale() {
            List<DrawingScale> usual = DrawingScale.usual(view.unit());
            DrawingScale smallest = usual.get(usual.size() - 1);
            DrawingScale fitting =
                    usual.stream().filter(s -> on(s) == 1).findFirst().orElse(smallest);
            DrawingScale wished = on.scale().orElse(fitting);
            if (on(wished) <= MOST_SHEETS) {
                return wished;
            }
            DrawingScale next =
                    usual.stream().filter(s -> on(s) <= MOST_SHEETS).findFirst().orElse(smallest);
            notes.add("At " + wished + " it would take " + on(wished) + " sheets, and " + MOST_SHEETS
                    + " are the most: it is drawn at " + next + ".");
            return next;
        }

        /** On how many sheets it is at a scale. */
        private long on(DrawingScale scale) {
            Extent extent = RigPlanDrawing.extent(layout, view.side(), scale);
            return (long) count(extent.width(), field.width()) * count(extent.height(), field.height());
        }

        private static int count(double length, double room) {
            return length <= room ? 1 : (int) Math.ceil((length - OVERLAP) / (room - OVERLAP));
        }

        private Drawing sheet(Plane plane, DrawingScale scale, int column, int row, int columns, int rows) {
            double right = start(plane.extent().width(), field.width(), column, columns);
            double down = start(plane.extent().height(), field.height(), row, rows);
            List<Shape> seen = plane.shapes().stream()
                    .map(s -> s.moved(field.x() - right, field.y() - down))
                    .filter(s -> s.meets(field))
                    .toList();
            List<Shape> around = new ArrayList<>(legend);
            around.add(new Box(field.x(), field.y(), field.width(), field.height(), Fill.PAPER, 0.15, false));
            bar(around, scale);
            String where = columns * rows == 1
                    ? ""
                    : "; sheet " + (row * columns + column + 1) + " of " + columns * rows + ": column " + (column + 1)
                            + " of " + columns + ", row " + (row + 1) + " of " + rows + ", each overlaps the next by "
                            + (int) OVERLAP + " mm";
            around.add(new Words(
                    on.sheet().width() - TitledSheet.SIDE,
                    foot + 4,
                    SMALL,
                    Face.PLAIN,
                    "Seen from above, " + view.frontWords() + where,
                    Anchor.END,
                    0));
            return new Drawing(on.sheet(), field, seen, around);
        }

        /** Where a sheet begins; what fits on one lies in its middle. */
        private static double start(double length, double room, int index, int count) {
            return count == 1 ? (length - room) / 2 : index * (room - OVERLAP);
        }

        private void bar(List<Shape> around, DrawingScale scale) {
            boolean feet = view.unit() == LengthUnit.FEET;
            double one = view.unit().one().inMetres() * scale.perMetre();
            int count = 1;
            for (int step : STEPS) {
                if (step * one <= LONGEST_BAR) {
                    count = step;
                    break;
                }
            }
            double x = TitledSheet.SIDE;
            double y = foot + 2.6;
            around.add(new Box(x, y, count * one / 2, 1.4, Fill.BLACK, 0.2, false));
            around.add(new Box(x + count * one / 2, y, count * one / 2, 1.4, Fill.PAPER, 0.2, false));
            around.add(Words.level(
                    x + count * one + 2,
                    y + 1.6,
                    SMALL,
                    Face.BOLD,
                    String.format(
                            Locale.ROOT,
                            "%d %s   %s on %s",
                            count,
                            feet ? "ft" : "m",
                            scale,
                            on.sheet().words())));
        }
    }
}
