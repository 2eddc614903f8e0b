package taxon.app.store;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Repository;
import taxon.core.rig.Plan;
import taxon.formats.json.JobJson;

/** Which jobs try something for which other, and what they were made from. */
@Repository
public class VariantStore {
    private final VariantMapper rows;
    private final Clock clock;

    VariantStore(VariantMapper rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /**
     * A variant.
     *
     * @param job that is the variant
     * @param of the job for which it tries something
     * @param base the plan of that job when it was made
     */
    public record Variant(int job, int of, Plan base, Instant madeAt) {}

    /** Remembers one. */
    public void add(int job, int of, Plan base) {
        rows.add(job, of, JobJson.print(base), clock.instant().toString());
    }

    /** Of what a job is a variant; empty where it is a job of its own. */
    public Optional<Variant> find(int job) {
        return rows.find(job)
                .map(r -> new Variant(r.jobId(), r.ofJob(), JobJson.kept(r.base()), Instant.parse(r.madeAt())));
    }

    /** The variants of a job that were not thrown away, the oldest first. */
    public List<Integer> of(int job) {
        return rows.of(job);
    }
}
