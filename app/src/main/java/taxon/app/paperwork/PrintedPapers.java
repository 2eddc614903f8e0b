package taxon.app.paperwork;

import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Service;
import taxon.app.edit.JobState;
import taxon.app.store.HandoverStore;
import taxon.app.store.JobStore;
import taxon.app.store.PrintStore;
import taxon.app.store.PrintStore.Kept;
import taxon.app.store.PrintStore.Print;
import taxon.app.store.PrintStore.Summed;
import taxon.app.store.PrintStore.Which;
import taxon.app.store.Revision;
import taxon.app.store.RevisionStore;
import taxon.core.paper.PaperChanges;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperCode;
import taxon.core.paper.PaperKind;
import taxon.core.paper.PaperText;
import taxon.core.paper.Piece;
import taxon.core.rig.Plan;

/** Papers that went out, and whether each of them is still true. */
@Service
public class PrintedPapers {
    private static final Logger LOG = LoggerFactory.getLogger(PrintedPapers.class);

    /**
     * How many are not true.
     *
     * @param marks another number each time that something is printed or taken back
     */
    private record Tally(long version, long marks, long untrue) {}

    private final Map<Integer, Tally> tallies = new ConcurrentHashMap<>();
    private final PrintStore prints;
    private final JobStore jobs;
    private final RevisionStore revisions;
    private final HandoverStore said;
    private final ChangeNotices notices;
    private final Clock clock;

    PrintedPapers(
            PrintStore prints,
            JobStore jobs,
            RevisionStore revisions,
            HandoverStore said,
            ChangeNotices notices,
            Clock clock) {
        this.said = said;
        this.notices = notices;
        this.prints = prints;
        this.jobs = jobs;
        this.revisions = revisions;
        this.clock = clock;
    }

    /** A paper that is out, held against what it would say now. */
    record Out(Print print, String title, PaperChanges changes) {
        public boolean isTrue() {
            return changes.isNone();
        }
    }

    /** The paper of a job as it is now. */
    Sheet now(JobState state, Which which) {
        PaperAsked asked = PaperAsked.read(which.query());
        String today = LocalDate.now(clock).toString();
        return which.kind() == PaperKind.CHANGES
                ? notices.of(state, asked, today)
                : Sheet.of(
                        state.plan(),
                        which.kind(),
                        asked.choice(),
                        revisions.state(which.job()).words() + said.words(which.job(), state.version()),
                        today);
    }

    /** Its code, under which its words are kept from now on. A store that cannot be written keeps nobody from the paper. */
    public PaperCode code(Which which, Sheet sheet) {
        try {
            return prints.code(which, sheet.text());
        } catch (DataAccessException e) {
            LOG.warn("What a paper of job {} says could not be kept", which.job(), e);
            return PaperCode.of(
                    which.job(),
                    which.kind().slug() + which.query(),
                    sheet.text().fingerprint(),
                    0);
        }
    }

    /** Notes that it was given out; the same words that are out already are the same paper. */
    void givenOut(Which which, PaperCode code, Sheet sheet, String who) {
        try {
            jobs.markPrinted(which.job());
            if (prints.out(which.job()).stream().noneMatch(p -> p.code().equals(code))) {
                prints.printed(which.job(), code, sheet.revision(), who);
            }
        } catch (DataAccessException e) {
            LOG.warn("That a paper of job {} was given out could not be kept", which.job(), e);
        }
    }

    /**
     * A label or card with its code.
     *
     * @param which by which it is found again
     */
    public record Coded(Piece piece, Which which, PaperCode code) {}

    private static Which which(int job, PaperKind kind, Piece piece) {
        return new Which(job, kind, "?piece=" + piece.key());
    }

    /** The code that a label or card will have; nothing is kept. */
    public PaperCode codeOf(int job, Plan plan, PaperKind kind, Piece piece) {
        return PaperCode.of(
                job,
                kind.slug() + which(job, kind, piece).query(),
                Sheet.textOf(piece.paper(), plan).fingerprint(),
                0);
    }

    /** The codes of labels or cards, under which their words are kept from now on, where the store can be written. */
    public List<Coded> coded(JobState state, PaperKind kind, List<Piece> pieces) {
        try {
            return prints.together(() -> pieces.stream()
                    .map(p -> {
                        Which which = which(state.job(), kind, p);
                        return new Coded(p, which, prints.code(which, Sheet.textOf(p.paper(), state.plan())));
                    })
                    .toList());
        } catch (DataAccessException e) {
            LOG.warn("What labels or cards of job {} say could not be kept", state.job(), e);
            return pieces.stream()
                    .map(p -> new Coded(p, which(state.job(), kind, p), codeOf(state.job(), state.plan(), kind, p)))
                    .toList();
        }
    }

    /** Notes that labels or cards were given out; of those whose words are out already nothing new is noted. */
    public void givenOut(int job, List<Coded> coded, String who) {
        try {
            jobs.markPrinted(job);
            Set<PaperCode> out = prints.out(job).stream().map(Print::code).collect(Collectors.toSet());
            String revision = revisions.state(job).words();
            prints.together(() -> {
                coded.stream()
                        .map(Coded::code)
                        .filter(c -> !out.contains(c))
                        .forEach(c -> prints.printed(job, c, revision, who));
                return true;
            });
        } catch (DataAccessException e) {
            LOG.warn("That labels or cards of job {} were given out could not be kept", job, e);
        }
    }

    /** The revisions with which a change notice may compare. */
    List<Revision> revisions(int job) {
        return revisions.all(job);
    }

    /** The papers that a job keeps by name. */
    List<PrintStore.Named> named(int job) {
        return prints.named(job);
    }

    PaperChanges changes(JobState state, Kept kept) {
        return PaperChanges.between(
                kept.which().kind(), kept.text(), now(state, kept.which()).text());
    }

    /** What is out of a job; what no longer is true comes first. */
    List<Out> out(JobState state, int job) {
        Now now = new Now(state);
        return prints.outWithSums(job).stream()
                .map(p -> held(p, now.text(p.print().which())))
                .sorted((a, b) -> Boolean.compare(a.isTrue(), b.isTrue()))
                .toList();
    }

    /** Its words are fetched only where they are others than now. */
    private Out held(Summed out, Text now) {
        PaperKind kind = out.print().which().kind();
        PaperText printed = out.fingerprint().equals(now.fingerprint())
                ? now.text()
                : prints.find(out.print().code()).orElseThrow().text();
        return new Out(out.print(), printed.title(), PaperChanges.between(kind, printed, now.text()));
    }

    /** A paper as it is now, with the sum of its words. */
    private record Text(PaperText text, String fingerprint) {
        static Text of(PaperText text) {
            return new Text(text, text.fingerprint());
        }
    }

    /** How many are out that no longer are true. The same question about the same state is answered at once. */
    public long untrue(JobState state, int job) {
        int papersOut = prints.count(job);
        if (papersOut == 0) {
            return 0;
        }
        Tally known = tallies.get(job);
        if (known == null || known.version() != state.version() || known.marks() != prints.marks(job)) {
            long marks = prints.marks(job);
            known = new Tally(
                    state.version(),
                    marks,
                    out(state, job).stream().filter(o -> !o.isTrue()).count());
            tallies.put(job, known);
        }
        return known.untrue();
    }

    /** The label and the card of a fixture that are out. */
    List<Out> outOf(JobState state, int job, String key) {
        Now now = new Now(state);
        return prints.outOf(job, "?piece=" + key).stream()
                .filter(p -> p.print().which().kind() == PaperKind.CARDS
                        || p.print().which().kind() == PaperKind.UNIT_LABELS)
                .map(p -> held(p, now.alone(p.print().which())))
                .toList();
    }

    /** What papers say now, each worked out once, and all labels of one kind together. */
    private final class Now {
        private final JobState state;
        private final Map<Which, Text> texts = new HashMap<>();
        private final Set<PaperKind> known = new HashSet<>();

        Now(JobState state) {
            this.state = state;
        }

        /** One alone, where it is only about that one. */
        Text alone(Which which) {
            return Text.of(now(state, which).text());
        }

        Text text(Which which) {
            if (which.query().startsWith("?piece=") && known.add(which.kind())) {
                Piece.of(state.plan(), which.kind(), PaperChoice.ALL)
                        .forEach(p -> texts.put(
                                which(which.job(), which.kind(), p), Text.of(Sheet.textOf(p.paper(), state.plan()))));
            }
            return texts.computeIfAbsent(which, this::alone);
        }
    }
}
