package taxon.app.edit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import taxon.core.library.Shop;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;

class JobCacheTest {
    private static final Plan EMPTY = Plan.empty(JobSheet.named("Small"));

    @Test
    void itHoldsAsManyJobsAsItsBoundAllows() {
        JobCache cache = new JobCache(10_000);
        IntStream.rangeClosed(1, 500).forEach(job -> cache.keep(JobState.of(job, 0, EMPTY, Shop.EMPTY)));
        long kept = IntStream.rangeClosed(1, 500)
                .filter(job -> cache.find(job).isPresent())
                .count();
        assertThat(kept).isBetween(1L, 50L);
    }

    @Test
    void aJobThatIsHeavierThanTheBoundIsNotKept() {
        JobCache cache = new JobCache(100);
        cache.keep(JobState.of(1, 0, EMPTY, Shop.EMPTY));
        assertThat(cache.find(1)).isEmpty();
    }
}
