package taxon.simrig;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetSocketAddress;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import taxon.core.dmx.Slot;
import taxon.core.network.BoxPort.WhenLost;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.PortAddress;
import taxon.core.network.SacnUniverse;
import taxon.core.network.Subnet;
import taxon.core.reception.UniverseReception;
import taxon.core.reception.Watch;
import taxon.wire.artnet.codec.ArtNetCodec;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.artnet.codec.ArtPacket.Flow;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.bytes.MalformedPacketException;
import taxon.wire.link.CardLink;
import taxon.wire.link.LevelEar;
import taxon.wire.link.LinkListener;
import taxon.wire.link.SendPolicy;
import taxon.wire.rdm.codec.RdmMessage;

/**
 * A simulated node or transmitter on a loopback address. It describes itself when polled, gives its tables of devices,
 * and carries RDM to its units. Answers go back to the port that asked. It can be given faults, and healed of them.
 */
public final class SimNode implements AutoCloseable {
    private static final System.Logger LOG = System.getLogger(SimNode.class.getName());

    /** How long it takes to discover the devices of a line anew. */
    private static final Duration LOOKING = Duration.ofMillis(400);

    private static final Executor LATER = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "simulated boxes that take their time");
        thread.setDaemon(true);
        return thread;
    });

    private static final InetSocketAddress EVERYONE = new InetSocketAddress("127.255.255.255", ArtNetCodec.UDP_PORT);

    /** Locally administered (IEEE 802), so that it is nobody's. */
    private static final long OWN_MAC = 0x0200_0000_0000L;

    private static final long TWIN_MAC = 0x0201_0000_0000L;

    private final boolean toEveryone;
    private final Ipv4 given;
    private final SimSettings planned;
    private final Watch watch = new Watch();
    private final SimDescription description;
    private volatile SimSettings settings;
    private volatile List<SimFault> faults = List.of();
    private volatile Ipv4 ip;
    private volatile CardLink link;
    private final AtomicInteger touched = new AtomicInteger();
    /** While it discovers its devices anew it has no table to give. */
    private volatile long looksUntil = System.nanoTime();

    private SimNode(Ipv4 ip, String name, List<SimPort> ports, boolean toEveryone) throws IOException {
        this.toEveryone = toEveryone;
        this.given = ip;
        this.ip = ip;
        planned = new SimSettings(name, NetCard.usual(ip).prefix(), WhenLost.HOLD, ports);
        settings = planned;
        description = new SimDescription(ip, watch);
        link = opened(ip);
    }

    /**
     * Starts a node.
     *
     * @param ports one or more, all of one Net and Sub-Net
     * @param toEveryone true for one that answers to the broadcast address, as older nodes do
     * @throws IOException when its UDP port is taken
     */
    public static SimNode start(Ipv4 ip, String name, List<SimPort> ports, boolean toEveryone) throws IOException {
        if (!ip.isLoopback()) {
            throw new IllegalArgumentException("a simulated node has a loopback address, not " + ip);
        }
        return new SimNode(ip, name, ports, toEveryone);
    }

    public Ipv4 ip() {
        return ip;
    }

    /** The name that it was started by, whatever it calls itself. */
    public String name() {
        return planned.name();
    }

    /** Its ports as they are now, faults and all. */
    public List<SimPort> ports() {
        return settings.ports();
    }

    /** Those of its faults that were not programmed away. */
    public List<SimFault> faults() {
        return faults.stream().filter(this::isThere).toList();
    }

    private boolean isThere(SimFault fault) {
        if (fault instanceof SimFault.OtherIp f) {
            return f.ip().equals(ip);
        }
        // One that spoils nothing of the settings is none that could be programmed away.
        return planned.spoiled(fault).equals(planned) || settings.spoiled(fault).equals(settings);
    }

    /** How often it was programmed since it was given its faults. */
    public int touched() {
        return touched.get();
    }

    private <T extends SimFault> Optional<T> fault(Class<T> kind) {
        return faults.stream().filter(kind::isInstance).map(kind::cast).findFirst();
    }

    /**
     * Gives it these faults and no others; none heals it, of what was programmed too.
     *
     * @throws IllegalArgumentException when it has no such port, or a universe leaves its Net and Sub-Net
     * @throws IOException when the address that it is to sit at cannot be had; then nothing has changed
     */
    public synchronized void suffer(List<SimFault> wanted) throws IOException {
        SimSettings spoiled = planned;
        for (SimFault fault : wanted) {
            spoiled = spoiled.spoiled(fault);
        }
        sitAt(wanted.stream()
                .filter(SimFault.OtherIp.class::isInstance)
                .map(f -> ((SimFault.OtherIp) f).ip())
                .findFirst()
                .orElse(given));
        settings = spoiled;
        faults = List.copyOf(wanted);
        touched.set(0);
    }

    private void sitAt(Ipv4 wanted) throws IOException {
        if (!wanted.equals(ip)) {
            CardLink there = opened(wanted);
            link.close();
            link = there;
            ip = wanted;
        }
    }

    private CardLink opened(Ipv4 at) throws IOException {
        CardLink opened = CardLink.open(at, CardLink.Sharing.ALONE);
        opened.listen(new LinkListener() {
            @Override
            public void artNet(ArtPacket packet, InetSocketAddress sender, long nanos) {
                received(packet, sender);
            }
        });
        opened.listen(new LevelEar(watch));
        for (SacnUniverse group : settings.groups()) {
            opened.join(group);
        }
        return opened;
    }

    /**
     * What a port sends down its line now: 512 levels, all 0 where none come, or where it is no output.
     *
     * @param port counted from 1
     */
    public List<Integer> levels(int port) {
        SimPort now = ports().get(port - 1);
        List<Integer> none = Collections.nCopies(Slot.LAST, 0);
        return now.flow() == Flow.OUT
                ? watch.state(now.carrier(), System.nanoTime())
                        .map(UniverseReception.State::levels)
                        .orElse(none)
                : none;
    }

    /** What each unit on its lines does now; one whose receiver has lost its link gets nothing. */
    public List<SimShown> shown() {
        List<SimShown> shown = new ArrayList<>();
        for (int port = 1; port <= planned.ports().size(); port++) {
            boolean reached = !ports().get(port - 1).units().isEmpty();
            shown.addAll(SimCable.of(port, planned.ports().get(port - 1).units(), faults)
                    .shown(reached ? levels(port) : List.of()));
        }
        return List.copyOf(shown);
    }

    private void received(ArtPacket packet, InetSocketAddress sender) {
        if (fault(SimFault.SwitchedOff.class).isPresent()) {
            return;
        }
        if (packet instanceof ArtPacket.Poll) {
            int wait = fault(SimFault.Slow.class).map(SimFault.Slow::millis).orElse(0);
            Executor when =
                    wait == 0 ? Runnable::run : CompletableFuture.delayedExecutor(wait, TimeUnit.MILLISECONDS, LATER);
            when.execute(() -> describe(sender));
        } else if (packet instanceof ArtPacket.IpEnquiry) {
            reply(new ArtPacket.IpReply(ip, Subnet.around(ip, settings.prefix()).mask()), sender);
        } else if (packet instanceof ArtPacket.Address program) {
            touched.incrementAndGet();
            program(program);
            describe(sender);
        } else if (packet instanceof ArtPacket.IpProgram program) {
            touched.incrementAndGet();
            move(program, sender);
        } else if (packet instanceof ArtPacket.TodRequest request) {
            tables(request, sender);
        } else if (packet instanceof ArtPacket.TodControl control && control.command() == ArtPacket.TodControl.FLUSH) {
            looksUntil = System.nanoTime() + LOOKING.toNanos();
        } else if (packet instanceof ArtPacket.Rdm rdm) {
            rdm(rdm, sender);
        }
    }

    private void describe(InetSocketAddress sender) {
        pollReplies(settings.name(), OWN_MAC).forEach(r -> reply(r, sender));
        fault(SimFault.Twin.class).stream()
                .flatMap(f -> pollReplies(f.name(), TWIN_MAC).stream())
                .forEach(r -> reply(r, sender));
    }

    private synchronized void program(ArtPacket.Address program) {
        if (fault(SimFault.Locked.class).isEmpty()) {
            settings = settings.programmed(program);
            try {
                for (SacnUniverse group : settings.groups()) {
                    link.join(group);
                }
            } catch (IOException e) {
                throw new UncheckedIOException("simulated node " + name() + " cannot join its groups", e);
            }
        }
    }

    /** It says so first, from where it was, and is somewhere else then. */
    private void move(ArtPacket.IpProgram program, InetSocketAddress sender) {
        Optional<Integer> prefix = Subnet.parsePrefix(program.mask().toString());
        boolean obeys = fault(SimFault.Locked.class).isEmpty() && program.ip().isLoopback() && prefix.isPresent();
        reply(
                obeys
                        ? new ArtPacket.IpReply(program.ip(), program.mask())
                        : new ArtPacket.IpReply(
                                ip, Subnet.around(ip, settings.prefix()).mask()),
                sender);
        if (obeys) {
            // Beside the thread of the link that is closed by it.
            LATER.execute(() -> settle(program.ip(), prefix.get()));
        }
    }

    private synchronized void settle(Ipv4 wanted, int prefix) {
        try {
            sitAt(wanted);
            settings = settings.spoiled(new SimFault.OtherMask(prefix));
        } catch (IOException taken) {
            LOG.log(System.Logger.Level.DEBUG, "{0} stays at {1}: {2}", name(), ip, taken.getMessage());
        }
    }

    private List<PollReply> pollReplies(String called, long mac) {
        boolean counts = fault(SimFault.Uncounted.class).isEmpty();
        return description.of(settings, new SimDescription.Self(ip, called, mac, counts));
    }

    private void tables(ArtPacket.TodRequest request, InetSocketAddress sender) {
        boolean looks = System.nanoTime() - looksUntil < 0;
        SimDescription.tables(ports(), request, looks).forEach(t -> reply(t, sender));
    }

    private void rdm(ArtPacket.Rdm packet, InetSocketAddress sender) {
        try {
            RdmMessage request = packet.decoded();
            Optional<RdmMessage> answer = SimUnit.isRequest(request)
                    ? reached(packet.address())
                            .flatMap(u -> u.answer(request).stream())
                            .findFirst()
                    : Optional.empty();
            answer.ifPresent(a -> reply(ArtPacket.Rdm.carrying(packet.address(), a), sender));
        } catch (MalformedPacketException e) {
            LOG.log(System.Logger.Level.DEBUG, "dropped: {0}", e.getMessage());
        }
    }

    private Stream<SimUnit> reached(PortAddress address) {
        List<SimPort> ports = ports();
        return IntStream.range(0, ports.size())
                .filter(i -> ports.get(i).address().equals(address))
                .boxed()
                .flatMap(i -> SimCable.of(i + 1, ports.get(i).reached(), faults).reached().stream());
    }

    private void reply(ArtPacket packet, InetSocketAddress sender) {
        try {
            link.send(packet, toEveryone ? EVERYONE : sender, SendPolicy.LOOPBACK_ONLY);
        } catch (IOException e) {
            LOG.log(
                    System.Logger.Level.DEBUG,
                    "simulated node {0} cannot answer {1}: {2}",
                    name(),
                    sender,
                    e.getMessage());
        }
    }

    @Override
    public synchronized void close() {
        link.close();
    }
}
