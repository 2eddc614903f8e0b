package taxon.core.scene;

import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import taxon.core.length.Length;
import taxon.core.rig.PositionGeometry;

/** Finds the line on which the fixtures of a position hang, and how far along a line a point is. */
public final class GeometryFit {
    private static final double FLAT = 1e-9;
    private static final double MICRO = 1e6;

    private GeometryFit() {}

    /**
     * The position on which these points hang. Where they are spread more in height than in plan it stands upright, its middle
     * half way between the lowest and the highest. Else it lies level, turned along their principal axis (the direction in
     * which they are spread most), its middle half way between the outermost ones, its height their mean. A tenth of a degree
     * is the finest angle.
     *
     * @param points at least one
     */
    public static PositionGeometry through(List<ScenePoint> points) {
        double meanAcross = mean(points, ScenePoint::across);
        double meanUpstage = mean(points, ScenePoint::upstage);
        Turned lying = Turned.of(points, meanAcross, meanUpstage);
        DoubleSummaryStatistics heights =
                points.stream().mapToDouble(p -> p.height().inMetres()).summaryStatistics();
        double rise = heights.getMax() - heights.getMin();
        if (rise > lying.most() - lying.least()) {
            double middle = (heights.getMin() + heights.getMax()) / 2;
            return new PositionGeometry(
                    Optional.empty(), millimetres(meanAcross), millimetres(meanUpstage), millimetres(middle), 0, true);
        }
        double middle = (lying.least() + lying.most()) / 2;
        return new PositionGeometry(
                Optional.empty(),
                millimetres(meanAcross + middle * Math.cos(lying.radians())),
                millimetres(meanUpstage + middle * Math.sin(lying.radians())),
                millimetres(heights.getAverage()),
                lying.angle());
    }

    /** How far points are spread along their principal axis, seen from above, in metres from their mean. */
    private record Turned(int angle, double least, double most) {
        static Turned of(List<ScenePoint> points, double meanAcross, double meanUpstage) {
            int angle = GeometryFit.angle(points, meanAcross, meanUpstage);
            double radians = Math.toRadians(angle / 10.0);
            DoubleSummaryStatistics along = points.stream()
                    .mapToDouble(p -> (p.across().inMetres() - meanAcross) * Math.cos(radians)
                            + (p.upstage().inMetres() - meanUpstage) * Math.sin(radians))
                    .summaryStatistics();
            return new Turned(angle, along.getMin(), along.getMax());
        }

        double radians() {
            return Math.toRadians(angle / 10.0);
        }
    }

    private static double mean(List<ScenePoint> points, Function<ScenePoint, Length> of) {
        return points.stream()
                .mapToDouble(p -> of.apply(p).inMetres())
                .average()
                .orElse(0);
    }

    /** In tenths of a degree, above −900 and at most 900; 0 where the points are spread nowhere. */
    private static int angle(List<ScenePoint> points, double meanAcross, double meanUpstage) {
        double xx = 0;
        double yy = 0;
        double xy = 0;
        for (ScenePoint p : points) {
            double x = p.across().inMetres() - meanAcross;
            double y = p.upstage().inMetres() - meanUpstage;
            xx += x * x;
            yy += y * y;
            xy += x * y;
        }
        if (xx + yy < FLAT) {
            return 0;
        }
        int tenths = (int) Math.round(Math.toDegrees(Math.atan2(2 * xy, xx - yy) / 2) * 10);
        return tenths <= -900 ? tenths + 1800 : tenths;
    }

    /** Positions are read off a drawing: finer than a millimetre nobody places one. */
    private static Length millimetres(double metres) {
        return Length.millimetres(Math.round(metres * 1000));
    }

    /** How far from the middle of a position a point is, along it: to the right, or up where it stands upright. */
    public static Length along(PositionGeometry geometry, ScenePoint point) {
        if (geometry.upright()) {
            return point.height().minus(geometry.height());
        }
        double radians = Math.toRadians(geometry.angle() / 10.0);
        double metres = across(geometry, point) * Math.cos(radians) + upstage(geometry, point) * Math.sin(radians);
        return new Length(Math.round(metres * MICRO));
    }

    /**
     * How far beside the line of a position a point is, in metres. Of a position at the height nought it is taken that nobody
     * said how high it is: heights then do not count.
     */
    public static double beside(PositionGeometry geometry, ScenePoint point) {
        if (geometry.upright()) {
            return Math.hypot(across(geometry, point), upstage(geometry, point));
        }
        double radians = Math.toRadians(geometry.angle() / 10.0);
        double inPlan = -across(geometry, point) * Math.sin(radians) + upstage(geometry, point) * Math.cos(radians);
        double above = geometry.height().equals(Length.ZERO)
                ? 0
                : point.height().minus(geometry.height()).inMetres();
        return Math.hypot(inPlan, above);
    }

    private static double across(PositionGeometry geometry, ScenePoint point) {
        return point.across().inMetres() - geometry.across().inMetres();
    }

    private static double upstage(PositionGeometry geometry, ScenePoint point) {
        return point.upstage().inMetres() - geometry.upstage().inMetres();
    }
}
