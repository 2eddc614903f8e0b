package taxon.core.rig;

/**
 * The number by which people and the console call a fixture.
 *
 * @param number 1 to 99999
 */
public record FixtureId(int number) implements Comparable<FixtureId> {
    public static final int LAST = 99_999;

    public FixtureId {
        if (!isLegal(number)) {
            throw new IllegalArgumentException("fixture ID " + number + " is outside 1 to " + LAST);
        }
    }

    /**
     * The ID of that number.
     *
     * @throws IllegalArgumentException when it is not legal
     */
    public static FixtureId of(int number) {
        return new FixtureId(number);
    }

    /** True for 1 to {@link #LAST}. */
    public static boolean isLegal(long number) {
        return number >= 1 && number <= LAST;
    }

    @Override
    public int compareTo(FixtureId other) {
        return Integer.compare(number, other.number);
    }

    @Override
    public String toString() {
        return Integer.toString(number);
    }
}
