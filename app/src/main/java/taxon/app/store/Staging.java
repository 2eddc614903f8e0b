package taxon.app.store;

import jakarta.annotation.PostConstruct;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import taxon.core.rig.Fixture;

/**
 * Where the fixtures of a long edit are written before it, a few at a time: each piece holds the store up for a moment only, and so
 * does the edit, which takes them over in three statements.
 */
@Component
class Staging {
    private static final Logger LOG = LoggerFactory.getLogger(Staging.class);
    private static final int AT_ONCE = 2_000;
    /** Whoever waits for the store looks for it again and again, and would not find the moment between two pieces. */
    private static final long PAUSE_NANOS = 10_000_000;

    private final StagingMapper rows;
    private final AtomicInteger batches = new AtomicInteger();

    Staging(StagingMapper rows) {
        this.rows = rows;
    }

    /** What a crash left; no edit can be under way yet. */
    @PostConstruct
    void clear() {
        rows.unstageAllFixtures();
        rows.unstageAllAddresses();
    }

    /** True for so many that writing them at once would be noticed by others. */
    static boolean isWorth(List<Fixture> fixtures) {
        return fixtures.size() > AT_ONCE;
    }

    /** Stages fixtures now, for {@link PlanStore.Writing#rows} to take over. */
    PlanStore.Writing writing(int job, List<Fixture> fixtures) {
        int batch = batches.incrementAndGet();
        try {
            stage(batch, fixtures);
        } catch (DataAccessException e) {
            unstage(batch);
            throw e;
        }
        int count = fixtures.size();
        return new PlanStore.Writing(() -> take(job, batch, count), () -> unstage(batch));
    }

    private void stage(int batch, List<Fixture> fixtures) {
        for (int from = 0; from < fixtures.size(); from += AT_ONCE) {
            FixtureBatch some = new FixtureBatch(fixtures.subList(from, Math.min(fixtures.size(), from + AT_ONCE)));
            rows.stageFixtures(batch, some.values());
            rows.stageAddresses(batch, some.addresses());
            LockSupport.parkNanos(PAUSE_NANOS);
        }
    }

    private void take(int job, int batch, int expected) {
        int taken = rows.takeFixtures(job, batch);
        if (taken != expected) {
            throw new IllegalStateException(taken + " of " + expected + " staged fixtures are there");
        }
        rows.dropAddresses(job, batch);
        rows.takeAddresses(job, batch);
    }

    /** Piece by piece, so that others come between. The edit is done or not by now; what stays here goes at the next start. */
    private void unstage(int batch) {
        try {
            int left = AT_ONCE;
            while (left > 0) {
                left = rows.unstageFixtures(batch, AT_ONCE) + rows.unstageAddresses(batch, AT_ONCE);
                LockSupport.parkNanos(PAUSE_NANOS);
            }
        } catch (DataAccessException e) {
            LOG.warn("Staged rows of batch {} stay until the next start", batch, e);
        }
    }
}
