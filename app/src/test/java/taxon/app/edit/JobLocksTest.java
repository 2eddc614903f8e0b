package taxon.app.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;

class JobLocksTest {
    private final JobLocks locks = new JobLocks();

    @Test
    void workOfOneJobIsDoneOneAfterTheOtherAndNothingIsKeptAfterwards() throws Exception {
        int[] count = new int[1];
        ExecutorService many = Executors.newFixedThreadPool(8);
        try {
            List<Future<Integer>> all = new ArrayList<>();
            for (int i = 0; i < 2000; i++) {
                all.add(many.submit(() -> locks.alone(7, () -> count[0]++)));
            }
            for (Future<Integer> one : all) {
                one.get();
            }
        } finally {
            many.shutdownNow();
        }
        assertThat(count[0]).isEqualTo(2000);
        assertThat(locks.size()).isZero();
    }

    @Test
    void whoHoldsAJobMayEnterItAgainAndAFailureLetsItGo() {
        assertThat(locks.<Integer>alone(1, () -> locks.alone(1, locks::size))).isEqualTo(1);
        assertThatThrownBy(() -> locks.alone(1, () -> {
                    throw new IllegalStateException("fails");
                }))
                .hasMessage("fails");
        assertThat(locks.size()).isZero();
    }
}
