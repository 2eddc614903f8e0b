package taxon.core.rig;

import java.util.Optional;
import taxon.core.length.Length;

/**
 * Where a position is, seen from above. The centre line runs away from the audience; in an installation, away from the
 * entrance. Across counts to the right as the audience sees it, upstage away from it.
 *
 * @param length of the position, where it is known; its middle is at {@code across}
 * @param angle in tenths of a degree, −1800 to 1800: how far it is turned from lying straight across, counterclockwise seen
 *     from above, so that a positive angle takes its right end upstage
 * @param upright true when its line goes straight up: offsets then count up from its middle, which is at {@code height}
 */
public record PositionGeometry(
        Optional<Length> length, Length across, Length upstage, Length height, int angle, boolean upright) {
    /** Straight across on the line where upstage begins, on the floor, of unknown length. */
    public static final PositionGeometry UNSAID =
            new PositionGeometry(Optional.empty(), Length.ZERO, Length.ZERO, Length.ZERO, 0, false);

    private static final int HALF_TURN = 1800;

    public PositionGeometry {
        if (angle < -HALF_TURN || angle > HALF_TURN) {
            throw new IllegalArgumentException("an angle of " + angle + " tenths of a degree is outside -1800 to 1800");
        }
        length.filter(l -> l.micrometres() <= 0).ifPresent(l -> {
            throw new IllegalArgumentException("a length of " + l + " is none");
        });
    }

    /** A point seen from above, in metres; for drawings and for order, not exact. */
    public record Point(double across, double upstage) {}

    /** One whose line lies level. */
    public PositionGeometry(Optional<Length> length, Length across, Length upstage, Length height, int angle) {
        this(length, across, upstage, height, angle, false);
    }

    /** How high a unit hangs that is so far from the middle. */
    public Length heightAt(Length offset) {
        return upright ? height.plus(offset) : height;
    }

    /** Where a unit hangs that is so far to the right of the middle, seen from above; all of an upright line hang at one point. */
    public Point at(Length offset) {
        if (upright) {
            return new Point(across.inMetres(), upstage.inMetres());
        }
        double radians = Math.toRadians(angle / 10.0);
        return new Point(
                across.inMetres() + offset.inMetres() * Math.cos(radians),
                upstage.inMetres() + offset.inMetres() * Math.sin(radians));
    }
}
