package taxon.core.packing;

import java.util.function.Function;

/**
 * How much may still be computed, counted in numbers that are touched and not in time: the same question gets the same answer
 * on every machine, and every search ends. One value is handed through all searches of a request.
 */
public final class Effort {
    /** What one request may take: about a second on one core of a slow machine. */
    public static final long OF_A_REQUEST = 400_000_000;

    private final long given;
    private long left;

    private Effort(long numbers) {
        given = numbers;
        left = numbers;
    }

    /** @param numbers 0 or more */
    public static Effort of(long numbers) {
        if (numbers < 0) {
            throw new IllegalArgumentException("an effort of " + numbers + " numbers is none");
        }
        return new Effort(numbers);
    }

    /** Counts numbers as touched; false when none is left after that. */
    public boolean spend(long numbers) {
        left -= Math.min(left, numbers);
        return left > 0;
    }

    public boolean isSpent() {
        return left == 0;
    }

    public long left() {
        return left;
    }

    /** Does something with a part of what is left; what it takes is taken from here. */
    public <T> T within(long most, Function<Effort, T> work) {
        Effort part = new Effort(Math.min(most, left));
        T result = work.apply(part);
        left -= part.given - part.left;
        return result;
    }
}
