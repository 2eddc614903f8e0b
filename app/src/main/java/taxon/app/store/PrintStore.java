package taxon.app.store;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.support.TransactionTemplate;
import taxon.app.store.PrintMapper.PaperRow;
import taxon.app.store.PrintMapper.SummedRow;
import taxon.core.paper.PaperCode;
import taxon.core.paper.PaperKind;
import taxon.core.paper.PaperText;
import taxon.formats.json.PaperJson;

/** What stands on the papers that were printed, by their codes, and which of them are out. */
@Repository
public class PrintStore {
    private static final int MOST_TURNS = 20;

    private final PrintMapper rows;
    private final TransactionTemplate transaction;
    private final Clock clock;

    PrintStore(PrintMapper rows, TransactionTemplate transaction, Clock clock) {
        this.rows = rows;
        this.transaction = transaction;
        this.clock = clock;
    }

    /**
     * Which paper of which job it is.
     *
     * @param query what it is limited to and how it is ordered, as in its address: "?position=2", or nothing
     */
    public record Which(int job, PaperKind kind, String query) {}

    /** What a code stands for. */
    public record Kept(PaperCode code, Which which, PaperText text) {}

    /**
     * A paper that is out.
     *
     * @param revision as it stands on it
     */
    public record Print(int id, PaperCode code, Which which, String revision, String who, Instant at) {}

    /** The code of a paper; what stands on it is kept under that code. The same words have the same code. */
    public PaperCode code(Which which, PaperText text) {
        return together(() -> codeFor(which, text));
    }

    private PaperCode codeFor(Which which, PaperText text) {
        String fingerprint = text.fingerprint();
        for (int turn = 0; turn < MOST_TURNS; turn++) {
            PaperCode code = PaperCode.of(which.job(), which.kind().slug() + which.query(), fingerprint, turn);
            Optional<PaperRow> there = rows.paper(code.letters());
            if (there.isEmpty()) {
                rows.keep(
                        code.letters(),
                        which.job(),
                        which.kind().slug(),
                        which.query(),
                        fingerprint,
                        packed(PaperJson.print(text)));
                return code;
            }
            if (which(there.get()).equals(which) && there.get().fingerprint().equals(fingerprint)) {
                return code;
            }
        }
        throw new IllegalStateException("no code is free for " + which);
    }

    /** Does several things as one, which costs as much as one. */
    public <T> T together(Supplier<T> work) {
        return Objects.requireNonNull(transaction.execute(status -> work.get()));
    }

    /**
     * A paper that is out.
     *
     * @param fingerprint of what stands on it
     */
    public record Summed(Print print, String fingerprint) {}

    /** What is out of a job with the sums of its words, the newest first. */
    public List<Summed> outWithSums(int job) {
        return outWithSums(rows.outWithSums(job), job);
    }

    private static List<Summed> outWithSums(List<SummedRow> found, int job) {
        return found.stream()
                .map(r -> new Summed(
                        new Print(
                                r.id(),
                                new PaperCode(r.code()),
                                new Which(job, kind(r.kind()), r.query()),
                                r.revision(),
                                r.who(),
                                Instant.parse(r.printedAt())),
                        r.fingerprint()))
                .toList();
    }

    /** What is out under that query, with the sums of its words. */
    public List<Summed> outOf(int job, String query) {
        return outWithSums(rows.outOf(job, query), job);
    }

    /** How many papers are out. */
    public int count(int job) {
        return rows.count(job);
    }

    /** Another number each time that something of a job is printed or taken back. */
    public long marks(int job) {
        return rows.marks(job);
    }

    /** A paper that a job keeps by name. */
    public record Named(String name, Which which) {}

    /** The papers that a job keeps by name, by their names. */
    public List<Named> named(int job) {
        return rows.keptPapers(job).stream()
                .map(r -> new Named(r.name(), new Which(job, kind(r.kind()), r.query())))
                .toList();
    }

    /** Keeps a paper by name, in the place of another one of that name. */
    public void name(String name, Which which) {
        rows.keepPaper(which.job(), name, which.kind().slug(), which.query());
    }

    /** Forgets a name. @return false where there was none */
    public boolean forget(int job, String name) {
        return rows.forgetPaper(job, name) > 0;
    }

    /** Notes that a paper went out. */
    public void printed(int job, PaperCode code, String revision, String who) {
        rows.printed(code.letters(), job, revision, who, clock.instant().toString());
    }

    /** What a code stands for; empty where no paper of this store has it. */
    public Optional<Kept> find(PaperCode code) {
        return rows.paper(code.letters()).map(r -> new Kept(code, which(r), PaperJson.read(unpacked(r.content()))));
    }

    /** What is out of a job, the newest first. */
    public List<Print> out(int job) {
        return rows.out(job).stream()
                .map(r -> new Print(
                        r.id(),
                        new PaperCode(r.code()),
                        new Which(job, kind(r.kind()), r.query()),
                        r.revision(),
                        r.who(),
                        Instant.parse(r.printedAt())))
                .toList();
    }

    /** Notes that a paper is gone from the rig. @return false where it was not out */
    public boolean takeBack(int job, int print) {
        return rows.takeBack(job, print, clock.instant().toString()) > 0;
    }

    private static Which which(PaperRow row) {
        return new Which(row.jobId(), kind(row.kind()), row.query());
    }

    private static PaperKind kind(String slug) {
        return PaperKind.of(slug).orElseThrow(() -> new IllegalStateException("no paper is called " + slug));
    }

    private static byte[] packed(byte[] content) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (GZIPOutputStream zip = new GZIPOutputStream(out)) {
            zip.write(content);
        } catch (IOException e) {
            throw new UncheckedIOException("bytes can always be packed in memory", e);
        }
        return out.toByteArray();
    }

    private static byte[] unpacked(byte[] content) {
        try (GZIPInputStream zip = new GZIPInputStream(new ByteArrayInputStream(content))) {
            return zip.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException("what was kept of a paper is damaged", e);
        }
    }
}
