package taxon.core.dmx;

/**
 * A universe as the plan counts it, from 1. The range is that of streaming ACN (ANSI E1.31, 6.2.7, from memory), so that
 * every planned universe can be carried under its own number.
 *
 * @param number 1 to 63999
 */
public record UniverseNumber(int number) implements Comparable<UniverseNumber> {
    public static final int FIRST = 1;
    public static final int LAST = 63_999;

    public UniverseNumber {
        if (!isLegal(number)) {
            throw new IllegalArgumentException("universe " + number + " is outside " + FIRST + " to " + LAST);
        }
    }

    /**
     * The universe of that number.
     *
     * @throws IllegalArgumentException when it is not legal
     */
    public static UniverseNumber of(int number) {
        return new UniverseNumber(number);
    }

    /** True for 1 to 63999. */
    public static boolean isLegal(int number) {
        return number >= FIRST && number <= LAST;
    }

    @Override
    public int compareTo(UniverseNumber other) {
        return Integer.compare(number, other.number);
    }

    @Override
    public String toString() {
        return Integer.toString(number);
    }
}
