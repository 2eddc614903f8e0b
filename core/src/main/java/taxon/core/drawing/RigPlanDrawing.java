package taxon.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import taxon.core.dmx.StartAddress;
import taxon.core.drawing.Lettering.Written;
import taxon.core.drawing.RigLayout.Laid;
import taxon.core.drawing.RigLayout.Placed;
import taxon.core.drawing.Shape.Anchor;
import taxon.core.drawing.Shape.Box;
import taxon.core.drawing.Shape.Fill;
import taxon.core.drawing.Shape.Stroke;
import taxon.core.drawing.Shape.Words;
import taxon.core.drawing.Taken.Disc;
import taxon.core.label.TextMeasure;
import taxon.core.label.TextMeasure.Face;
import taxon.core.length.LengthUnit;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry.Point;
import taxon.core.rig.RigView.Side;

/**
 * The rig from above on one plane of paper at a true scale: positions as lines with their names and heights, units as boxes with the
 * letter of their type, their ID and their first address. No unit's words lie over others: an address, then an ID is left out where
 * there is no room, and counted. The name of a position is never left out.
 */
final class RigPlanDrawing {
    /** Room for words beyond the outermost units. */
    static final double BORDER = 18;

    private static final double LABEL = 2.1;
    private static final double NAME = 2.8;
    private static final double LARGEST_UNIT = 3.4;
    private static final double SMALLEST_UNIT = 0.9;
    private static final double READABLE_UNIT = 2.2;
    private static final double NEIGHBOURS = 0.85;
    private static final double GAP = 0.5;

    /** How far up and down a name is tried, in lines. */
    private static final int TRIED = 8;

    private final Plan plan;
    private final TextMeasure measure;
    private final Side side;
    private final RigLayout layout;
    private final double perMetre;
    private final double left;
    private final double top;
    private final Extent extent;
    private final Extent spare;
    private final TypeLetters letters;
    private final Lettering names;
    private final Lettering labels;
    private final List<Shape> shapes = new ArrayList<>();
    private final Taken taken = new Taken();
    private int unnamed;

    /** In millimetres of paper. */
    record Extent(double width, double height) {}

    /**
     * What is drawn.
     *
     * @param unnamed units whose ID had no room
     */
    record Plane(Extent extent, List<Shape> shapes, int unnamed) {}

    private RigPlanDrawing(
            Plan plan,
            RigLayout layout,
            TypeLetters types,
            DrawingScale scale,
            Drawing.Field field,
            TextMeasure measure) {
        this.plan = plan;
        this.layout = layout;
        this.measure = measure;
        side = plan.sheet().view().side();
        perMetre = scale.perMetre();
        letters = types;
        names = new Lettering(measure, Face.BOLD, NAME);
        labels = new Lettering(measure, Face.PLAIN, LABEL);
        List<Point> points = points(layout, side);
        left = points.stream().mapToDouble(Point::across).min().orElse(0);
        top = points.stream().mapToDouble(Point::upstage).max().orElse(0);
        extent = extent(layout, side, scale);
        spare = new Extent(
                Math.max(0, (field.width() - extent.width()) / 2), Math.max(0, (field.height() - extent.height()) / 2));
    }

    /** How much paper a rig takes at a scale, with the border around it. */
    static Extent extent(RigLayout layout, Side side, DrawingScale scale) {
        List<Point> points = points(layout, side);
        return new Extent(
                spread(points.stream().map(Point::across)) * scale.perMetre() + 2 * BORDER,
                spread(points.stream().map(Point::upstage)) * scale.perMetre() + 2 * BORDER);
    }

    private static double spread(Stream<Double> values) {
        List<Double> sorted = values.sorted().toList();
        return sorted.isEmpty() ? 0 : sorted.get(sorted.size() - 1) - sorted.get(0);
    }

    /** Everything that is drawn, as the paper lies. */
    private static List<Point> points(RigLayout layout, Side side) {
        return layout.positions().stream()
                .flatMap(l -> Stream.concat(
                        Stream.of(l.left(), l.right()), l.units().stream().map(Placed::point)))
                .map(p -> RigLayout.turned(p, side))
                .toList();
    }

    /**
     * Draws it.
     *
     * @param layout with at least one position
     * @param field of the sheet, in the middle of which it lies where it fits
     */
    static Plane of(
            Plan plan,
            RigLayout layout,
            TypeLetters types,
            DrawingScale scale,
            Drawing.Field field,
            TextMeasure measure) {
        RigPlanDrawing drawing = new RigPlanDrawing(plan, layout, types, scale, field, measure);
        drawing.draw();
        return new Plane(drawing.extent, List.copyOf(drawing.shapes), drawing.unnamed);
    }

    private double x(Point point) {
        return BORDER + (RigLayout.turned(point, side).across() - left) * perMetre;
    }

    private double y(Point point) {
        return BORDER + (top - RigLayout.turned(point, side).upstage()) * perMetre;
    }

    private void draw() {
        centre();
        layout.positions().forEach(this::bar);
        layout.positions().forEach(this::boxes);
        layout.positions().forEach(this::name);
        layout.positions().forEach(this::labels);
    }

    /** The line that runs away from the front, where it lies in the drawing, and at its end the word for the front. */
    private void centre() {
        boolean upright = side == Side.BELOW || side == Side.ABOVE;
        double at = upright ? x(new Point(0, 0)) : y(new Point(0, 0));
        if (at < 0 || at > (upright ? extent.width() : extent.height())) {
            return;
        }
        shapes.add(
                upright
                        ? new Stroke(at, 6, at, extent.height() - 6, 0.15, true)
                        : new Stroke(6, at, extent.width() - 6, at, 0.15, true));
        String word = plan.sheet().view().front().words();
        shapes.add(
                switch (side) {
                    case BELOW -> new Words(at, extent.height() - 2, NAME, Face.PLAIN, word, Anchor.MIDDLE, 0);
                    case ABOVE -> new Words(at, 4, NAME, Face.PLAIN, word, Anchor.MIDDLE, 0);
                    case LEFT -> new Words(4, at, NAME, Face.PLAIN, word, Anchor.MIDDLE, 90);
                    case RIGHT -> new Words(extent.width() - 1, at, NAME, Face.PLAIN, word, Anchor.MIDDLE, 90);
                });
    }

    private void bar(Laid laid) {
        Stroke bar = new Stroke(x(laid.left()), y(laid.left()), x(laid.right()), y(laid.right()), 0.5, false);
        shapes.add(bar);
        taken.take(Taken.along(bar.x1(), bar.y1(), bar.x2(), bar.y2(), 0.25));
    }

    private void boxes(Laid laid) {
        double size = size(laid);
        for (Placed unit : laid.units()) {
            double x = x(unit.point());
            double y = y(unit.point());
            TypeLetters.Entry type = letters.of(unit.fixture());
            shapes.add(new Box(x - size / 2, y - size / 2, size, size, new Fill(type.tint()), 0.2, unit.guessed()));
            if (size >= READABLE_UNIT) {
                double letter = Math.min(LABEL, size * 0.8 / measure.width(Face.BOLD, type.letter()));
                shapes.add(new Words(
                        x, y + Lettering.CAPITAL * letter, letter, Face.BOLD, type.letter(), Anchor.MIDDLE, 0));
            }
            taken.take(List.of(new Disc(x, y, size * 0.6)));
        }
    }

    /** As large as the closest two neighbours let it be. */
    private double size(Laid laid) {
        List<Placed> order = laid.units().stream()
                .sorted(Comparator.comparingDouble((Placed u) -> u.point().across())
                        .thenComparingDouble(u -> u.point().upstage()))
                .toList();
        double closest = Double.MAX_VALUE;
        for (int i = 1; i < order.size(); i++) {
            Point one = order.get(i - 1).point();
            Point other = order.get(i).point();
            closest = Math.min(
                    closest, Math.hypot(one.across() - other.across(), one.upstage() - other.upstage()) * perMetre);
        }
        return Math.max(SMALLEST_UNIT, Math.min(LARGEST_UNIT, closest * NEIGHBOURS));
    }

    private Direction along(Laid laid) {
        double right = x(laid.right()) - x(laid.left());
        double down = y(laid.right()) - y(laid.left());
        double length = Math.hypot(right, down);
        return length == 0 ? new Direction(1, 0) : new Direction(right / length, down / length);
    }

    /** Its name and height at the first place near it that is free; where none is, at one where at least it is not cut off. */
    private void name(Laid laid) {
        String words = words(laid.position(), plan.sheet().view().unit());
        List<Written> places =
                Stream.concat(beyondTheEnds(laid, words), around(laid, words)).toList();
        List<Written> whole = places.stream().filter(w -> isOnPaper(w.words())).toList();
        write(whole.stream()
                .filter(w -> taken.isFree(w.discs()))
                .findFirst()
                .or(() -> whole.stream().findFirst())
                .orElse(places.get(0)));
    }

    /** In line with it. */
    private Stream<Written> beyondTheEnds(Laid laid, String words) {
        Direction along = along(laid);
        return Stream.of(
                names.along(along.opposite(), words, x(laid.left()), y(laid.left()), LARGEST_UNIT),
                names.along(along, words, x(laid.right()), y(laid.right()), LARGEST_UNIT));
    }

    /** Level, over itself from one of its ends on, further up and down each time. */
    private Stream<Written> around(Laid laid, String words) {
        return IntStream.rangeClosed(1, TRIED)
                .boxed()
                .flatMap(i -> Stream.of(-1, 1).map(sign -> sign * i * NAME * 1.3))
                .flatMap(off ->
                        Stream.of(level(words, leftmost(laid), off, true), level(words, rightmost(laid), off, false)));
    }

    private Point leftmost(Laid laid) {
        return x(laid.left()) <= x(laid.right()) ? laid.left() : laid.right();
    }

    private Point rightmost(Laid laid) {
        return x(laid.left()) <= x(laid.right()) ? laid.right() : laid.left();
    }

    private Written level(String words, Point end, double off, boolean toTheRight) {
        return names.along(new Direction(toTheRight ? 1 : -1, 0), words, x(end), y(end) + off, 0);
    }

    private boolean isOnPaper(Words words) {
        double wide = measure.width(words.face(), words.text()) * words.size();
        double reach = words.anchor() == Anchor.START ? wide : -wide;
        double angle = Math.toRadians(words.angle());
        return within(words.x() + reach * Math.cos(angle), words.y() - reach * Math.sin(angle));
    }

    private boolean within(double x, double y) {
        return x >= -spare.width()
                && y >= -spare.height()
                && x <= extent.width() + spare.width()
                && y <= extent.height() + spare.height();
    }

    /** "North quay, 6.2 m high"; what is upright is said so. */
    static String words(Position position, LengthUnit unit) {
        return position.name()
                + (position.geometry().height().micrometres() == 0
                        ? ""
                        : ", " + unit.words(position.geometry().height()) + " high")
                + (position.geometry().upright() ? ", upright" : "");
    }

    private void write(Written written) {
        shapes.add(written.words());
        taken.take(written.discs());
    }

    private void labels(Laid laid) {
        Direction along = along(laid);
        Direction up = new Direction(along.down(), -along.right());
        Direction first = up.down() > 0 ? up.opposite() : up;
        double gap = size(laid) / 2 + GAP + 0.35;
        for (Placed unit : laid.units()) {
            String id = unit.fixture().label();
            String more = address(unit.fixture());
            Stream.of(id + more, id)
                    .distinct()
                    .flatMap(t -> Stream.of(first, first.opposite())
                            .map(d -> labels.along(d, t, x(unit.point()), y(unit.point()), gap)))
                    .filter(w -> taken.isFree(w.discs()))
                    .findFirst()
                    .ifPresentOrElse(this::write, () -> unnamed++);
        }
    }

    private static String address(Fixture fixture) {
        Optional<StartAddress> first = fixture.address(1);
        return first.map(a -> "  " + a).orElse("");
    }
}
