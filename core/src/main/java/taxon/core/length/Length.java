package taxon.core.length;

import java.math.BigDecimal;

/**
 * A length or a signed distance, exact: a metre, a foot, an inch and an eighth of an inch are all whole numbers of it.
 *
 * @param micrometres −1,000 m to 1,000 m
 */
public record Length(long micrometres) implements Comparable<Length> {
    public static final Length ZERO = new Length(0);
    public static final long METRE = 1_000_000;
    public static final long INCH = 25_400;
    public static final long FOOT = 12 * INCH;

    private static final long MOST = 1_000 * METRE;

    public Length {
        if (micrometres < -MOST || micrometres > MOST) {
            throw new IllegalArgumentException(
                    BigDecimal.valueOf(micrometres, 6).stripTrailingZeros().toPlainString()
                            + " m is outside -1000 to 1000 m");
        }
    }

    /**
     * A length written in metres, "3.25".
     *
     * @throws NumberFormatException when it is no decimal number
     * @throws ArithmeticException when it is finer than a micrometre or too large
     */
    public static Length metres(String decimal) {
        return new Length(new BigDecimal(decimal).movePointRight(6).longValueExact());
    }

    /** So many millimetres. */
    public static Length millimetres(long count) {
        return new Length(Math.multiplyExact(count, 1_000L));
    }

    /** The sum of both. */
    public Length plus(Length other) {
        return new Length(micrometres + other.micrometres);
    }

    /** The difference of both, which may be below zero. */
    public Length minus(Length other) {
        return new Length(micrometres - other.micrometres);
    }

    /** Rounded to a tenth of a metre, as cable is measured. */
    public Length inTenths() {
        return new Length(Math.round(micrometres / 100_000.0) * 100_000);
    }

    /** The same length the other way. */
    public Length negated() {
        return new Length(-micrometres);
    }

    /** The n-th part of the way from here to there of {@code parts} equal ones, rounded to the micrometre. */
    public Length towards(Length there, int n, int parts) {
        long way = there.micrometres - micrometres;
        return new Length(micrometres + Math.round((double) way * n / parts));
    }

    /** In metres, for drawings; not exact. */
    public double inMetres() {
        return micrometres / (double) METRE;
    }

    @Override
    public int compareTo(Length other) {
        return Long.compare(micrometres, other.micrometres);
    }

    /** "3.2 m". */
    @Override
    public String toString() {
        return LengthUnit.METRES.words(this);
    }
}
