package taxon.app.store;

import java.time.Clock;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Requests for proposals of every kind, some with a file that was given. A proposal is computed again from its request: the
 * same plan gives the same proposal.
 */
@Repository
public class ProposalStore {
    private final ProposalMapper rows;
    private final TransactionTemplate transaction;
    private final Clock clock;

    ProposalStore(ProposalMapper rows, TransactionTemplate transaction, Clock clock) {
        this.rows = rows;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** A file as it was given, by its name. */
    public record GivenFile(String name, byte[] content) {}

    /**
     * A stored request.
     *
     * @param baseVersion the job's version that it was made on
     * @param fileName of the file that came with it; empty where none did
     */
    public record StoredProposal(int id, long baseVersion, Progress state, String request, String fileName) {}

    /** Keeps one and gives its number. */
    public int add(int job, long baseVersion, String request, Optional<GivenFile> file) {
        return Objects.requireNonNull(transaction.execute(status -> {
            int id = rows.nextId();
            rows.add(id, job, baseVersion, request, clock.instant().toString());
            file.ifPresent(f -> rows.addFile(id, f.name(), f.content()));
            return id;
        }));
    }

    public Optional<StoredProposal> find(int job, int id) {
        return rows.find(job, id).map(ProposalStore::stored);
    }

    /** The newest of a kind that a file came with, in whatever state. */
    public Optional<StoredProposal> newestFile(int job, String kind) {
        return rows.newestFile(job, kind).map(ProposalStore::stored);
    }

    private static StoredProposal stored(ProposalMapper.ProposalRow row) {
        return new StoredProposal(
                row.id(), row.baseVersion(), Progress.valueOf(row.state()), row.request(), row.fileName());
    }

    /** The file that came with one. */
    public Optional<byte[]> file(int id) {
        return rows.file(id).map(ProposalMapper.FileRow::content);
    }

    /** Asks for an open one with other choices; nothing happens to one that was ended. */
    public void choose(int job, int id, String request) {
        rows.choose(job, id, request);
    }

    /** Ends an open one; false when it was ended already, as by a form that is posted twice. */
    public boolean end(int job, int id, Progress state) {
        return rows.end(job, id, state.name(), clock.instant().toString()) == 1;
    }
}
