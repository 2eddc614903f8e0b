package taxon.app.printing;

import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import taxon.app.printing.PrintTask.State;
import taxon.app.printing.PrintTask.Work;

/** All that is printed, a few at a time; files are there until so many came after them that they are given up. */
@Component
public class PrintTasks {
    private static final Logger LOG = LoggerFactory.getLogger(PrintTasks.class);
    private static final int AT_ONCE = 2;
    private static final int MOST_WAITING = 50;
    private static final int MOST_FILES = 30;
    private static final long MOST_BYTES = 96L << 20;

    /** What is drawn within that time is there before its page is. */
    private static final long PATIENCE_MILLIS = 700;

    private final Map<Integer, PrintTask> tasks = new LinkedHashMap<>();
    private int last;
    private final ExecutorService workers = Executors.newFixedThreadPool(AT_ONCE, work -> {
        Thread thread = new Thread(work, "printing");
        thread.setDaemon(true);
        return thread;
    });

    /** So much waits to be printed that no more is taken. */
    public static final class TooManyException extends RuntimeException {
        private static final long serialVersionUID = 1L;

        TooManyException() {
            super(MOST_WAITING + " things wait to be printed. Wait for them, or stop some.");
        }
    }

    /**
     * Draws something in the background; what is short is done when this returns.
     *
     * @throws TooManyException when too much waits already
     */
    public PrintTask start(int job, String title, String fileName, Work work) {
        PrintTask task = taken(job, title, fileName);
        workers.execute(() -> run(task, work));
        try {
            task.await(PATIENCE_MILLIS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return task;
    }

    private synchronized PrintTask taken(int job, String title, String fileName) {
        if (tasks.values().stream().filter(PrintTask::isUnderWay).count() >= MOST_WAITING) {
            throw new TooManyException();
        }
        PrintTask task = new PrintTask(++last, job, title, fileName);
        tasks.put(task.id(), task);
        return task;
    }

    private void run(PrintTask task, Work work) {
        if (!task.begin()) {
            return;
        }
        try {
            task.ready(work.draw(task));
        } catch (CancellationException stopped) {
            task.end(State.STOPPED, "");
        } catch (RuntimeException | OutOfMemoryError e) {
            LOG.error("{} could not be printed", task.title(), e);
            task.end(State.FAILED, e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage());
        }
        giveUpOldOnes();
    }

    private synchronized void giveUpOldOnes() {
        List<PrintTask> over = new ArrayList<>(
                tasks.values().stream().filter(t -> !t.isUnderWay()).toList());
        long bytes = over.stream().mapToLong(PrintTask::size).sum();
        while (over.size() > 1 && (over.size() > MOST_FILES || bytes > MOST_BYTES)) {
            PrintTask old = over.remove(0);
            bytes -= old.size();
            tasks.remove(old.id());
        }
    }

    /** What is printed of a job under that number; empty where its file was given up. */
    public synchronized Optional<PrintTask> find(int job, int id) {
        return Optional.ofNullable(tasks.get(id)).filter(t -> t.job() == job);
    }

    /** Stops it. @return false where it is over already */
    boolean stop(PrintTask task) {
        return task.stop();
    }

    @PreDestroy
    void end() {
        workers.shutdownNow();
    }
}
