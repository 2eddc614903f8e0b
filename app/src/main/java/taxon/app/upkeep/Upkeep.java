package taxon.app.upkeep;

import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import taxon.app.TaxonSettings;
import taxon.app.edit.DamagedJobException;
import taxon.app.edit.JobEditor;
import taxon.app.store.SummaryStore;
import taxon.app.store.UpkeepStore;
import taxon.app.store.UpkeepStore.Cleared;

/** What is done without being asked: when Taxon starts and then every hour, on a thread of its own. */
@Component
class Upkeep implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(Upkeep.class);

    private final TaxonSettings settings;
    private final WholeCheck check;
    private final SummaryStore summaries;
    private final JobEditor editor;
    private final UpkeepStore store;
    private final Backups backups;
    private final ScheduledExecutorService thread = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "upkeep");
        thread.setDaemon(true);
        return thread;
    });

    private volatile Optional<ScheduledFuture<?>> hourly = Optional.empty();

    Upkeep(
            TaxonSettings settings,
            WholeCheck check,
            SummaryStore summaries,
            JobEditor editor,
            UpkeepStore store,
            Backups backups) {
        this.settings = settings;
        this.check = check;
        this.summaries = summaries;
        this.editor = editor;
        this.store = store;
        this.backups = backups;
    }

    @EventListener
    void begin(ApplicationReadyEvent ready) {
        thread.execute(() -> safely(check::lookQuickly));
        thread.execute(() -> safely(this::count));
        if (settings.upkeep()) {
            hourly = Optional.of(thread.scheduleWithFixedDelay(() -> safely(this::hourly), 0, 1, TimeUnit.HOURS));
        }
    }

    /** Runs the whole check in the background. */
    void checkAll() {
        thread.execute(() -> safely(check::checkAll));
    }

    private void hourly() {
        Cleared cleared = store.clear();
        if (!cleared.isNothing()) {
            LOG.info(
                    "Taken out of the store: {} ended and {} forgotten proposals, {} bundles",
                    cleared.ended(),
                    cleared.forgotten(),
                    cleared.bundles());
        }
        if (!summaries.all().isEmpty()) {
            backups.makeIfDue();
        }
    }

    /** Jobs that an older Taxon kept, or made last, have no counts yet. */
    private void count() {
        summaries.all().stream().filter(s -> s.counts().isEmpty()).forEach(s -> count(s.job()));
    }

    private void count(int job) {
        try {
            editor.count(job);
        } catch (DamagedJobException damaged) {
            LOG.warn("{}", damaged.getMessage(), damaged);
        }
    }

    /** What fails here is told and tried again in an hour; it must not end the schedule. */
    private static void safely(Runnable work) {
        try {
            work.run();
        } catch (RuntimeException e) {
            LOG.warn("Upkeep failed: {}", e.getMessage(), e);
        }
    }

    @Override
    public void destroy() throws InterruptedException {
        hourly.ifPresent(h -> h.cancel(false));
        thread.shutdownNow();
        thread.awaitTermination(10, TimeUnit.SECONDS);
    }
}
