package taxon.app.printing;

import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** One thing that is printed. Whoever draws it tells how far it is; whoever waits for it looks and may stop it. */
public final class PrintTask {
    private static final Logger LOG = LoggerFactory.getLogger(PrintTask.class);

    private final int id;
    private final int job;
    private final String title;
    private final String fileName;
    private int total = 1;
    private int done;
    private boolean isStopped;
    private State state = State.WAITING;
    private String failure = "";
    private byte[] content = {};
    private final CountDownLatch ended = new CountDownLatch(1);

    /** How it stands. */
    public enum State {
        WAITING,
        DRAWING,
        READY,
        STOPPED,
        FAILED
    }

    /** Draws it. */
    public interface Work {
        /** @throws CancellationException when it is stopped meanwhile */
        byte[] draw(PrintTask task);
    }

    PrintTask(int id, int job, String title, String fileName) {
        this.id = id;
        this.job = job;
        this.title = title;
        this.fileName = fileName;
    }

    public int id() {
        return id;
    }

    public int job() {
        return job;
    }

    /** What is printed, in words. */
    public String title() {
        return title;
    }

    /** What its file is called, with its ending. */
    public String fileName() {
        return fileName;
    }

    /** In how many steps it is drawn. */
    public synchronized void of(int steps) {
        total = Math.max(1, steps);
    }

    /**
     * One step is done.
     *
     * @throws CancellationException when somebody stopped it
     */
    public synchronized void step() {
        if (isStopped) {
            throw new CancellationException(title + " was stopped");
        }
        done = Math.min(total, done + 1);
    }

    /** How far it is, 0 to 100. */
    public synchronized int percent() {
        return 100 * done / total;
    }

    public synchronized State state() {
        return state;
    }

    /** True while it waits or is drawn. */
    public synchronized boolean isUnderWay() {
        return state == State.WAITING || state == State.DRAWING;
    }

    /** Why there is no file; empty where there is one, or none yet. */
    public synchronized String failure() {
        return failure;
    }

    /** The file, once it is drawn. */
    public synchronized Optional<byte[]> content() {
        return state == State.READY ? Optional.of(content) : Optional.empty();
    }

    synchronized int size() {
        return content.length;
    }

    /** Asks it to stop. @return false where it is over already */
    synchronized boolean stop() {
        boolean underWay = isUnderWay();
        isStopped = true;
        if (state == State.WAITING) {
            end(State.STOPPED, "");
        }
        return underWay;
    }

    /** @return false where it was stopped before it began */
    synchronized boolean begin() {
        if (isStopped) {
            return false;
        }
        state = State.DRAWING;
        return true;
    }

    synchronized void ready(byte[] drawn) {
        content = drawn;
        done = total;
        end(State.READY, "");
    }

    synchronized void end(State changed, String why) {
        state = changed;
        failure = why;
        ended.countDown();
    }

    /** Waits a little for its end. */
    void await(long millis) throws InterruptedException {
        if (!ended.await(millis, TimeUnit.MILLISECONDS)) {
            LOG.debug("{} goes on in the background", title);
        }
    }
}
