package taxon.core.packing;

import java.util.function.Function;

/**
 * How much may still be computed, counted in numbers that are touched and not in time: the same question gets the same answer
 * on every machine, and every search ends. One value is handed through all searches of a request. Another thread may look how
 * much is spent, and may stop it: then what was found so far is the answer.
 */
public final class Effort {
    /** What one request may take: one to two seconds on one core. */
    public static final long OF_A_REQUEST = 400_000_000;

    private final Meter meter;
    private final long given;
    private long left;

    /** What all parts of one effort share. */
    private static final class Meter {
        private final long given;
        private volatile long spent;
        private volatile boolean stopped;

        Meter(long given) {
            this.given = given;
        }

        /** Only the thread that computes adds. */
        @SuppressWarnings("NonAtomicVolatileUpdate")
        void add(long numbers) {
            spent += numbers;
        }
    }

    private Effort(long numbers, Meter meter) {
        this.meter = meter;
        given = numbers;
        left = numbers;
    }

    /** @param numbers 0 or more */
    public static Effort of(long numbers) {
        if (numbers < 0) {
            throw new IllegalArgumentException("an effort of " + numbers + " numbers is none");
        }
        return new Effort(numbers, new Meter(numbers));
    }

    /** Counts numbers as touched; false when none is left after that. */
    public boolean spend(long numbers) {
        long taken = meter.stopped ? left : Math.min(left, numbers);
        left -= taken;
        meter.add(taken);
        return left > 0;
    }

    /** True when nothing is left, or someone has stopped the search. */
    public boolean isSpent() {
        return left == 0 || meter.stopped;
    }

    /** What may still be spent, in numbers that are touched. */
    public long left() {
        return meter.stopped ? 0 : left;
    }

    /** Does something with a part of what is left; what it takes is taken from here. */
    public <T> T within(long most, Function<Effort, T> work) {
        Effort part = new Effort(Math.min(most, left), meter);
        T result = work.apply(part);
        left -= part.given - part.left;
        return result;
    }

    /** How much of the whole is spent, in per cent, whichever part spends it; for another thread to look at. */
    public int percentSpent() {
        return meter.given == 0 ? 100 : (int) Math.min(100, meter.spent * 100 / meter.given);
    }

    /** Ends all searches soon; what was found so far is the answer. For another thread. */
    public void stop() {
        meter.stopped = true;
    }
}
