package taxon.app.store;

import java.time.Clock;
import java.util.Optional;
import org.springframework.stereotype.Repository;

/** Requests for proposals. A proposal is computed again from its request: the same plan gives the same proposal. */
@Repository
public class ProposalStore {
    private final ProposalMapper rows;
    private final Clock clock;

    ProposalStore(ProposalMapper rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /**
     * A stored request.
     *
     * @param baseVersion the job's version that it was made on
     */
    public record StoredProposal(int id, long baseVersion, Progress state, String request) {}

    public int add(int job, long baseVersion, String request) {
        int id = rows.nextId();
        rows.add(id, job, baseVersion, request, clock.instant().toString());
        return id;
    }

    public Optional<StoredProposal> find(int job, int id) {
        return rows.find(job, id)
                .map(r -> new StoredProposal(r.id(), r.baseVersion(), Progress.valueOf(r.state()), r.request()));
    }

    /** Ends an open one; false when it was ended already, as by a form that is posted twice. */
    public boolean end(int job, int id, Progress state) {
        return rows.end(job, id, state.name()) == 1;
    }
}
