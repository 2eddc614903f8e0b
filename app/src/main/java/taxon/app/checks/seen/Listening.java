package taxon.app.checks.seen;

import java.io.IOException;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Service;
import taxon.app.cards.ChosenCard;
import taxon.core.network.Ipv4;
import taxon.core.rig.Plan;

/** Which jobs are listened for. It goes on when its page is closed, until somebody ends it, and sends nothing. */
@Service
class Listening implements SmartLifecycle {
    private static final long SWEEP_MILLIS = 500;

    private final ChosenCard card;
    private final Clock clock;
    private final Map<Integer, JobWatch> watches = new ConcurrentHashMap<>();
    private volatile Optional<ScheduledFuture<?>> sweeping = Optional.empty();
    private final ScheduledExecutorService sweeper = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "sweeping what is heard");
        thread.setDaemon(true);
        return thread;
    });

    Listening(ChosenCard card, Clock clock) {
        this.card = card;
        this.clock = clock;
    }

    @Override
    public void start() {
        sweeping = Optional.of(
                sweeper.scheduleAtFixedRate(this::sweep, SWEEP_MILLIS, SWEEP_MILLIS, TimeUnit.MILLISECONDS));
    }

    private void sweep() {
        long now = System.nanoTime();
        watches.values().forEach(w -> w.watch().sweep(now));
    }

    /**
     * Begins to listen by the plan's cards, or by them instead of others; does nothing where that is done already.
     *
     * @throws IOException when the card is not there, another program has its ports for itself, or a universe cannot be joined
     */
    synchronized JobWatch begin(int job, Plan plan) throws IOException {
        JobWatch known = watches.get(job);
        if (known != null && known.cards().equals(cards(plan))) {
            known.follow(plan);
            return known;
        }
        JobWatch begun = new JobWatch(card.lease(plan), clock.instant());
        end(job);
        watches.put(job, begun);
        begun.follow(plan);
        return begun;
    }

    private List<Ipv4> cards(Plan plan) throws IOException {
        return Stream.concat(Stream.of(card.of(plan)), card.beside(plan).stream())
                .distinct()
                .toList();
    }

    synchronized void end(int job) {
        Optional.ofNullable(watches.remove(job)).ifPresent(JobWatch::close);
    }

    /** Empty while a job is not listened for. */
    Optional<JobWatch> of(int job) {
        return Optional.ofNullable(watches.get(job));
    }

    @Override
    public synchronized void stop() {
        sweeping.ifPresent(s -> s.cancel(false));
        sweeping = Optional.empty();
        watches.values().forEach(JobWatch::close);
        watches.clear();
    }

    @Override
    public boolean isRunning() {
        return sweeping.isPresent();
    }
}
