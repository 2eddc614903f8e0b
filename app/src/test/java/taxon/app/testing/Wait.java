package taxon.app.testing;

import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;

/** Waits for what becomes true by itself; how long that takes is the machine's affair. */
public final class Wait {
    private static final long PATIENCE_SECONDS = 120;
    private static final long BETWEEN_NANOS = TimeUnit.MILLISECONDS.toNanos(50);

    private Wait() {}

    /**
     * Waits until it is so.
     *
     * @throws AssertionError with this text when it does not become so
     */
    public static void until(String otherwise, BooleanSupplier condition) {
        long begun = System.nanoTime();
        while (!condition.getAsBoolean()) {
            if (System.nanoTime() - begun > TimeUnit.SECONDS.toNanos(PATIENCE_SECONDS)) {
                throw new AssertionError(otherwise);
            }
            LockSupport.parkNanos(BETWEEN_NANOS);
        }
    }
}
