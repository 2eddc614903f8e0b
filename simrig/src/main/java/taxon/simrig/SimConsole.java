package taxon.simrig;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import taxon.core.network.Ipv4;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Sender.Protocol;
import taxon.wire.bytes.Bytes;
import taxon.wire.link.CardLink;
import taxon.wire.link.LevelSender;
import taxon.wire.link.LevelSender.Destination;
import taxon.wire.link.SendPolicy;

/**
 * A simulated console on a loopback address of its own: runs a show by both protocols, and may be slowed, stopped with and without a
 * word, and given another priority. Safe for several threads.
 */
public final class SimConsole implements AutoCloseable {
    private static final System.Logger LOG = System.getLogger(SimConsole.class.getName());
    private static final int SLOTS = 512;
    private static final long ANNOUNCED_EVERY_MILLIS = 10_000;
    private static final long SECOND_MICROS = 1_000_000;
    /** What leaves this machine by a group goes to nobody: groups are sent by the loopback card. */
    private static final SendPolicy LOOPBACK_AND_GROUPS = ip -> ip.isLoopback() || ip.isMulticast();

    /** The rate of most consoles (common practice). */
    public static final int USUAL_RATE = 40;

    private final Ipv4 at;
    private final String name;
    private final List<Output> outputs;
    private final Show show;
    private final CardLink link;
    private final LevelSender sender;
    private final ScheduledExecutorService clock;
    private final long began = System.nanoTime();
    private ScheduledFuture<?> beat;
    private int rate = USUAL_RATE;
    private volatile int counted;
    private boolean running;
    private volatile long announced = Long.MIN_VALUE;

    /** What a console sends: 512 levels of a universe at a time. */
    @FunctionalInterface
    public interface Show {
        /** @param millis since the show began */
        byte[] levels(int universe, long millis);
    }

    /**
     * A way by which a universe leaves.
     *
     * @param universe of the show
     * @param priority 0 to 200
     */
    public record Output(int universe, Destination destination, int priority) {}

    private SimConsole(Ipv4 at, String name, List<Output> outputs, Show show) throws IOException {
        this.at = at;
        this.name = name;
        this.outputs = List.copyOf(outputs);
        this.show = show;
        link = CardLink.open(at, CardLink.Sharing.ALONE);
        sender = new LevelSender(link, LOOPBACK_AND_GROUPS, cid(at), name);
        clock = Executors.newSingleThreadScheduledExecutor(work -> {
            Thread thread = new Thread(work, "console " + name);
            thread.setDaemon(true);
            return thread;
        });
        beat = clock.schedule(() -> {}, 0, TimeUnit.SECONDS);
    }

    /**
     * A console that runs its show from now on.
     *
     * @throws IOException when the address cannot be had
     */
    public static SimConsole start(Ipv4 at, String name, List<Output> outputs, Show show) throws IOException {
        if (!at.isLoopback()) {
            throw new IllegalArgumentException("a simulated console has a loopback address, not " + at);
        }
        SimConsole console = new SimConsole(at, name, outputs, show);
        console.run(USUAL_RATE);
        return console;
    }

    /** Of its address, so that two consoles are two. */
    private static Bytes cid(Ipv4 at) {
        return Bytes.of(ByteBuffer.allocate(16)
                .putLong(0x5349_4D43_4F4E_0000L)
                .putInt(at.bits())
                .array());
    }

    public Ipv4 at() {
        return at;
    }

    public String name() {
        return name;
    }

    /** Packets a second of each universe; 0 while it does not run. */
    public synchronized int rate() {
        return running ? rate : 0;
    }

    /**
     * Runs the show at a rate.
     *
     * @param packets a second, 1 to 200
     */
    public synchronized void run(int packets) {
        if (packets < 1 || packets > 200) {
            throw new IllegalArgumentException("a rate of " + packets + " packets a second; it takes 1 to 200");
        }
        beat.cancel(false);
        rate = packets;
        running = true;
        beat = clock.scheduleAtFixedRate(this::frame, 0, SECOND_MICROS / packets, TimeUnit.MICROSECONDS);
        announced = Long.MIN_VALUE;
    }

    /**
     * Counts universes otherwise: each leaves under a number that is higher by so much. What would be no number is not sent.
     *
     * @param by 0 to count as it is told
     */
    public void count(int by) {
        counted = by;
        announced = Long.MIN_VALUE;
    }

    private Optional<Destination> counted(Destination destination) {
        boolean group = destination.carrier().protocol() == Protocol.SACN;
        return destination
                .carrier()
                .plus(counted)
                .map(c ->
                        group ? Destination.group(new SacnUniverse(c.number())) : new Destination(c, destination.to()));
    }

    /** Falls silent without a word, as when its cable is pulled. */
    public synchronized void pullOut() {
        beat.cancel(false);
        running = false;
    }

    /** Stops and says so, as one that is shut down in order. */
    public synchronized void stop() {
        pullOut();
        clock.execute(() -> outputs.forEach(this::farewell));
    }

    private void frame() {
        long millis = TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - began);
        announce(millis);
        for (Output output : outputs) {
            try {
                Optional<Destination> to = counted(output.destination());
                if (to.isPresent()) {
                    sender.send(to.get(), output.priority(), show.levels(output.universe(), millis));
                }
            } catch (IOException | RuntimeException e) {
                LOG.log(System.Logger.Level.DEBUG, () -> String.format(Locale.ROOT, "%s: %s", name, e.getMessage()));
            }
        }
    }

    /** What is sent by streaming ACN is told every 10 s (ANSI E1.31, 4.3). */
    private void announce(long millis) {
        if (announced == Long.MIN_VALUE || millis - announced >= ANNOUNCED_EVERY_MILLIS) {
            announced = millis;
            try {
                sender.announce(outputs.stream()
                        .flatMap(o -> counted(o.destination()).stream())
                        .map(Destination::carrier)
                        .filter(c -> c.protocol() == Protocol.SACN)
                        .map(c -> new SacnUniverse(c.number()))
                        .toList());
            } catch (IOException e) {
                LOG.log(System.Logger.Level.DEBUG, "{0} could not say what it sends: {1}", name, e.getMessage());
            }
        }
    }

    private void farewell(Output output) {
        try {
            Optional<Destination> to = counted(output.destination());
            if (to.isPresent()) {
                sender.end(to.get(), output.priority(), SLOTS);
            }
        } catch (IOException e) {
            LOG.log(System.Logger.Level.DEBUG, "{0} could not say that it stops: {1}", name, e.getMessage());
        }
    }

    /** Stops without a word, and gives its address back. */
    @Override
    public synchronized void close() {
        pullOut();
        clock.shutdown();
        try {
            if (!clock.awaitTermination(2, TimeUnit.SECONDS)) {
                clock.shutdownNow();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        link.close();
    }
}
