package taxon.app.paperwork;

import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/** Drawing a long paper takes a core and much memory: one is drawn at a time, in the order in which they were asked for. */
@Component
class PrintQueue {
    private static final long PATIENCE_SECONDS = 120;

    private final Semaphore turn = new Semaphore(1, true);

    /** Papers are asked for faster than they are drawn. */
    static final class FullException extends RuntimeException {
        private static final long serialVersionUID = 1L;

        FullException() {
            super("Other papers are being drawn, and this one waited for two minutes. Ask for it again.");
        }
    }

    /**
     * Draws in turn.
     *
     * @throws FullException when the turn did not come within two minutes
     */
    <T> T inTurn(Supplier<T> drawing) {
        if (!hasTurn()) {
            throw new FullException();
        }
        try {
            return drawing.get();
        } finally {
            turn.release();
        }
    }

    private boolean hasTurn() {
        try {
            return turn.tryAcquire(PATIENCE_SECONDS, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }
}
