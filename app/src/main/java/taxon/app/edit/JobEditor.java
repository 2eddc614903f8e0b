package taxon.app.edit;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Supplier;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import taxon.app.library.TypeLibrary;
import taxon.app.store.JobStore;
import taxon.app.store.JournalEntry;
import taxon.app.store.JournalEntry.Kind;
import taxon.app.store.JournalEntry.State;
import taxon.app.store.JournalStore;
import taxon.app.store.PlanStore;
import taxon.app.store.SummaryStore;
import taxon.app.store.SummaryStore.Counts;
import taxon.app.store.file.StoreTrouble;
import taxon.core.finding.PlanCheck;
import taxon.core.finding.Severity;
import taxon.core.library.Shop;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.Refusal;
import taxon.core.rig.edit.Edit;

/**
 * The one writer of jobs. Edits of one job are done one after the other, those of different jobs do not wait for each other;
 * readers see the newest state without waiting.
 *
 * <p>An edit that was acknowledged is on disk. One that fails half-way leaves no trace.
 */
@Service
public class JobEditor {
    private final PlanStore plans;
    private final JobStore jobs;
    private final JournalStore journal;
    private final SummaryStore summaries;
    private final TypeLibrary library;
    private final TransactionTemplate transaction;
    private final ApplicationEventPublisher news;
    private final JobCache newest = new JobCache(JobCache.MOST_ELEMENTS);
    private final JobLocks locks = new JobLocks();
    private final Set<Integer> damaged = ConcurrentHashMap.newKeySet();

    JobEditor(
            PlanStore plans,
            JobStore jobs,
            JournalStore journal,
            SummaryStore summaries,
            TypeLibrary library,
            TransactionTemplate transaction,
            ApplicationEventPublisher news) {
        this.plans = plans;
        this.jobs = jobs;
        this.journal = journal;
        this.summaries = summaries;
        this.library = library;
        this.transaction = transaction;
        this.news = news;
    }

    /** The newest state of a job; empty when there is no such job. */
    public Optional<JobState> find(int job) {
        Optional<JobState> current = newest.find(job).filter(s -> s.shop().equals(library.shop()));
        return current.isPresent() ? current : alone(job, () -> load(job));
    }

    /** Reads the job, or checks it anew where only the shelf or the doubts have changed. */
    private Optional<JobState> load(int job) {
        Shop shop = library.shop();
        Optional<JobState> loaded = newest.find(job)
                .map(s -> JobState.of(job, s.version(), s.plan(), shop))
                .or(() -> stored(job).map(s -> JobState.of(job, s.version(), s.plan(), shop)));
        loaded.ifPresent(newest::keep);
        return loaded;
    }

    private Optional<PlanStore.Stored> stored(int job) {
        try {
            Optional<PlanStore.Stored> found = plans.load(job);
            damaged.remove(job);
            return found;
        } catch (RuntimeException unreadable) {
            // A disk that is busy or gone says nothing about the job.
            if (StoreTrouble.behind(unreadable)
                    .filter(t -> t != StoreTrouble.DAMAGED)
                    .isPresent()) {
                throw unreadable;
            }
            damaged.add(job);
            throw new DamagedJobException(job, unreadable);
        }
    }

    /**
     * Reads a job from the store, whatever is known of it.
     *
     * @throws DamagedJobException when it cannot be read
     */
    public void check(int job) {
        alone(job, () -> stored(job));
    }

    /** True when the job could not be read when that was tried last. */
    public boolean isDamaged(int job) {
        return damaged.contains(job);
    }

    /** Makes a job that begins with this plan, and gives its number. */
    public int make(Plan plan) {
        PlanCheck check = PlanCheck.of(plan, library.shop());
        return Objects.requireNonNull(transaction.execute(status -> {
            int job = jobs.make(plan.sheet().name());
            plans.write(job, PlanDelta.between(Plan.empty(JobSheet.named("x")), plan));
            summaries.put(job, 0, counts(plan, check));
            return job;
        }));
    }

    /**
     * Does an edit of the plan, as one step of undo.
     *
     * @param madeOn the version of the job that was looked at
     */
    public EditOutcome apply(int job, long madeOn, Guard guard, String who, Edit edit) {
        return apply(job, madeOn, guard, Set.of(), who, edit, Kind.PLAN);
    }

    /**
     * Does an edit of single things by a hand that did others since it looked, as when several were typed while the server
     * was away.
     *
     * @param own the versions since {@code madeOn} that the same hand made: it knows of them, so they are no conflict
     */
    public EditOutcome apply(int job, long madeOn, Set<Long> own, String who, Edit edit) {
        return apply(job, madeOn, Guard.UNTOUCHED_ELEMENTS, own, who, edit, Kind.PLAN);
    }

    /** Ticks off what a person did on the rig. It adds to whatever is known, so it asks for no version; it can be undone. */
    public EditOutcome tick(int job, String who, Edit edit) {
        return alone(job, () -> apply(job, state(job).version(), Guard.UNCHANGED_JOB, Set.of(), who, edit, Kind.TICK));
    }

    /** Records what was learnt of real units. It adds to whatever is known, so it asks for no version. */
    public EditOutcome record(int job, String who, Edit edit) {
        return alone(
                job, () -> apply(job, state(job).version(), Guard.UNCHANGED_JOB, Set.of(), who, edit, Kind.EVIDENCE));
    }

    /** Applies what is computed from the very plan that it changes; it is computed only when the job is as it was. */
    public EditOutcome apply(int job, long madeOn, String who, Function<Plan, Edit> computed) {
        return alone(job, () -> {
            JobState now = state(job);
            return madeOn == now.version()
                    ? apply(job, madeOn, Guard.UNCHANGED_JOB, who, computed.apply(now.plan()))
                    : conflict(now, journal.since(job, madeOn));
        });
    }

    private EditOutcome apply(int job, long madeOn, Guard guard, Set<Long> own, String who, Edit edit, Kind kind) {
        return alone(job, () -> {
            JobState now = state(job);
            if (guard == Guard.UNCHANGED_JOB && madeOn != now.version()) {
                return conflict(now, journal.since(job, madeOn));
            }
            Edit.Outcome outcome = edit.applyTo(now.plan());
            if (outcome instanceof Edit.Refused refused) {
                return new EditOutcome.Refused(refused.reasons());
            }
            Plan after = ((Edit.Changed) outcome).plan();
            PlanDelta delta = PlanDelta.between(now.plan(), after);
            if (delta.isEmpty()) {
                return new EditOutcome.NoChange(now.version());
            }
            List<JournalEntry> since = ofOthers(job, madeOn, now.version(), own);
            if (!journal.reachesBack(job, madeOn)
                    || since.stream().anyMatch(e -> e.delta().meets(delta))) {
                return conflict(now, since);
            }
            long next = now.version() + 1;
            JobState then = commit(now, after, delta, journal.adding(job, next, edit.title(), who, kind, delta));
            news.publishEvent(new JobChanged(job, next, edit.title(), who));
            return new EditOutcome.Done(next, edit.title(), then.check().broughtSince(now.check()));
        });
    }

    private List<JournalEntry> ofOthers(int job, long madeOn, long now, Set<Long> own) {
        return madeOn == now
                ? List.of()
                : journal.since(job, madeOn).stream()
                        .filter(e -> !own.contains(e.version()))
                        .toList();
    }

    public EditOutcome undo(int job, long madeOn, String who) {
        return turn(job, madeOn, who, State.UNDONE);
    }

    public EditOutcome redo(int job, long madeOn, String who) {
        return turn(job, madeOn, who, State.DONE);
    }

    private EditOutcome turn(int job, long madeOn, String who, State to) {
        return alone(job, () -> {
            JobState now = state(job);
            if (madeOn != now.version()) {
                return conflict(now, journal.since(job, madeOn));
            }
            boolean undo = to == State.UNDONE;
            Optional<JournalEntry> found = undo ? journal.undoable(job) : journal.redoable(job);
            return found.map(e -> turn(now, e, who, undo))
                    .orElseGet(() -> new EditOutcome.NothingThere(undo ? "undo" : "do again"));
        });
    }

    private EditOutcome turn(JobState now, JournalEntry entry, String who, boolean undo) {
        PlanDelta way = undo ? entry.delta().turned() : entry.delta();
        Optional<Plan> turned = way.applyTo(now.plan());
        if (turned.isEmpty() && entry.kind() == Kind.TICK) {
            // It stands in nobody's way: what was done before it can still be undone.
            journal.turning(entry, State.ABANDONED, entry.version(), entry.delta())
                    .run();
            return new EditOutcome.Refused(List.of(new Refusal(
                    "tick",
                    entry.title(),
                    Refusal.Fault.OUTDATED,
                    "something newer is known of the unit; undo goes on with what was done before it")));
        }
        Plan after = turned.orElseThrow(
                () -> new IllegalStateException("the journal of job " + now.job() + " does not fit its plan"));
        // What else went with it, such as evidence of fixtures that undo takes away, comes back with it.
        PlanDelta done = PlanDelta.between(now.plan(), after);
        long next = now.version() + 1;
        State state = undo ? State.UNDONE : State.DONE;
        JobState then = commit(now, after, done, journal.turning(entry, state, next, undo ? done.turned() : done));
        String title = (undo ? "Undone: " : "Done again: ") + entry.title();
        news.publishEvent(new JobChanged(now.job(), next, title, who));
        return new EditOutcome.Done(next, title, then.check().broughtSince(now.check()));
    }

    private JobState commit(JobState now, Plan after, PlanDelta delta, Runnable journalEntry) {
        long next = now.version() + 1;
        JobState then = JobState.of(now.job(), next, after, library.shop());
        Counts counted = counts(after, then.check());
        PlanStore.Writing writing = plans.writing(now.job(), delta);
        try {
            write(now, next, writing.rows(), counted, journalEntry);
            newest.keep(then);
        } finally {
            writing.afterwards().run();
        }
        return then;
    }

    private void write(JobState now, long next, Runnable rows, Counts counted, Runnable journalEntry) {
        transaction.executeWithoutResult(status -> {
            jobs.advance(now.job(), now.version(), next);
            rows.run();
            summaries.put(now.job(), next, counted);
            journalEntry.run();
        });
    }

    /** Counts a job for the list of jobs, where that was not done when it was changed. */
    public void count(int job) {
        find(job).ifPresent(s -> summaries.put(job, s.version(), counts(s.plan(), s.check())));
    }

    private static Counts counts(Plan plan, PlanCheck check) {
        return new Counts(plan.fixtures().size(), Math.toIntExact(check.count(Severity.STOP)));
    }

    private static EditOutcome conflict(JobState now, List<JournalEntry> since) {
        return new EditOutcome.Conflict(now.version(), since);
    }

    private JobState state(int job) {
        return find(job).orElseThrow(() -> new NoSuchJobException(job));
    }

    /** Runs work alone for a job, after all other such work of that job; for a caller that reads it and then writes. */
    public <T> T alone(int job, Supplier<T> work) {
        return locks.alone(job, work);
    }
}
