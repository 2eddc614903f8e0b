package taxon.app.edit;

import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Supplier;

/** A lock for each job that is being written; a job that nobody writes has none. */
final class JobLocks {
    private final Map<Integer, Shared> inUse = new ConcurrentHashMap<>();

    /** @param users who hold it or wait for it */
    private record Shared(ReentrantLock lock, int users) {}

    /** Runs work alone for its job; work for other jobs is not waited for. */
    <T> T alone(int job, Supplier<T> work) {
        ReentrantLock lock = enter(job);
        lock.lock();
        try {
            return work.get();
        } finally {
            lock.unlock();
            leave(job);
        }
    }

    private ReentrantLock enter(int job) {
        return inUse.merge(
                        job,
                        new Shared(new ReentrantLock(), 1),
                        (known, fresh) -> new Shared(known.lock(), known.users() + 1))
                .lock();
    }

    private void leave(int job) {
        inUse.compute(
                job,
                (j, shared) -> Optional.ofNullable(shared)
                        .filter(s -> s.users() > 1)
                        .map(s -> new Shared(s.lock(), s.users() - 1))
                        .orElse(null));
    }

    /** How many jobs are being written or waited for. */
    int size() {
        return inUse.size();
    }
}
