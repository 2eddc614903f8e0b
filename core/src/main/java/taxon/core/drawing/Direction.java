package taxon.core.drawing;

/**
 * A direction of the sheet, and how words along it are turned to be read from below or from the right.
 *
 * @param right part of the length 1 that goes to the right
 * @param down part of it that goes down
 */
record Direction(double right, double down) {
    private static final double LEVEL = 1e-9;

    /** In degrees against the clock, as words along it are turned. */
    double angle() {
        double degrees = Math.toDegrees(Math.atan2(-down, right));
        return isBackwards() ? degrees + (degrees > 0 ? -180 : 180) : degrees;
    }

    /** True when words that are read would run against it. */
    boolean isBackwards() {
        return right < -LEVEL || Math.abs(right) <= LEVEL && down > 0;
    }

    Direction opposite() {
        return new Direction(-right, -down);
    }
}
