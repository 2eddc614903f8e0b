package taxon.app.proposals;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import taxon.core.packing.Effort;

/**
 * What was computed for proposals and prices, so that looking, comparing and applying do not compute it anew. It is computed
 * in the background, several at once, and the last ones are kept; what is not kept any more is computed again when it is asked
 * for, and is the same then.
 */
@Component
public class ComputedProposals {
    private static final int MOST_KEPT = 96;
    private static final int WORKERS = 8;

    // More than there are processors: a short answer of one job does not wait for the long ones of others.
    private final ExecutorService workers = Executors.newFixedThreadPool(WORKERS, ComputedProposals::worker);
    private final Map<Question, Running<?>> kept = new LinkedHashMap<>(64, 0.75f, true);

    /**
     * What is asked.
     *
     * @param version of the job that it is asked of
     * @param words everything else that decides the answer
     */
    public record Question(int job, long version, String words) {}

    /** An answer that is there, or on its way. */
    public static final class Running<T> {
        private final Effort effort;
        private final CompletableFuture<T> answer;

        Running(Effort effort, CompletableFuture<T> answer) {
            this.effort = effort;
            this.answer = answer;
        }

        /** The answer if it is there within a time. */
        public Optional<T> within(Duration most) {
            try {
                return Optional.of(answer.get(most.toMillis(), TimeUnit.MILLISECONDS));
            } catch (TimeoutException notYet) {
                return Optional.empty();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return Optional.empty();
            } catch (ExecutionException e) {
                throw failed(e);
            }
        }

        /** The answer, however long it takes. */
        public T get() {
            try {
                return answer.join();
            } catch (CompletionException e) {
                throw failed(e);
            }
        }

        /** What went wrong where it was computed goes wrong for whoever asks. */
        private static RuntimeException failed(Exception e) {
            return e.getCause() instanceof RuntimeException known ? known : new IllegalStateException(e);
        }

        /** How much of what it may take is spent, in per cent. */
        public int percentSpent() {
            return effort.percentSpent();
        }

        /** Ends the search; the best that was found is the answer. */
        public void stop() {
            effort.stop();
        }
    }

    /** The answer to a question, begun now unless it is there or on its way. */
    @SuppressWarnings("unchecked")
    public <T> Running<T> of(Question key, Function<Effort, T> compute) {
        synchronized (kept) {
            Running<?> known = kept.get(key);
            if (known == null) {
                Effort effort = Effort.of(Effort.OF_A_REQUEST);
                known = new Running<>(effort, CompletableFuture.supplyAsync(() -> compute.apply(effort), workers));
                kept.put(key, known);
                dropOldest();
            }
            // A question names its kind, and each kind asks for one class of answers.
            return (Running<T>) known;
        }
    }

    /** What is made of an answer as soon as it is there; kept like an answer of its own, with the effort of the other. */
    @SuppressWarnings("unchecked")
    public <A, T> Running<T> derived(Question key, Running<A> from, Function<A, T> made) {
        synchronized (kept) {
            Running<?> known = kept.get(key);
            if (known == null) {
                known = new Running<>(from.effort, from.answer.thenApplyAsync(made, workers));
                kept.put(key, known);
                dropOldest();
            }
            return (Running<T>) known;
        }
    }

    private void dropOldest() {
        if (kept.size() > MOST_KEPT) {
            kept.remove(kept.keySet().iterator().next());
        }
    }

    private static Thread worker(Runnable work) {
        Thread thread = new Thread(work, "proposals");
        thread.setDaemon(true);
        return thread;
    }

    @PreDestroy
    void end() {
        workers.shutdownNow();
    }
}
