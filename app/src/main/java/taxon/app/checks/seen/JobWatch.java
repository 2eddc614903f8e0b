package taxon.app.checks.seen;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import taxon.core.network.Ipv4;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Carrier;
import taxon.core.reception.Sender.Protocol;
import taxon.core.reception.UniverseReception;
import taxon.core.reception.Watch;
import taxon.core.rig.Plan;
import taxon.core.seen.Expected;
import taxon.core.seen.Seen;
import taxon.core.seen.SeenCheck;
import taxon.wire.link.CardLink.Ending;
import taxon.wire.link.CardLinks;
import taxon.wire.link.LevelEar;
import taxon.wire.link.LinkCounts;

/** Listening for one job by its cards, from its beginning to its end. */
final class JobWatch implements AutoCloseable {
    /** A socket each. */
    static final int MOST_JOINED = 1_024;

    private static final long FRESH_NANOS = 100_000_000L;

    /** What is to be heard by a plan, and whether all of it is listened for. */
    private record Followed(Plan plan, Expected expected, boolean whole) {
        /** The same job state is the same plan; to compare whole plans would cost more than to look again. */
        @SuppressWarnings("ReferenceEquality")
        boolean isOf(Plan other) {
            return plan == other;
        }
    }

    /** What was seen at a moment. */
    private record Looked(Expected expected, long nanos, Seen seen) {
        @SuppressWarnings("ReferenceEquality")
        boolean isOf(Expected other) {
            return expected == other;
        }
    }

    private final CardLinks.Lease lease;
    private final Ending listening;
    private final Ending discovery;
    private final Watch watch = new Watch();
    private final Map<SacnUniverse, Ending> joined = new TreeMap<>();
    private final Set<SacnUniverse> asked = new TreeSet<>();
    private final Instant began;
    private Optional<Followed> followed = Optional.empty();
    private Optional<Looked> looked = Optional.empty();
    private final long beganNanos = System.nanoTime();

    /** @throws IOException when the group by which senders say what they send cannot be joined; then the lease was given back */
    JobWatch(CardLinks.Lease lease, Instant began) throws IOException {
        this.lease = lease;
        this.began = began;
        listening = lease.link().listen(new LevelEar(watch));
        try {
            discovery = lease.link().joinDiscovery();
        } catch (IOException e) {
            listening.close();
            lease.close();
            throw e;
        }
    }

    Watch watch() {
        return watch;
    }

    Ipv4 card() {
        return lease.link().card();
    }

    /** All by which it listens, the plan's own card first. */
    List<Ipv4> cards() {
        return lease.link().cards();
    }

    /** True when another program has the card's port of Art-Net too. */
    boolean isCrowded() {
        return lease.link().isCrowded();
    }

    LinkCounts counts() {
        return lease.link().counts();
    }

    Instant began() {
        return began;
    }

    /** The time of day of a moment on the clock of the packets. */
    Instant at(long nanos) {
        return began.plus(Duration.ofNanos(nanos - beganNanos));
    }

    /**
     * What is heard, held against a plan. Worked out once for all pages that look at about the same time.
     *
     * @param nanos the time on the clock of the packets
     */
    synchronized Seen seen(Plan plan, long nanos) {
        Expected expected = expected(plan);
        if (looked.filter(l -> l.isOf(expected) && nanos - l.nanos() < FRESH_NANOS)
                .isEmpty()) {
            Seen seen = SeenCheck.of(plan, watch.overview(nanos), c -> levels(c, nanos), nanos);
            looked = Optional.of(new Looked(expected, nanos, seen));
        }
        return looked.orElseThrow().seen();
    }

    /** What is to be heard by a plan; read out of it once. */
    synchronized Expected expected(Plan plan) {
        return followed.filter(f -> f.isOf(plan))
                .orElseGet(() -> {
                    Followed now = new Followed(plan, Expected.of(plan), /* whole= */ false);
                    followed = Optional.of(now);
                    return now;
                })
                .expected();
    }

    private List<Integer> levels(Carrier carrier, long nanos) {
        return watch.state(carrier, nanos).map(UniverseReception.State::levels).orElse(List.of());
    }

    /** Hears one more universe, until listening ends. */
    synchronized void ask(SacnUniverse universe) throws IOException {
        asked.add(universe);
        join(universe);
    }

    /**
     * Hears what is planned now, and what was asked for; leaves the others.
     *
     * @throws IOException when the system gives no socket for one of them; the others are heard
     */
    synchronized void follow(Plan plan) throws IOException {
        Expected expected = expected(plan);
        if (followed.orElseThrow().whole()) {
            return;
        }
        Set<SacnUniverse> wanted = expected.carriers().stream()
                .filter(c -> c.protocol() == Protocol.SACN)
                .map(Carrier::number)
                .map(SacnUniverse::new)
                .collect(Collectors.toCollection(TreeSet::new));
        wanted.addAll(asked);
        Set<SacnUniverse> left = new TreeSet<>(joined.keySet());
        left.removeAll(wanted);
        left.forEach(u -> joined.remove(u).close());
        for (SacnUniverse universe : wanted) {
            join(universe);
        }
        followed = Optional.of(new Followed(plan, expected, /* whole= */ true));
    }

    /** As {@link #follow}; what cannot be heard is told as a sentence, empty where all is. */
    String keepUp(Plan plan) {
        try {
            follow(plan);
            return joined().size() < MOST_JOINED
                    ? ""
                    : "Of streaming ACN no more than " + MOST_JOINED + " universes are heard.";
        } catch (IOException e) {
            return "Not all that is planned is heard: " + e.getMessage() + ".";
        }
    }

    private void join(SacnUniverse universe) throws IOException {
        if (!joined.containsKey(universe) && joined.size() < MOST_JOINED) {
            joined.put(universe, lease.link().join(universe));
        }
    }

    /** The universes of streaming ACN whose groups are heard. */
    synchronized Set<SacnUniverse> joined() {
        return Set.copyOf(joined.keySet());
    }

    @Override
    public synchronized void close() {
        listening.close();
        discovery.close();
        joined.values().forEach(Ending::close);
        joined.clear();
        lease.close();
    }
}
