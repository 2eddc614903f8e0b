package taxon.core.scene;

import java.util.List;
import java.util.Optional;
import taxon.core.length.Length;
import taxon.core.rig.PositionGeometry;

/** Finds the line on which the fixtures of a position hang, and how far along a line a point is. */
public final class GeometryFit {
    private static final double FLAT = 1e-9;
    private static final double MICRO = 1e6;

    private GeometryFit() {}

    /**
     * The position on which these points hang: turned along their principal axis (the direction in which they are spread
     * most), its middle half way between the outermost ones, its height their mean. A tenth of a degree is the finest angle.
     *
     * @param points at least one
     */
    public static PositionGeometry through(List<ScenePoint> points) {
        double meanAcross = mean(points, true);
        double meanUpstage = mean(points, false);
        int angle = angle(points, meanAcross, meanUpstage);
        double radians = Math.toRadians(angle / 10.0);
        double cos = Math.cos(radians);
        double sin = Math.sin(radians);
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        for (ScenePoint p : points) {
            double along =
                    (p.across().inMetres() - meanAcross) * cos + (p.upstage().inMetres() - meanUpstage) * sin;
            least = Math.min(least, along);
            most = Math.max(most, along);
        }
        double middle = (least + most) / 2;
        double height = points.stream()
                .mapToDouble(p -> p.height().inMetres())
                .average()
                .orElse(0);
        return new PositionGeometry(
                Optional.empty(),
                millimetres(meanAcross + middle * cos),
                millimetres(meanUpstage + middle * sin),
                millimetres(height),
                angle);
    }

    private static double mean(List<ScenePoint> points, boolean across) {
        return points.stream()
                .mapToDouble(p -> (across ? p.across() : p.upstage()).inMetres())
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

    /** How far to the right of the middle of a position a point is, along it. */
    public static Length along(PositionGeometry geometry, ScenePoint point) {
        double radians = Math.toRadians(geometry.angle() / 10.0);
        double metres = (point.across().inMetres() - geometry.across().inMetres()) * Math.cos(radians)
                + (point.upstage().inMetres() - geometry.upstage().inMetres()) * Math.sin(radians);
        return new Length(Math.round(metres * MICRO));
    }

    /** How far beside the line of a position a point is, seen from above; in metres. */
    public static double beside(PositionGeometry geometry, ScenePoint point) {
        double radians = Math.toRadians(geometry.angle() / 10.0);
        return Math.abs(-(point.across().inMetres() - geometry.across().inMetres()) * Math.sin(radians)
                + (point.upstage().inMetres() - geometry.upstage().inMetres()) * Math.cos(radians));
    }
}
