package taxon.app.edit;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Optional;

/** The newest states of the jobs that were used last, bounded by what they weigh; what is not kept is loaded again. */
final class JobCache {
    /** In elements of plans: one rig of a hundred thousand fixtures, a score of ten thousand, or thousands of usual ones. */
    static final int MOST_ELEMENTS = 400_000;

    private static final int OF_A_JOB = 200;

    private final Cache<Integer, JobState> newest;

    JobCache(int mostElements) {
        newest = Caffeine.newBuilder()
                .maximumWeight(mostElements)
                .weigher((Integer job, JobState state) ->
                        OF_A_JOB + state.plan().elements().size())
                .executor(Runnable::run)
                .build();
    }

    Optional<JobState> find(int job) {
        return Optional.ofNullable(newest.getIfPresent(job));
    }

    void keep(JobState state) {
        newest.put(state.job(), state);
    }
}
