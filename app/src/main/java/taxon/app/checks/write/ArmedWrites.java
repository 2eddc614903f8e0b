package taxon.app.checks.write;

import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.LongSupplier;

/**
 * What is armed for each job, for a minute at most. The minute is measured on a clock that only goes on: when the machine's
 * time of day is set back, nothing stays armed longer.
 *
 * @param <T> what is armed
 */
final class ArmedWrites<T> {
    static final Duration ARMED_FOR = Duration.ofMinutes(1);

    private final LongSupplier nanos;
    private final Map<Integer, Entry<T>> armed = new ConcurrentHashMap<>();

    /** @param nanos a clock that only goes on, from any beginning, as {@link System#nanoTime()} */
    ArmedWrites(LongSupplier nanos) {
        this.nanos = nanos;
    }

    private record Entry<T>(T what, long since) {}

    void arm(int job, T what) {
        armed.put(job, new Entry<>(what, nanos.getAsLong()));
    }

    /** What is armed for a job; empty when nothing is, or its minute is over. */
    Optional<T> find(int job) {
        return Optional.ofNullable(armed.get(job)).filter(this::isOpen).map(Entry::what);
    }

    /** Takes what is armed, so that it is done once. */
    Optional<T> take(int job) {
        return Optional.ofNullable(armed.remove(job)).filter(this::isOpen).map(Entry::what);
    }

    private boolean isOpen(Entry<T> entry) {
        return nanos.getAsLong() - entry.since() < ARMED_FOR.toNanos();
    }

    void disarm(int job) {
        armed.remove(job);
    }
}
