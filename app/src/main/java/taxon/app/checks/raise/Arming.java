package taxon.app.checks.raise;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Part;
import taxon.core.raising.Ended;
import taxon.core.raising.Grip;
import taxon.core.raising.Meeting;
import taxon.core.raising.Outlet;
import taxon.core.raising.Outlets;
import taxon.core.raising.Raises;
import taxon.core.raising.Walk;
import taxon.core.reception.UniverseReception;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.wire.link.Drive;

/** One arming, from the listening before it until it has ended. Safe for several threads. */
final class Arming {
    /** One hears a still sender once a second at least, and a receiver samples for 1.5 s (E1.31, from memory). */
    private static final long LISTEN_NANOS = UniverseReception.SAMPLING_NANOS + 200_000_000L;

    private static final long PREPARED_NANOS = 120_000_000_000L;

    private final int id;
    private final Asked asked;
    private final Outlets outlets;
    private final Ears ears;
    private final Instant made;
    private final long madeNanos;
    private final Map<Outlet, Meeting> told = new HashMap<>();
    private boolean boxesAsked;
    private String trouble = "";
    private Walk walk;
    private Optional<FixtureKey> looked = Optional.empty();
    private TreeSet<StartAddress> lit = new TreeSet<>();
    private Optional<Duration> pace = Optional.empty();
    private long stepped;
    private Optional<Grip> grip = Optional.empty();
    private Optional<Drive> drive = Optional.empty();
    private boolean closed;

    /** How far it is. */
    enum State {
        LISTENING,
        READY,
        ARMED,
        ENDED
    }

    Arming(int id, Asked asked, Plan plan, Outlets outlets, Ears ears, Instant made) {
        this.id = id;
        this.asked = asked;
        this.outlets = outlets;
        this.ears = ears;
        this.made = made;
        madeNanos = System.nanoTime();
        walk = Walk.of(plan, asked.reach());
    }

    int id() {
        return id;
    }

    int job() {
        return asked.job();
    }

    Asked asked() {
        return asked;
    }

    Outlets outlets() {
        return outlets;
    }

    Ears ears() {
        return ears;
    }

    /** The time of day of a moment on the clock of the packets. */
    Instant at(long nanos) {
        return made.plus(Duration.ofNanos(nanos - madeNanos));
    }

    /** What a second source comes to there now, which is told to whoever asks before it is armed. */
    Meeting tell(Outlet outlet, long nanos) {
        Meeting now = ears.meeting(outlet, nanos);
        synchronized (this) {
            told.put(outlet, now);
        }
        return now;
    }

    /** True when just this was told of an outlet the last time: nobody arms what they were not told. */
    synchronized boolean wasTold(Outlet outlet, Meeting meeting) {
        return Optional.ofNullable(told.get(outlet)).equals(Optional.of(meeting));
    }

    synchronized void boxesAsked(String problem) {
        boxesAsked = true;
        trouble = problem;
    }

    /** What kept a box from being asked; empty where nothing did. */
    synchronized String trouble() {
        return trouble;
    }

    synchronized State state(long nanos) {
        if (grip.isPresent()) {
            return grip.get().ended().isPresent() ? State.ENDED : State.ARMED;
        }
        if (closed || nanos - madeNanos > PREPARED_NANOS) {
            return State.ENDED;
        }
        return boxesAsked && nanos - ears.begun() >= LISTEN_NANOS ? State.READY : State.LISTENING;
    }

    synchronized void begin(Grip begun, Drive sending) {
        grip = Optional.of(begun);
        drive = Optional.of(sending);
        sending.start();
    }

    /** Empty before it is armed. */
    synchronized Optional<Grip> grip() {
        return grip;
    }

    synchronized Walk walk() {
        return walk;
    }

    /** The unit whose channels are shown: the one that is looked at, or where one stands. */
    synchronized Optional<FixtureKey> shown() {
        return looked.or(walk::unit);
    }

    /** Shows the channels of a unit and raises nothing: so one comes to what can hurt people, which no step leads to. */
    synchronized void look(FixtureKey unit) {
        looked = Optional.of(unit);
        pace = Optional.empty();
    }

    /** How often it steps by itself; empty where it does not. */
    synchronized Optional<Duration> pace() {
        return pace;
    }

    synchronized void stepBy(Optional<Duration> wanted, long nanos) {
        pace = wanted;
        stepped = nanos;
    }

    /** Raises one channel or more for a while; an arming that is not in force leaves all as it is. */
    List<Grip.Left> raise(Map<StartAddress, Integer> levels, String who) {
        return grip().map(g -> g.raise(levels, who, System.nanoTime())).orElse(List.of());
    }

    /** Goes to another unit: what was lit by the step before is let go, and the unit is made visible. */
    synchronized List<Grip.Left> step(Plan plan, Walk wanted, String who) {
        walk = wanted;
        looked = Optional.empty();
        stepped = System.nanoTime();
        SortedMap<StartAddress, Integer> levels = walk.unit()
                .flatMap(plan::fixture)
                .map(f -> Raises.visible(plan, f, Part.WHOLE))
                .orElseGet(TreeMap::new);
        return light(levels, who);
    }

    /** Lets go of what was lit before, and raises this in its place. */
    synchronized List<Grip.Left> light(Map<StartAddress, Integer> levels, String who) {
        grip.ifPresent(g -> g.release(lit));
        lit = new TreeSet<>(levels.keySet());
        return raise(levels, who);
    }

    /** Takes the next step where it is time for it. */
    synchronized void tick(Plan plan, long nanos) {
        if (pace.filter(p -> nanos - stepped >= p.toNanos()).isPresent()
                && grip.filter(g -> g.ended().isEmpty()).isPresent()) {
            step(plan, walk.next(), asked.who());
        }
    }

    /** The plan is another: one goes along the units that are there now, from the unit where one stands. */
    synchronized void replan(Plan plan) {
        grip.ifPresent(g -> g.replan(plan));
        Optional<FixtureKey> here = walk.unit();
        Walk changed = Walk.of(plan, asked.reach());
        walk = here.map(changed::to).orElse(changed);
    }

    /** Lets go, gives the card back, and returns when every receiver was told. */
    void end(Ended why) {
        Optional<Drive> sending;
        synchronized (this) {
            grip.ifPresent(g -> g.end(why));
            sending = drive;
            if (closed) {
                return;
            }
            closed = true;
        }
        sending.ifPresent(Drive::close);
        ears.close();
    }
}
