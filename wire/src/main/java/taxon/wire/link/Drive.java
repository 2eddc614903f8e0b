package taxon.wire.link;

import java.io.IOException;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.locks.LockSupport;
import taxon.core.network.Ipv4;
import taxon.core.network.SacnUniverse;
import taxon.core.raising.Ended;
import taxon.core.raising.Grip;
import taxon.core.raising.Outlet;
import taxon.core.reception.Sender.Protocol;
import taxon.wire.link.LevelSender.Destination;

/**
 * Sends what a grip says, on a thread of its own, until the grip has ended; then says to every receiver that it stops.
 *
 * <p>It sends nothing that the grip has not said at that moment, so that whatever goes wrong ends in silence: a receiver takes that for a
 * lost source (2.5 s of streaming ACN, E1.31, 6.7.1, from memory).
 */
public final class Drive implements AutoCloseable {
    /** Forty times a second, as most consoles send (common practice). */
    private static final long TICK_NANOS = 25_000_000L;

    /** E1.31, 4.3, from memory. */
    private static final long ANNOUNCED_NANOS = 10_000_000_000L;

    private static final int SLOTS = 512;

    private final LevelSender sender;
    private final Grip grip;
    private final Runnable whenEnded;
    private final Map<Outlet, Pacing> sent = new HashMap<>();
    private final Thread thread;
    private long announced;

    /** @param whenEnded told once, when nothing is sent any more */
    public Drive(LevelSender sender, Grip grip, Runnable whenEnded) {
        this.sender = sender;
        this.grip = grip;
        this.whenEnded = whenEnded;
        thread = new Thread(this::run, "driving levels");
        thread.setDaemon(true);
    }

    /** Begins to send. */
    public void start() {
        announced = System.nanoTime() - ANNOUNCED_NANOS;
        thread.start();
    }

    private void run() {
        try {
            while (grip.ended().isEmpty()) {
                long now = System.nanoTime();
                step(grip.frames(now), now);
                LockSupport.parkNanos(TICK_NANOS);
            }
        } catch (IOException | RuntimeException e) {
            grip.end(new Ended.CannotSend(String.valueOf(e.getMessage())));
        } finally {
            farewell();
            whenEnded.run();
        }
    }

    private void step(List<Grip.Frame> frames, long now) throws IOException {
        if (!frames.isEmpty() && now - announced >= ANNOUNCED_NANOS) {
            announced = now;
            announce(frames);
        }
        for (Grip.Frame frame : frames) {
            Pacing pacing = sent.computeIfAbsent(frame.outlet(), o -> new Pacing());
            if (pacing.isDue(frame.levels(), frame.priority(), now)) {
                sender.send(destination(frame.outlet()), frame.priority(), frame.levels());
            }
        }
    }

    private void announce(List<Grip.Frame> frames) throws IOException {
        TreeSet<SacnUniverse> universes = new TreeSet<>();
        Set<Ipv4> boxes = new LinkedHashSet<>();
        frames.stream()
                .map(Grip.Frame::outlet)
                .filter(o -> o.carrier().protocol() == Protocol.SACN)
                .forEach(o -> {
                    universes.add(new SacnUniverse(o.carrier().number()));
                    boxes.addAll(o.boxes());
                });
        if (!universes.isEmpty()) {
            sender.announce(universes, List.copyOf(boxes));
        }
    }

    private static Destination destination(Outlet outlet) {
        return new Destination(outlet.carrier(), outlet.to(), outlet.boxes());
    }

    /** Each receiver for itself: one that cannot be reached keeps it from no other. */
    private void farewell() {
        sent.forEach((outlet, last) -> {
            try {
                sender.end(destination(outlet), last.priority(), SLOTS);
            } catch (IOException e) {
                System.getLogger(Drive.class.getName())
                        .log(System.Logger.Level.WARNING, "{0} was not told that levels stop: {1}", outlet.box(), e);
            }
        });
    }

    /** Lets go, if nobody has yet, and waits until every receiver was told. */
    @Override
    public void close() {
        grip.end(new Ended.Stopped());
        boolean interrupted = false;
        while (thread.isAlive()) {
            try {
                thread.join();
            } catch (InterruptedException e) {
                interrupted = true;
            }
        }
        if (interrupted) {
            Thread.currentThread().interrupt();
        }
    }
}
