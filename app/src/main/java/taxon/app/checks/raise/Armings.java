package taxon.app.checks.raise;

import java.io.IOException;
import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import taxon.app.TaxonSettings;
import taxon.app.cards.ChosenCard;
import taxon.app.checks.raise.Arming.State;
import taxon.app.checks.raise.Asked.NotArmedException;
import taxon.app.edit.JobChanged;
import taxon.app.edit.JobEditor;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Ipv4;
import taxon.core.raising.Ended;
import taxon.core.raising.Grip;
import taxon.core.raising.Outlet;
import taxon.core.raising.Outlets;
import taxon.core.raising.RaisingText;
import taxon.core.rig.Plan;
import taxon.wire.artnet.codec.ArtPacket.Output;
import taxon.wire.bytes.Bytes;
import taxon.wire.link.CardLinks;
import taxon.wire.link.Drive;
import taxon.wire.link.SendPolicy;

/** All armings of this Taxon. Nothing is sent before somebody armed it, and nothing after it was let go. */
@Service
class Armings implements SmartLifecycle {
    private static final int MOST_AT_ONCE = 16;
    private static final int MOST_UNIVERSES = 32;
    private static final int MOST_REMEMBERED = 40;
    private static final long TICK_MILLIS = 100;
    /** As often as a controller polls (Art-Net 4: every 2.5 to 3 s). */
    private static final long ASK_MILLIS = 2_700;

    private final JobEditor editor;
    private final ChosenCard card;
    private final TaxonSettings settings;
    private final Clock clock;
    private final Map<Integer, Arming> all = new ConcurrentHashMap<>();
    private final AtomicInteger ids = new AtomicInteger();
    private final ScheduledExecutorService ticker = Executors.newSingleThreadScheduledExecutor(Armings::thread);
    private final ExecutorService asking = Executors.newCachedThreadPool(Armings::thread);
    private volatile List<ScheduledFuture<?>> ticking = List.of();
    private volatile boolean running;

    Armings(JobEditor editor, ChosenCard card, TaxonSettings settings, Clock clock) {
        this.editor = editor;
        this.card = card;
        this.settings = settings;
        this.clock = clock;
    }

    private static Thread thread(Runnable work) {
        Thread thread = new Thread(work, "armings");
        thread.setDaemon(true);
        return thread;
    }

    /** Those of a job, the newest first. */
    List<Arming> of(int job) {
        return all.values().stream()
                .filter(a -> a.job() == job)
                .sorted(Comparator.comparingInt(Arming::id).reversed())
                .toList();
    }

    /** Those in force, of any job, the oldest first. */
    List<Arming> inForce() {
        long now = System.nanoTime();
        return all.values().stream()
                .filter(a -> a.state(now) == State.ARMED)
                .sorted(Comparator.comparingInt(Arming::id))
                .toList();
    }

    /** One of a job. */
    Optional<Arming> find(int job, int id) {
        return Optional.ofNullable(all.get(id)).filter(a -> a.job() == job);
    }

    /** Begins to listen to who sends there already. Sends no levels. */
    synchronized Arming prepare(Asked asked, Plan plan) throws NotArmedException {
        Outlets outlets = outlets(asked, plan);
        makeRoom();
        try {
            CardLinks.Lease lease = card.lease(plan);
            List<Ipv4> cards = lease.link().cards();
            List<Ipv4> outside = OwnSource.outside(outlets.outlets(), cards);
            if (!outside.isEmpty() && !asked.network()) {
                lease.close();
                throw new NotArmedException("Levels would leave this machine, to "
                        + outside.stream().map(Ipv4::toString).collect(Collectors.joining(", "))
                        + ". Arm output to the network first.");
            }
            Bytes own = OwnSource.cid();
            SendPolicy policy = OwnSource.policy(outlets.outlets(), cards, asked.network());
            Ears ears = new Ears(lease, outlets.outlets(), policy, own, settings.answerWithin());
            Arming made = new Arming(ids.incrementAndGet(), asked, plan, outlets, ears, clock.instant());
            all.put(made.id(), made);
            asking.execute(() -> ask(made));
            return made;
        } catch (IOException e) {
            throw new NotArmedException("It cannot be listened who sends there: " + e.getMessage() + ".");
        }
    }

    private static Outlets outlets(Asked asked, Plan plan) throws NotArmedException {
        Set<UniverseNumber> universes = asked.reach().sent(plan);
        if (universes.isEmpty()) {
            throw new NotArmedException("Nothing is chosen that has an address: choose units or name a universe.");
        }
        if (universes.size() > MOST_UNIVERSES) {
            throw new NotArmedException(universes.size() + " universes are more than are driven at once, "
                    + MOST_UNIVERSES + ": choose fewer units.");
        }
        Outlets outlets = Outlets.of(plan, universes);
        if (outlets.outlets().isEmpty()) {
            throw new NotArmedException(
                    outlets.none().stream().map(RaisingText::of).collect(Collectors.joining(" ")));
        }
        return outlets;
    }

    private void makeRoom() throws NotArmedException {
        long now = System.nanoTime();
        List<Arming> ended = all.values().stream()
                .filter(a -> a.state(now) == State.ENDED)
                .sorted(Comparator.comparingInt(Arming::id))
                .toList();
        ended.stream().limit(Math.max(0, ended.size() - MOST_REMEMBERED)).forEach(a -> all.remove(a.id()));
        if (all.size() - ended.size() >= MOST_AT_ONCE) {
            throw new NotArmedException(MOST_AT_ONCE + " armings are as many as there may be at once.");
        }
    }

    private void ask(Arming arming) {
        try {
            arming.ears().ask();
            arming.boxesAsked("");
        } catch (IOException e) {
            arming.boxesAsked("The boxes cannot be asked: " + e.getMessage() + ".");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Begins to drive what was prepared, as it was shown. */
    synchronized void arm(Arming arming, Plan plan) throws NotArmedException {
        long now = System.nanoTime();
        if (arming.state(now) != State.READY) {
            throw new NotArmedException(
                    arming.state(now) == State.LISTENING
                            ? "It is still listened who sends there."
                            : "That is over: prepare it again.");
        }
        if (!Outlets.of(plan, arming.asked().reach().sent(plan)).equals(arming.outlets())) {
            throw new NotArmedException("The plan routes it otherwise now: prepare it again.");
        }
        for (Outlet outlet : arming.outlets().outlets()) {
            requireFree(arming, outlet);
        }
        List<Grip.Driven> driven = driven(arming, now);
        long until = now + TimeUnit.MINUTES.toNanos(arming.asked().minutes());
        Grip grip = new Grip(plan, arming.asked().reach(), driven, arming.ears().others(), until, now);
        arming.begin(
                grip,
                new Drive(OwnSource.sender(arming), grip, () -> asking.execute(() -> arming.end(new Ended.Stopped()))));
    }

    private List<Grip.Driven> driven(Arming arming, long now) throws NotArmedException {
        List<Grip.Driven> all = arming.outlets().outlets().stream()
                .map(o -> new Grip.Driven(o, arming.ears().meeting(o, now)))
                .toList();
        if (all.stream().anyMatch(d -> !arming.wasTold(d.outlet(), d.meeting()))) {
            throw new NotArmedException("Who sends there is not as it was told: look at it again, and arm it then.");
        }
        List<Grip.Driven> allowed =
                all.stream().filter(d -> d.meeting().isAllowed()).toList();
        if (allowed.isEmpty()) {
            throw new NotArmedException(all.stream()
                    .map(d -> "Universe " + d.outlet().universe() + ": " + RaisingText.of(d.meeting()))
                    .distinct()
                    .collect(Collectors.joining(" ")));
        }
        return allowed;
    }

    private void requireFree(Arming arming, Outlet outlet) throws NotArmedException {
        for (Arming other : inForce()) {
            boolean same = other.grip().stream()
                    .flatMap(g -> g.driven().stream())
                    .anyMatch(d -> d.outlet().carrier().equals(outlet.carrier()));
            if (same && other.id() != arming.id()) {
                throw new NotArmedException("Universe " + outlet.universe() + " (" + outlet.carrier()
                        + ") is driven by " + other.asked().who() + " already. Have it let go first.");
            }
        }
    }

    /** Lets all armings of a job go; of every job where none is said. */
    void letGo(Optional<Integer> job, String who) {
        all.values().stream()
                .filter(a -> job.isEmpty() || job.get() == a.job())
                .forEach(a -> a.end(new Ended.LetGo(who)));
    }

    /** Another thread replans: whoever edits does not wait for what is driven. */
    @EventListener
    void changed(JobChanged change) {
        if (running) {
            ticker.execute(() -> replan(change.job()));
        }
    }

    private void replan(int job) {
        Optional<Plan> plan = editor.find(job).map(s -> s.plan());
        of(job).forEach(a -> plan.ifPresentOrElse(a::replan, () -> a.end(new Ended.PlanChanged())));
    }

    private void tick() {
        for (Arming arming : inForce()) {
            if (arming.pace().isPresent()) {
                editor.find(arming.job()).ifPresent(s -> arming.tick(s.plan(), System.nanoTime()));
            }
        }
        long now = System.nanoTime();
        new TreeSet<>(all.keySet())
                .stream()
                        .flatMap(id -> Optional.ofNullable(all.get(id)).stream())
                        .filter(a -> a.grip().isEmpty() && a.state(now) == State.ENDED)
                        .forEach(a -> a.end(new Ended.TimeIsUp()));
    }

    /** What boxes that are spoken to alone say of two sources; where one is silent nothing is concluded. */
    private void askBoxes() {
        for (Arming arming : inForce()) {
            if (arming.outlets().outlets().stream().anyMatch(Outlet::toBox)) {
                asking.execute(() -> askBoxes(arming));
            }
        }
    }

    private void askBoxes(Arming arming) {
        Map<Outlet, Output> before = arming.outlets().outlets().stream()
                .filter(o -> arming.ears().said(o).isPresent())
                .collect(Collectors.toMap(o -> o, o -> arming.ears().said(o).orElseThrow()));
        ask(arming);
        arming.grip()
                .ifPresent(g -> before.forEach((outlet, was) ->
                        arming.ears().said(outlet).ifPresent(now -> g.boxSays(outlet, was.merging(), now.merging()))));
    }

    @Override
    public void start() {
        running = true;
        ticking = List.of(every(TICK_MILLIS, this::tick), every(ASK_MILLIS, this::askBoxes));
    }

    /** What fails once is done again the next time: nothing that keeps people safe hangs on it, for a grip ends by itself. */
    private ScheduledFuture<?> every(long millis, Runnable work) {
        return ticker.scheduleWithFixedDelay(
                () -> {
                    try {
                        work.run();
                    } catch (RuntimeException e) {
                        System.getLogger(Armings.class.getName()).log(System.Logger.Level.WARNING, "armings", e);
                    }
                },
                millis,
                millis,
                TimeUnit.MILLISECONDS);
    }

    /** Every receiver is told before the card is given back. */
    @Override
    public void stop() {
        running = false;
        ticking.forEach(t -> t.cancel(false));
        ticker.shutdown();
        all.values().forEach(a -> a.end(new Ended.Stopped()));
        asking.shutdownNow();
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    /** Before the pages end, which are told of it. */
    @Override
    public int getPhase() {
        return Integer.MAX_VALUE;
    }
}
