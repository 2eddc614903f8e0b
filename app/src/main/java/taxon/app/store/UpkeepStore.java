package taxon.app.store;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.support.TransactionTemplate;
import taxon.app.store.RevisionMapper.RevisionRow;

/**
 * What goes out of the store again, and when: ended proposals with their files, proposals that nobody came back to, and
 * bundles, which are made anew when they are asked for. The history of a job goes only when someone asks for it.
 */
@Repository
public class UpkeepStore {
    /** How long a proposal stays that was applied or dropped. */
    public static final Duration ENDED_STAY = Duration.ofDays(7);
    /** How long a proposal stays that was left open. */
    public static final Duration OPEN_STAY = Duration.ofDays(60);
    /** How long a bundle stays after it was made. */
    public static final Duration BUNDLES_STAY = Duration.ofDays(30);

    private final UpkeepMapper rows;
    private final RevisionMapper revisions;
    private final TransactionTemplate transaction;
    private final Clock clock;

    UpkeepStore(UpkeepMapper rows, RevisionMapper revisions, TransactionTemplate transaction, Clock clock) {
        this.rows = rows;
        this.revisions = revisions;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** What was taken out. */
    public record Cleared(int ended, int forgotten, int bundles) {
        public boolean isNothing() {
            return ended + forgotten + bundles == 0;
        }
    }

    /** What takes room, by the table that it belongs to. */
    public record Part(String name, long bytes) {}

    /**
     * How large the store is.
     *
     * @param bytes of its file
     * @param free of them, that are used again before the file grows
     */
    public record Size(long bytes, long free, List<Part> parts) {}

    /** What was taken out of a job's history: entries up to a version. */
    public record Thinned(long version, int entries, Instant at) {
        /** "3 entries up to version 3 were taken out on 2026-11-28." */
        public String words() {
            return entries + (entries == 1 ? " entry" : " entries") + " up to version " + version
                    + " were taken out on " + at.toString().substring(0, 10) + ".";
        }
    }

    /** Takes out what has stayed its time. */
    public Cleared clear() {
        Instant now = clock.instant();
        return Objects.requireNonNull(transaction.execute(status -> new Cleared(
                rows.dropEnded(now.minus(ENDED_STAY).toString()),
                rows.dropForgotten(now.minus(OPEN_STAY).toString()),
                rows.dropBundles(now.minus(BUNDLES_STAY).toString()))));
    }

    public Size size() {
        var pages = rows.pages();
        return new Size(
                pages.pages() * pages.size(),
                pages.free() * pages.size(),
                rows.sizes().stream().map(r -> new Part(r.name(), r.bytes())).toList());
    }

    /** What SQLite finds wrong at a first look, a line each; empty when it finds nothing. */
    public List<String> quickCheck() {
        return rows.quickCheck().stream().filter(line -> !line.equals("ok")).toList();
    }

    /** Writes the file anew without its free pages. */
    public void compact() {
        rows.vacuum();
    }

    /** How many entries of the history stand behind the newest revision, so that they could go. */
    public int thinnable(int job) {
        return revisions
                .latest(job)
                .map(r -> rows.thinnable(job, r.journalId(), r.version()))
                .orElse(0);
    }

    /**
     * Takes the history behind the newest revision out: what it did can be read no more, and not be undone. The plan, the
     * revisions and what can be done again stay.
     *
     * @return how many entries went
     */
    public int thin(int job) {
        return Objects.requireNonNull(transaction.execute(status -> {
            Optional<RevisionRow> revision = revisions.latest(job);
            int gone = revision.map(r -> rows.thin(job, r.journalId(), r.version()))
                    .orElse(0);
            if (gone > 0) {
                rows.thinned(
                        job,
                        revision.orElseThrow().version(),
                        gone,
                        clock.instant().toString());
            }
            return gone;
        }));
    }

    /** What went from a job's history; empty when it is whole. */
    public Optional<Thinned> thinned(int job) {
        return rows.findThinned(job)
                .flatMap(r -> Optional.ofNullable(r.thinnedAt())
                        .map(at -> new Thinned(r.thinnedTo(), r.thinnedEntries(), Instant.parse(at))));
    }
}
