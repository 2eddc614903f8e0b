package taxon.app.paperwork;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Service;
import taxon.app.edit.JobState;
import taxon.app.store.JobStore;
import taxon.app.store.PrintStore;
import taxon.app.store.PrintStore.Kept;
import taxon.app.store.PrintStore.Print;
import taxon.app.store.PrintStore.Which;
import taxon.app.store.RevisionStore;
import taxon.core.paper.PaperChanges;
import taxon.core.paper.PaperCode;

/** Papers that went out, and whether each of them is still true. */
@Service
public class PrintedPapers {
    private static final Logger LOG = LoggerFactory.getLogger(PrintedPapers.class);

    private final PrintStore prints;
    private final JobStore jobs;
    private final RevisionStore revisions;
    private final Clock clock;

    PrintedPapers(PrintStore prints, JobStore jobs, RevisionStore revisions, Clock clock) {
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
        return Sheet.of(
                state.plan(),
                which.kind(),
                PaperAsked.read(which.query()).choice(),
                revisions.state(which.job()).words(),
                LocalDate.now(clock).toString());
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

    PaperChanges changes(JobState state, Kept kept) {
        return PaperChanges.between(
                kept.which().kind(), kept.text(), now(state, kept.which()).text());
    }

    /** What is out of a job; what no longer is true comes first. */
    List<Out> out(JobState state, int job) {
        return prints.out(job).stream()
                .flatMap(print -> prints.find(print.code()).stream()
                        .map(kept -> new Out(print, kept.text().title(), changes(state, kept))))
                .sorted((a, b) -> Boolean.compare(a.isTrue(), b.isTrue()))
                .toList();
    }
}
