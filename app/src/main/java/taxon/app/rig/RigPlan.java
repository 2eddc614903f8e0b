package taxon.app.rig;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import taxon.app.web.Selection;
import taxon.app.web.Tints;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.Stretch;
import taxon.core.rig.Stretch.Point;
import taxon.core.space.Length;

/**
 * The rig seen from above, to scale, with the audience below: every position of which it is known where it lies. Lengths in
 * pixels.
 *
 * @param centre where the centre line is
 * @param scale how long a bar of {@code scaleWords} is
 */
record RigPlan(int width, int height, int centre, int scale, String scaleWords, List<Line> lines) {
    private static final int WIDTH = 948;
    private static final int MARGIN = 60;
    private static final int HIGHEST = 560;
    private static final int LOWEST = 60;
    private static final int FOOT = 70;
    private static final double LARGEST_UNIT = 28;
    private static final double SMALLEST_UNIT = 6;
    private static final double READABLE = 21;
    private static final double BARE_POSITION = 2;

    /** A position, from its left end to its right one. */
    record Line(String name, double x1, double y1, double x2, double y2, List<Unit> units) {}

    /**
     * A unit.
     *
     * @param size of its box; its ID is shown where {@code readable}
     * @param guessed true when its offset is not known: then it stands evenly among the others
     */
    record Unit(double x, double y, double size, boolean readable, boolean guessed, UnitMark mark) {}

    private record Placed(Fixture fixture, Point point, boolean guessed) {}

    private record Laid(Position position, Point left, Point right, List<Placed> units) {}

    /** Empty when of no position it is known where it lies. */
    static Optional<RigPlan> of(Plan plan, Selection selection) {
        List<Laid> laid = plan.positions().stream()
                .filter(p -> !p.stretch().equals(Stretch.UNSAID))
                .map(p -> lay(plan, p))
                .toList();
        return laid.isEmpty() ? Optional.empty() : Optional.of(new Scale(laid).draw(plan, selection));
    }

    /** The positions that the drawing leaves out. */
    static List<Position> unplaced(Plan plan) {
        return plan.positions().stream()
                .filter(p -> p.stretch().equals(Stretch.UNSAID))
                .toList();
    }

    private static Laid lay(Plan plan, Position position) {
        Stretch stretch = position.stretch();
        List<Fixture> fixtures = plan.fixturesOn(position).stream()
                .sorted(Comparator.comparingInt(Fixture::unit).thenComparing(Fixture::key))
                .toList();
        double half = half(stretch, fixtures);
        List<Fixture> without =
                fixtures.stream().filter(f -> f.offset().isEmpty()).toList();
        List<Placed> placed = new ArrayList<>();
        fixtures.forEach(f -> f.offset().ifPresent(o -> placed.add(new Placed(f, stretch.at(o), false))));
        for (int i = 0; i < without.size(); i++) {
            double even = -half + 2 * half * (i + 0.5) / without.size();
            placed.add(new Placed(without.get(i), stretch.at(metres(even)), true));
        }
        return new Laid(position, stretch.at(metres(-half)), stretch.at(metres(half)), placed);
    }

    /** Half the length that is drawn: what is said, and at least to the outermost unit. */
    private static double half(Stretch stretch, List<Fixture> fixtures) {
        double outermost = fixtures.stream()
                .flatMap(f -> f.offset().stream())
                .mapToDouble(o -> Math.abs(o.inMetres()))
                .max()
                .orElse(BARE_POSITION / 2);
        return Math.max(outermost, stretch.length().map(Length::inMetres).orElse(0.0) / 2);
    }

    private static Length metres(double metres) {
        return new Length(Math.round(metres * Length.METRE));
    }

    /** Brings metres to pixels: the whole rig fits the width, and the height where the rig is deep. */
    private static final class Scale {
        private final List<Laid> laid;
        private final double left;
        private final double top;
        private final double perMetre;
        private final double height;

        Scale(List<Laid> laid) {
            this.laid = laid;
            List<Point> points = new ArrayList<>();
            laid.forEach(l -> {
                points.add(l.left());
                points.add(l.right());
                l.units().forEach(u -> points.add(u.point()));
            });
            left = Math.min(0, points.stream().mapToDouble(Point::across).min().orElse(0));
            double right =
                    Math.max(0, points.stream().mapToDouble(Point::across).max().orElse(0));
            top = points.stream().mapToDouble(Point::upstage).max().orElse(0);
            double bottom = points.stream().mapToDouble(Point::upstage).min().orElse(0);
            double across = (WIDTH - 2.0 * MARGIN) / Math.max(1, right - left);
            perMetre = Math.min(across, HIGHEST / Math.max(0.1, top - bottom));
            height = Math.max(LOWEST, (top - bottom) * perMetre);
        }

        private double x(Point point) {
            return MARGIN + (point.across() - left) * perMetre;
        }

        private double y(Point point) {
            return MARGIN + (top - point.upstage()) * perMetre;
        }

        RigPlan draw(Plan plan, Selection selection) {
            Tints tints = Tints.of(plan);
            List<Line> lines = laid.stream()
                    .map(l -> {
                        double size = size(l.units());
                        return new Line(
                                l.position().name(),
                                x(l.left()),
                                y(l.left()),
                                x(l.right()),
                                y(l.right()),
                                l.units().stream()
                                        .map(u -> new Unit(
                                                x(u.point()),
                                                y(u.point()),
                                                size,
                                                size >= READABLE,
                                                u.guessed(),
                                                UnitMark.of(plan, u.fixture(), tints, selection)))
                                        .toList());
                    })
                    .toList();
            int metres = perMetre * 5 <= WIDTH / 4.0 ? 5 : 1;
            return new RigPlan(
                    WIDTH,
                    (int) Math.ceil(height + MARGIN + FOOT),
                    (int) Math.round(x(new Point(0, 0))),
                    (int) Math.round(metres * perMetre),
                    metres + " m",
                    lines);
        }

        /** As large as the closest two neighbours allow; one whose place is guessed makes the others no smaller. */
        private double size(List<Placed> units) {
            List<Placed> known = units.stream().filter(u -> !u.guessed()).toList();
            List<Placed> order = (known.isEmpty() ? units : known)
                    .stream()
                            .sorted(Comparator.comparingDouble(
                                            (Placed u) -> u.point().across())
                                    .thenComparingDouble(u -> u.point().upstage()))
                            .toList();
            double closest = LARGEST_UNIT + 2;
            for (int i = 1; i < order.size(); i++) {
                Point one = order.get(i - 1).point();
                Point other = order.get(i).point();
                double apart = Math.hypot(one.across() - other.across(), one.upstage() - other.upstage()) * perMetre;
                closest = Math.min(closest, apart);
            }
            return Math.max(SMALLEST_UNIT, Math.min(LARGEST_UNIT, closest - 2));
        }
    }
}
