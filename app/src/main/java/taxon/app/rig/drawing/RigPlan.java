package taxon.app.rig.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.DoubleStream;
import taxon.app.form.Selection;
import taxon.app.frame.Tints;
import taxon.core.drawing.RigLayout;
import taxon.core.drawing.RigLayout.Laid;
import taxon.core.drawing.RigLayout.Placed;
import taxon.core.length.Length;
import taxon.core.length.LengthUnit;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry.Point;
import taxon.core.rig.RigView.Side;

/**
 * The rig seen from above, to scale, its front at the side that the job says: every position of which it is known where it
 * lies. Lengths in pixels.
 *
 * @param centre the line that runs away from the front through the middle
 * @param front where the word for the front stands
 * @param scale how long a bar of {@code scaleWords} is
 * @param perMetre how long a metre is
 */
public record RigPlan(
        int width,
        int height,
        Segment centre,
        Spot front,
        int scale,
        String scaleWords,
        double perMetre,
        List<Line> lines) {
    private static final int WIDTH = 948;
    private static final int MARGIN = 60;
    private static final int HIGHEST = 520;
    private static final int LOWEST = 60;
    private static final int FOOT = 70;
    private static final double LARGEST_UNIT = 28;
    private static final double SMALLEST_UNIT = 6;
    private static final double READABLE = 18;
    private static final double LETTER_IN_BOX = 6.6;
    static final double ROOM_FOR_ADDRESS = 42;

    /** From one point to another. */
    public record Segment(double x1, double y1, double x2, double y2) {}

    /** A place for a word, which begins there ("start"), ends there or has its middle there. */
    public record Spot(double x, double y, String anchor) {}

    /** A position, from its left end to its right one. */
    public record Line(int position, String name, double x1, double y1, double x2, double y2, List<Unit> units) {
        Line with(List<Unit> settled) {
            return new Line(position, name, x1, y1, x2, y2, settled);
        }
    }

    /**
     * A unit.
     *
     * @param size of its box; its ID is shown where {@code readable}
     * @param room how far its neighbour is; its address is shown where that is enough
     * @param guessed true when its offset is not known: then it stands evenly among the others
     * @param offset in micrometres; 0 where it is guessed
     */
    public record Unit(
            double x,
            double y,
            double size,
            double room,
            boolean readable,
            boolean guessed,
            long offset,
            UnitMark mark) {
        /** As a mark that shows no words. */
        Unit marked(double sizeOfMark) {
            return new Unit(x, y, Math.min(size, sizeOfMark), room, false, guessed, offset, mark);
        }

        Unit withoutAddress() {
            return new Unit(x, y, size, Math.min(room, ROOM_FOR_ADDRESS - 1), readable, guessed, offset, mark);
        }
    }

    /** Empty when of no position it is known where it lies. */
    public static Optional<RigPlan> of(Plan plan, Selection selection) {
        List<Laid> laid = RigLayout.of(plan).positions();
        return laid.isEmpty()
                ? Optional.empty()
                : Optional.of(new Scale(laid, plan.sheet().view().side()).draw(plan, selection));
    }

    /** True when of some position it is known where it lies. */
    public static boolean isPossible(Plan plan) {
        return plan.positions().stream().anyMatch(RigLayout::isSaid);
    }

    /** The positions that the drawing leaves out. */
    public static List<Position> unplaced(Plan plan) {
        return plan.positions().stream().filter(p -> !RigLayout.isSaid(p)).toList();
    }

    /** Brings metres to pixels: the whole rig fits the width, and the height where the rig is deep. */
    private static final class Scale {
        private final List<Laid> laid;
        private final Side side;
        private final double left;
        private final double right;
        private final double top;
        private final double bottom;
        private final double perMetre;
        private final double height;

        Scale(List<Laid> laid, Side side) {
            this.laid = laid;
            this.side = side;
            // The middle of the front edge is always in view.
            List<Point> points = new ArrayList<>(List.of(new Point(0, 0)));
            laid.forEach(l -> {
                points.add(turned(l.left()));
                points.add(turned(l.right()));
                l.units().forEach(u -> points.add(turned(u.point())));
            });
            boolean wide = side == Side.BELOW || side == Side.ABOVE;
            left = extreme(points, Point::across, false);
            right = extreme(points, Point::across, true);
            top = points.stream()
                    .skip(wide ? 1 : 0)
                    .mapToDouble(Point::upstage)
                    .max()
                    .orElse(0);
            bottom = points.stream()
                    .skip(wide ? 1 : 0)
                    .mapToDouble(Point::upstage)
                    .min()
                    .orElse(0);
            double across = (WIDTH - 2.0 * MARGIN) / Math.max(1, right - left);
            perMetre = Math.min(across, HIGHEST / Math.max(0.1, top - bottom));
            height = Math.max(LOWEST, (top - bottom) * perMetre);
        }

        private static double extreme(List<Point> points, ToDoubleFunction<Point> of, boolean largest) {
            DoubleStream values = points.stream().mapToDouble(of);
            return (largest ? values.max() : values.min()).orElse(0);
        }

        private Point turned(Point point) {
            return RigLayout.turned(point, side);
        }

        private double x(Point point) {
            double spare = WIDTH - 2.0 * MARGIN - (right - left) * perMetre;
            return MARGIN + Math.max(0, spare) / 2 + (turned(point).across() - left) * perMetre;
        }

        private double y(Point point) {
            return MARGIN + (top - turned(point).upstage()) * perMetre;
        }

        private int fullHeight() {
            return (int) Math.ceil(height + MARGIN + FOOT);
        }

        private Segment centre() {
            Point middle = new Point(0, 0);
            return side == Side.BELOW || side == Side.ABOVE
                    ? new Segment(x(middle), 26, x(middle), fullHeight() - 34)
                    : new Segment(16, y(middle), WIDTH - 16, y(middle));
        }

        private Spot front() {
            Segment centre = centre();
            return switch (side) {
                case BELOW -> new Spot(centre.x1(), fullHeight() - 14, "middle");
                case ABOVE -> new Spot(centre.x1(), 18, "middle");
                case LEFT -> new Spot(8, centre.y1() - 8, "start");
                case RIGHT -> new Spot(WIDTH - 8, centre.y1() - 8, "end");
            };
        }

        RigPlan draw(Plan plan, Selection selection) {
            Tints tints = Tints.of(plan);
            List<Line> lines = laid.stream()
                    .map(l -> {
                        double room = room(l.units());
                        double size = Math.max(SMALLEST_UNIT, Math.min(LARGEST_UNIT, room - 2));
                        return new Line(
                                l.position().number(),
                                l.position().name() + (l.position().geometry().upright() ? ", upright" : ""),
                                x(l.left()),
                                y(l.left()),
                                x(l.right()),
                                y(l.right()),
                                l.units().stream()
                                        .map(u -> new Unit(
                                                x(u.point()),
                                                y(u.point()),
                                                size,
                                                room,
                                                size >= roomFor(u.fixture()),
                                                u.guessed(),
                                                u.guessed()
                                                        ? 0
                                                        : u.fixture()
                                                                .offset()
                                                                .orElse(Length.ZERO)
                                                                .micrometres(),
                                                UnitMark.of(plan, u.fixture(), tints, selection)))
                                        .toList());
                    })
                    .toList();
            boolean feet = plan.sheet().view().unit() == LengthUnit.FEET;
            double one = feet ? LengthUnit.FEET.one().inMetres() : 1;
            int count = perMetre * one * 5 <= WIDTH / 4.0 ? 5 : 1;
            return new RigPlan(
                    WIDTH,
                    fullHeight(),
                    centre(),
                    front(),
                    (int) Math.round(count * one * perMetre),
                    count + (feet ? " ft" : " m"),
                    perMetre,
                    Crowd.settled(lines));
        }

        /** How large a box is in which the unit's ID can be read. */
        private static double roomFor(Fixture fixture) {
            int letters = fixture.id().map(i -> i.toString().length()).orElse(1);
            return Math.max(READABLE, letters * LETTER_IN_BOX + 2);
        }

        /** How close the closest two neighbours are; one whose place is guessed brings the others no closer. */
        private double room(List<Placed> units) {
            List<Placed> known = units.stream().filter(u -> !u.guessed()).toList();
            List<Placed> order = (known.isEmpty() ? units : known)
                    .stream()
                            .sorted(Comparator.comparingDouble(
                                            (Placed u) -> u.point().across())
                                    .thenComparingDouble(u -> u.point().upstage()))
                            .toList();
            double closest = WIDTH;
            for (int i = 1; i < order.size(); i++) {
                Point one = order.get(i - 1).point();
                Point other = order.get(i).point();
                double apart = Math.hypot(one.across() - other.across(), one.upstage() - other.upstage()) * perMetre;
                closest = Math.min(closest, apart);
            }
            return closest;
        }
    }
}
