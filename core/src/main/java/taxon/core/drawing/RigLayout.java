package taxon.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import taxon.core.length.Length;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionGeometry.Point;
import taxon.core.rig.RigView.Side;

/**
 * Where everything of a rig is seen from above, in metres: every position of which it is known where it lies, and its units.
 *
 * @param positions in the order of the rig
 * @param unsaid the positions of which nobody said where they lie
 */
public record RigLayout(List<Laid> positions, List<Position> unsaid) {
    private static final double BARE_POSITION = 2;
    private static final int HALF_TURN = 1800;

    public RigLayout {
        positions = List.copyOf(positions);
        unsaid = List.copyOf(unsaid);
    }

    /** A position from its left end to its right one, with its units by number. */
    public record Laid(Position position, Point left, Point right, List<Placed> units) {
        public Laid {
            units = List.copyOf(units);
        }
    }

    /** @param guessed true when its offset is not known: then it stands evenly among the others of its position */
    public record Placed(Fixture fixture, Point point, boolean guessed) {}

    /** The whole rig. */
    public static RigLayout of(Plan plan) {
        return new RigLayout(
                plan.positions().stream()
                        .filter(RigLayout::isSaid)
                        .map(p -> lay(plan, p))
                        .toList(),
                plan.positions().stream().filter(p -> !isSaid(p)).toList());
    }

    /** True when it is known where a position lies. */
    public static boolean isSaid(Position position) {
        return !position.geometry().equals(PositionGeometry.UNSAID);
    }

    /** Only these units and where they hang; each stays where it was. */
    public RigLayout only(Predicate<Fixture> which) {
        List<Laid> kept = positions.stream()
                .map(l -> new Laid(
                        l.position(),
                        l.left(),
                        l.right(),
                        l.units().stream().filter(u -> which.test(u.fixture())).toList()))
                .filter(l -> !l.units().isEmpty())
                .toList();
        return new RigLayout(kept, unsaid);
    }

    /** A point as the paper lies when the front is at that side: across to the right of the sheet, upstage to its top. */
    public static Point turned(Point point, Side side) {
        return switch (side) {
            case BELOW -> point;
            case ABOVE -> new Point(-point.across(), -point.upstage());
            case LEFT -> new Point(point.upstage(), -point.across());
            case RIGHT -> new Point(-point.upstage(), point.across());
        };
    }

    private static Laid lay(Plan plan, Position position) {
        List<Fixture> fixtures = plan.fixturesOn(position).stream()
                .sorted(Comparator.comparingInt(Fixture::unit).thenComparing(Fixture::key))
                .toList();
        double half = half(position.geometry(), fixtures);
        PositionGeometry geometry = folded(position.geometry(), half);
        List<Fixture> without =
                fixtures.stream().filter(f -> f.offset().isEmpty()).toList();
        List<Placed> placed = new ArrayList<>();
        fixtures.forEach(f -> f.offset().ifPresent(o -> placed.add(new Placed(f, geometry.at(o), false))));
        for (int i = 0; i < without.size(); i++) {
            double even = -half + 2 * half * (i + 0.5) / without.size();
            placed.add(new Placed(without.get(i), geometry.at(metres(even)), true));
        }
        return new Laid(position, geometry.at(metres(-half)), geometry.at(metres(half)), placed);
    }

    /** An upright line is drawn folded down, from its place away from the middle, as plans draw booms (common practice). */
    private static PositionGeometry folded(PositionGeometry geometry, double half) {
        if (!geometry.upright()) {
            return geometry;
        }
        boolean left = geometry.across().micrometres() < 0;
        Length middle = geometry.across().plus(metres(left ? -half : half));
        return new PositionGeometry(
                geometry.length(), middle, geometry.upstage(), geometry.height(), left ? HALF_TURN : 0);
    }

    /** Half the length that is drawn: what is said, and at least to the outermost unit. */
    private static double half(PositionGeometry geometry, List<Fixture> fixtures) {
        double outermost = fixtures.stream()
                .flatMap(f -> f.offset().stream())
                .mapToDouble(o -> Math.abs(o.inMetres()))
                .max()
                .orElse(BARE_POSITION / 2);
        return Math.max(outermost, geometry.length().map(Length::inMetres).orElse(0.0) / 2);
    }

    private static Length metres(double metres) {
        return new Length(Math.round(metres * Length.METRE));
    }
}
