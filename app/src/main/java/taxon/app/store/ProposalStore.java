package taxon.app.store;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.support.TransactionTemplate;
import taxon.app.store.file.TemporaryFile;

/**
 * Requests for proposals of every kind, some with a file that was given. A proposal is computed again from its request: the
 * same plan gives the same proposal.
 */
@Repository
public class ProposalStore {
    private static final int PART = 1 << 20;

    private final ProposalMapper rows;
    private final TransactionTemplate transaction;
    private final Clock clock;

    ProposalStore(ProposalMapper rows, TransactionTemplate transaction, Clock clock) {
        this.rows = rows;
        this.transaction = transaction;
        this.clock = clock;
    }

    /**
     * A file as it was given.
     *
     * @param content there until it is kept
     */
    public record GivenFile(String name, Path content) {}

    /**
     * A stored request.
     *
     * @param baseVersion the job's version that it was made on
     * @param fileName of the file that came with it; empty where none did
     */
    public record StoredProposal(int id, long baseVersion, Progress state, String request, String fileName) {}

    /** Keeps one and gives its number. */
    public int add(int job, long baseVersion, String request) {
        return add(job, baseVersion, request, Progress.OPEN, Optional.empty());
    }

    /**
     * Keeps one with its file and gives its number. The file goes in part by part, so that nobody else waits for long; until the
     * last is there the proposal counts as dropped, as what is left of it does after a crash.
     *
     * @throws UncheckedIOException when the file cannot be read
     */
    public int add(int job, long baseVersion, String request, GivenFile file) {
        int id = add(job, baseVersion, request, Progress.DROPPED, Optional.of(file.name()));
        try (InputStream content = Files.newInputStream(file.content())) {
            int number = 1;
            for (byte[] part = content.readNBytes(PART);
                    part.length > 0 || number == 1;
                    part = content.readNBytes(PART)) {
                rows.addPart(id, number++, part);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("the file " + file.name() + " cannot be read again", e);
        }
        transaction.executeWithoutResult(status -> {
            rows.complete(id);
            rows.open(id);
        });
        return id;
    }

    private int add(int job, long baseVersion, String request, Progress state, Optional<String> file) {
        String now = clock.instant().toString();
        String ended = state == Progress.OPEN ? null : now;
        return Objects.requireNonNull(transaction.execute(status -> {
            int id = rows.nextId();
            rows.add(id, job, baseVersion, state.name(), request, now, ended);
            file.ifPresent(f -> rows.addFile(id, f));
            return id;
        }));
    }

    public Optional<StoredProposal> find(int job, int id) {
        return rows.find(job, id).map(ProposalStore::stored);
    }

    /** Those of a kind that nothing was done with yet, the oldest first. */
    public List<StoredProposal> open(int job, String kind) {
        return rows.inState(job, Progress.OPEN.name(), kind).stream()
                .map(ProposalStore::stored)
                .toList();
    }

    /** The newest of a kind that a file came with, in whatever state. */
    public Optional<StoredProposal> newestFile(int job, String kind) {
        return rows.newestFile(job, kind).map(ProposalStore::stored);
    }

    private static StoredProposal stored(ProposalMapper.ProposalRow row) {
        return new StoredProposal(
                row.id(), row.baseVersion(), Progress.valueOf(row.state()), row.request(), row.fileName());
    }

    /**
     * What the file that came with one is to a reader, which gets it as a file that is gone afterwards; empty when none came.
     *
     * @throws UncheckedIOException when there is no room for it
     */
    public <T> Optional<T> file(int id, Function<Path, T> reader) {
        int parts = rows.parts(id);
        return parts == 0 ? Optional.empty() : Optional.of(TemporaryFile.read(out -> write(id, parts, out), reader));
    }

    private void write(int id, int parts, OutputStream out) throws IOException {
        for (int number = 1; number <= parts; number++) {
            out.write(rows.part(id, number)
                    .orElseThrow(() -> new NoSuchElementException("part of the file of proposal " + id))
                    .content());
        }
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
