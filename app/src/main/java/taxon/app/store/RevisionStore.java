package taxon.app.store;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Repository;
import taxon.app.store.RevisionMapper.ContentRow;
import taxon.app.store.RevisionMapper.RevisionRow;
import taxon.core.rig.Plan;
import taxon.formats.json.JobJson;

/** Frozen revisions, each with the whole job as it was, and the bundle that is handed over. */
@Repository
public class RevisionStore {
    private final RevisionMapper rows;
    private final JournalStore journal;
    private final Clock clock;

    RevisionStore(RevisionMapper rows, JournalStore journal, Clock clock) {
        this.rows = rows;
        this.journal = journal;
        this.clock = clock;
    }

    /** The number that the next revision gets, from 1. */
    public int nextNumber(int job) {
        return rows.latest(job).map(r -> r.number() + 1).orElse(1);
    }

    /**
     * Keeps a revision of a job at a version. Call inside a transaction.
     *
     * @param document the whole job as JSON
     * @param said what was said of it at its hand-over, as JSON
     */
    public void add(int job, long version, Revision revision, String document, String said) {
        rows.add(
                job,
                revision.number(),
                revision.note(),
                revision.who(),
                revision.frozenAt().toString(),
                journal.lastDoneId(job),
                version,
                document,
                said);
    }

    /** The newest first. */
    public List<Revision> all(int job) {
        return rows.all(job).stream().map(RevisionStore::revision).toList();
    }

    /** The newest revision, where it was frozen at this version. */
    public Optional<Revision> frozenAt(int job, long version) {
        return rows.latest(job).filter(r -> r.version() == version).map(RevisionStore::revision);
    }

    public Optional<Revision> find(int job, String letters) {
        return all(job).stream().filter(r -> r.letters().equals(letters)).findFirst();
    }

    /** The whole job as it was frozen, as JSON. */
    public String document(int job, Revision revision) {
        return rows.content(job, revision.number()).map(ContentRow::document).orElseThrow();
    }

    /** The job as it was frozen. */
    public Plan plan(int job, Revision revision) {
        return JobJson.kept(document(job, revision));
    }

    /** What is handed over with a revision, a ZIP; empty until it was first asked for. */
    public Optional<byte[]> bundle(int job, Revision revision) {
        return rows.content(job, revision.number()).flatMap(r -> Optional.ofNullable(r.bundle()));
    }

    /** Keeps the bundle, so that it is the same bytes whenever it is asked for. The first one stays. */
    public void keepBundle(int job, Revision revision, byte[] bundle) {
        rows.keep(job, revision.number(), bundle, clock.instant().toString());
    }

    /** What was said of the job when it was frozen; empty for one of before that was kept. */
    public String said(int job, Revision revision) {
        return rows.said(job, revision.number()).orElse("");
    }

    /** The version of the job that was frozen as a revision. */
    public long version(int job, Revision revision) {
        return rows.versionOf(job, revision.number()).orElseThrow();
    }

    /** Where a job stands against its newest revision. */
    public RevisionState state(int job) {
        Optional<RevisionRow> latest = rows.latest(job);
        return new RevisionState(
                latest.map(RevisionStore::revision),
                latest.map(r -> journal.editsSince(job, r.journalId(), r.version()))
                        .orElseGet(() -> journal.editsSince(job, 0, 0)));
    }

    private static Revision revision(RevisionRow row) {
        return new Revision(row.number(), row.note(), row.who(), Instant.parse(row.frozenAt()));
    }
}
