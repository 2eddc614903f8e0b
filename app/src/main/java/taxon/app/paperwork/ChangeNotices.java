package taxon.app.paperwork;

import java.time.ZoneOffset;
import java.util.Optional;
import org.springframework.stereotype.Component;
import taxon.app.edit.JobState;
import taxon.app.form.NotThereException;
import taxon.app.paperwork.PaperAsked.Compared;
import taxon.app.store.Revision;
import taxon.app.store.RevisionStore;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperKind;
import taxon.core.rig.Plan;

/** Change notices: since a revision, or from one to another. */
@Component
public class ChangeNotices {
    private final RevisionStore revisions;

    ChangeNotices(RevisionStore revisions) {
        this.revisions = revisions;
    }

    /**
     * What is planned otherwise than in a revision; in the newest one where none is asked for.
     *
     * @param today the day of a notice of how it is now
     * @throws NotThereException when a revision is not there, or is not the older of two
     */
    Sheet of(JobState now, PaperAsked asked, String today) {
        int job = now.job();
        Compared compared = asked.compared();
        Optional<Revision> until = compared.until().map(l -> find(job, l));
        Optional<Revision> since = compared.since().isPresent()
                ? compared.since().map(l -> find(job, l))
                : until.isPresent()
                        ? before(job, until.get())
                        : revisions.state(job).latest();
        if (until.isEmpty()) {
            PaperChoice choice = since.map(
                            r -> asked.choice().since(revisions.plan(job, r), "since revision " + r.letters()))
                    .orElseGet(asked::choice);
            return Sheet.of(
                    now.plan(), PaperKind.CHANGES, choice, revisions.state(job).words(), today);
        }
        return between(job, since, until.get(), revisions.plan(job, until.get()), asked.choice());
    }

    /** What a revision changed against the one before it; the first one against none. */
    public Sheet of(int job, Revision revision, Plan plan) {
        return between(job, before(job, revision), revision, plan, PaperChoice.ALL);
    }

    private Sheet between(int job, Optional<Revision> since, Revision until, Plan plan, PaperChoice choice) {
        since.filter(s -> s.number() >= until.number()).ifPresent(s -> {
            throw new NotThereException("change from revision " + s.letters() + " to revision " + until.letters()
                    + " (the first is the older one)");
        });
        PaperChoice compared = since.map(s -> choice.since(
                        revisions.plan(job, s), "from revision " + s.letters() + " to revision " + until.letters()))
                .orElse(choice);
        return Sheet.of(
                plan,
                PaperKind.CHANGES,
                compared,
                "Revision " + until.letters(),
                until.frozenAt().atOffset(ZoneOffset.UTC).toLocalDate().toString());
    }

    private Revision find(int job, String letters) {
        return revisions.find(job, letters).orElseThrow(() -> new NotThereException("revision " + letters));
    }

    private Optional<Revision> before(int job, Revision revision) {
        return revision.number() == 1
                ? Optional.empty()
                : Optional.of(find(job, Revision.letters(revision.number() - 1)));
    }
}
