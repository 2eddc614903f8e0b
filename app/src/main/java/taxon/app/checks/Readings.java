package taxon.app.checks;

import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Service;
import taxon.app.TaxonSettings;
import taxon.app.cards.ChosenCard;
import taxon.app.cards.PluggedIn;
import taxon.app.checks.boxes.Allowed;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.edit.NoSuchJobException;
import taxon.core.boxcheck.SeenInterface;
import taxon.core.proof.FoundUnit;
import taxon.core.proof.ReadingEvidence;
import taxon.core.proof.RigComparison;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.JobEdits;
import taxon.core.text.Counted;
import taxon.wire.direct.DirectFrame;
import taxon.wire.direct.DirectLink;
import taxon.wire.link.CardLinks;

/**
 * Reads rigs in the background, one reading of a job at a time, so that a reading goes on when its page is closed. What was found is recorded
 * as evidence when it ends; one that is stopped records nothing.
 */
@Service
public class Readings implements DisposableBean {
    private static final System.Logger LOG = System.getLogger(Readings.class.getName());

    private final JobEditor editor;
    private final TaxonSettings settings;
    private final ChosenCard card;
    private final Clock clock;
    private final Optional<PluggedIn> pluggedIn;
    private final Map<Integer, ReadingState> states = new ConcurrentHashMap<>();
    private final Set<Integer> stopped = ConcurrentHashMap.newKeySet();
    private final ExecutorService worker = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "rig reading");
        thread.setDaemon(true);
        return thread;
    });

    Readings(JobEditor editor, TaxonSettings settings, ChosenCard card, Clock clock, Optional<PluggedIn> pluggedIn) {
        this.editor = editor;
        this.settings = settings;
        this.card = card;
        this.clock = clock;
        this.pluggedIn = pluggedIn;
    }

    /** Where the reading of a job stands. */
    public ReadingState state(int job) {
        return states.getOrDefault(job, ReadingState.NONE);
    }

    /**
     * Begins a reading, unless one runs already.
     *
     * @param armed true when packets may go to the planned nodes outside this machine
     * @param anew true to let every port discover its devices anew first
     */
    void begin(int job, boolean armed, boolean anew) {
        JobState state = state(editor, job);
        boolean[] began = new boolean[1];
        states.compute(job, (j, now) -> {
            ReadingState known = now == null ? ReadingState.NONE : now;
            began[0] = known.running().isEmpty();
            return began[0] ? known.at(new RigReader.Progress("", 0)) : known;
        });
        if (began[0]) {
            stopped.remove(job);
            worker.execute(() -> run(job, reader(state.plan(), armed), anew, state.plan()));
        }
    }

    void stop(int job) {
        stopped.add(job);
    }

    /** A reader that may send to this machine, and when it is armed to the plan's own nodes; never elsewhere. */
    RigReader reader(Plan plan, boolean armed) {
        return new RigReader(
                () -> lease(plan), card.networks(plan), Allowed.to(plan, armed), settings.answerWithin(), clock);
    }

    /** The link of the card that a job is spoken from, to be given back. */
    public CardLinks.Lease lease(Plan plan) throws IOException {
        return card.lease(plan);
    }

    private void run(int job, RigReader reader, boolean anew, Plan plan) {
        try {
            RigReading reading =
                    reader.read(plan, anew, p -> put(job, state(job).at(p)), () -> stopped.contains(job));
            if (stopped.remove(job)) {
                put(job, state(job).failed("The reading was stopped; nothing was recorded."));
            } else {
                RigReading whole =
                        pluggedIn.map(p -> reading.beside(interfaces(p))).orElse(reading);
                record(job, whole);
                put(job, state(job).ended(whole));
            }
        } catch (IOException e) {
            put(job, state(job).failed("The rig cannot be read: " + e.getMessage() + "."));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            put(job, state(job).failed("The reading ended with the application."));
        } catch (RuntimeException e) {
            put(job, state(job).failed("The reading broke off: " + e));
            throw e;
        }
    }

    /** What is plugged into this computer and says what it is; what does not is as if it were not there. */
    private List<SeenInterface> interfaces(PluggedIn plugged) {
        List<SeenInterface> seen = new ArrayList<>();
        for (int port : plugged.ports()) {
            try (DirectLink link = DirectLink.open(port, settings.answerWithin())) {
                DirectFrame.IAm self = link.who();
                seen.add(new SeenInterface(self.name(), self.outputs()));
            } catch (IOException silent) {
                LOG.log(System.Logger.Level.DEBUG, "nothing answers at {0}: {1}", port, silent.getMessage());
            }
        }
        return seen;
    }

    /** Holds what was found against the plan as it is now, which may have changed while the rig was read. */
    private void record(int job, RigReading reading) {
        Plan plan = state(editor, job).plan();
        RigComparison comparison = reading.against(plan);
        List<BlockEvidence> evidence = ReadingEvidence.of(plan, comparison, reading.at());
        editor.record(
                job,
                "the rig",
                JobEdits.record("Rig read, " + Counted.of(reading.units().size(), "unit"), evidence));
    }

    /** Puts what a unit says now in the place of what it said at the newest reading. */
    public void replace(int job, FoundUnit unit) {
        states.computeIfPresent(
                job, (j, now) -> now.last().map(r -> now.ended(r.with(unit))).orElse(now));
    }

    private void put(int job, ReadingState state) {
        states.put(job, state);
    }

    private static JobState state(JobEditor editor, int job) {
        return editor.find(job).orElseThrow(() -> new NoSuchJobException(job));
    }

    @Override
    public void destroy() {
        worker.shutdownNow();
    }
}
