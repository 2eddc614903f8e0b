package taxon.app.store;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.stereotype.Repository;
import taxon.formats.json.Json;

/** Jobs by number and version. */
@Repository
public class JobStore {
    private final JobMapper jobs;
    private final Clock clock;

    JobStore(JobMapper jobs, Clock clock) {
        this.jobs = jobs;
        this.clock = clock;
    }

    public List<Integer> ids() {
        return jobs.ids();
    }

    /** Makes an empty job at version 0 and gives its number. Call inside a transaction. */
    public int make(String name) {
        int id = jobs.nextId();
        jobs.make(id, name, clock.instant().toString());
        return id;
    }

    /** The version that a job has in the store; empty when there is no such job. */
    public Optional<Long> version(int job) {
        return jobs.version(job);
    }

    /** True when a paper of the job was given out at some time. */
    public boolean isPrinted(int job) {
        return jobs.printedAt(job).isPresent();
    }

    /** Remembers that a paper of the job was given out. */
    public void markPrinted(int job) {
        if (!isPrinted(job)) {
            jobs.markPrinted(job, clock.instant().toString());
        }
    }

    /** Puts a job somewhere else in the list. */
    public void stand(int job, JobPlace place) {
        jobs.stand(job, Json.slug(place));
    }

    /** Where a job stands. */
    public JobPlace place(int job) {
        return Json.constant(JobPlace.class, jobs.place(job).orElse("in-use"));
    }

    /**
     * Moves a job from one version to the next.
     *
     * @throws OptimisticLockingFailureException when the job is not at that version
     */
    public void advance(int job, long from, long to) {
        if (jobs.advance(job, from, to) != 1) {
            throw new OptimisticLockingFailureException("job " + job + " is no longer at version " + from);
        }
    }
}
