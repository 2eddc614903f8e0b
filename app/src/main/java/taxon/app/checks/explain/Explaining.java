package taxon.app.checks.explain;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Service;
import taxon.app.edit.JobState;

/** Explains in the background, and keeps the last answers: what is asked again of the same plan is not computed again. */
@Service
class Explaining implements DisposableBean {
    private static final int MOST_KEPT = 40;
    private static final int AT_ONCE = 2;
    /** What is done within that time is there before its page is. */
    private static final long PATIENCE_MILLIS = 200;

    private final ExecutorService workers = Executors.newFixedThreadPool(AT_ONCE, work -> {
        Thread thread = new Thread(work, "explaining");
        thread.setDaemon(true);
        return thread;
    });
    private final Map<Question, CompletableFuture<Explained>> answers = new LinkedHashMap<>();

    private record Question(int job, long version, String text) {}

    /**
     * What explains it; empty while it is still computed.
     *
     * @throws CompletionException when it could not be computed
     */
    Optional<Explained> of(JobState state, String text) {
        try {
            return Optional.of(begun(state, text).get(PATIENCE_MILLIS, TimeUnit.MILLISECONDS));
        } catch (TimeoutException stillComputed) {
            return Optional.empty();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        } catch (java.util.concurrent.ExecutionException e) {
            throw new CompletionException(e.getCause());
        }
    }

    private synchronized CompletableFuture<Explained> begun(JobState state, String text) {
        answers.keySet().removeIf(q -> q.job() == state.job() && q.version() != state.version());
        while (answers.size() > MOST_KEPT) {
            answers.remove(answers.keySet().iterator().next());
        }
        return answers.computeIfAbsent(
                new Question(state.job(), state.version(), text),
                q -> CompletableFuture.supplyAsync(() -> Explained.of(state.plan(), text), workers));
    }

    @Override
    public void destroy() {
        workers.shutdownNow();
    }
}
