package taxon.app.upkeep;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.stereotype.Service;
import taxon.app.edit.DamagedJobException;
import taxon.app.edit.JobEditor;
import taxon.app.store.JobStore;
import taxon.app.store.UpkeepStore;
import taxon.app.store.copies.StoreCopy;
import taxon.app.store.file.StoreFile;

/** Checks of the store: a first look when Taxon starts, and the whole of it, every page and every job, when asked. */
@Service
class WholeCheck {
    private final StoreFile file;
    private final UpkeepStore upkeep;
    private final JobStore jobs;
    private final JobEditor editor;
    private final Clock clock;
    private final AtomicBoolean running = new AtomicBoolean();
    private volatile Result result = new Result(false, Instant.EPOCH, List.of());

    WholeCheck(StoreFile file, UpkeepStore upkeep, JobStore jobs, JobEditor editor, Clock clock) {
        this.file = file;
        this.upkeep = upkeep;
        this.jobs = jobs;
        this.editor = editor;
        this.clock = clock;
    }

    /**
     * What was found last.
     *
     * @param whole false for the first look
     * @param at the epoch where nothing was looked at yet
     * @param faults a line each; empty when nothing was found
     */
    record Result(boolean whole, Instant at, List<String> faults) {
        boolean isDone() {
            return at.isAfter(Instant.EPOCH);
        }
    }

    Result result() {
        return result;
    }

    boolean isRunning() {
        return running.get();
    }

    void lookQuickly() {
        result = new Result(false, clock.instant(), upkeep.quickCheck());
    }

    /** Checks everything; does nothing when that is under way. */
    void checkAll() {
        if (!running.compareAndSet(false, true)) {
            return;
        }
        try {
            List<String> faults = new ArrayList<>(StoreCopy.faults(file));
            for (int job : jobs.ids()) {
                check(job, faults);
            }
            result = new Result(true, clock.instant(), List.copyOf(faults));
        } finally {
            running.set(false);
        }
    }

    private void check(int job, List<String> faults) {
        try {
            editor.check(job);
        } catch (DamagedJobException damaged) {
            faults.add(String.valueOf(damaged.getMessage()));
        }
    }
}
