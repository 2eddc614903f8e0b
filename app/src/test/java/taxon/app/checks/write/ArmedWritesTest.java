package taxon.app.checks.write;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;

/** What is armed ends after its minute, whatever the time of day is set to. */
class ArmedWritesTest {
    // A monotonic clock may begin anywhere, also just before its numbers turn over.
    private final AtomicLong nanos = new AtomicLong(Long.MAX_VALUE - 5);
    private final ArmedWrites<String> armed = new ArmedWrites<>(nanos::get);

    @Test
    void itIsArmedForAMinuteAndNoLonger() {
        armed.arm(1, "204");
        nanos.addAndGet(TimeUnit.SECONDS.toNanos(60) - 1);
        assertThat(armed.find(1)).contains("204");
        nanos.addAndGet(1);
        assertThat(armed.find(1)).isEmpty();
        assertThat(armed.take(1)).isEmpty();
    }

    @Test
    void itIsTakenOnceAndOtherJobsKeepTheirs() {
        armed.arm(1, "204");
        armed.arm(2, "305");
        assertThat(armed.take(1)).contains("204");
        assertThat(armed.take(1)).isEmpty();
        armed.disarm(1);
        assertThat(armed.find(2)).contains("305");
    }
}
