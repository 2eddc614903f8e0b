package taxon.simrig;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetSocketAddress;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import taxon.core.dmx.Slot;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.Subnet;
import taxon.core.reception.UniverseReception;
import taxon.core.reception.Watch;
import taxon.core.text.Counted;
import taxon.wire.artnet.codec.ArtNetCodec;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.artnet.codec.ArtPacket.Flow;
import taxon.wire.artnet.codec.ArtPacket.Output;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.artnet.codec.ArtPacket.Port;
import taxon.wire.artnet.codec.ArtPacket.TodData;
import taxon.wire.bytes.MalformedPacketException;
import taxon.wire.link.CardLink;
import taxon.wire.link.LevelEar;
import taxon.wire.link.LinkListener;
import taxon.wire.link.SendPolicy;
import taxon.wire.rdm.codec.RdmMessage;
import taxon.wire.rdm.codec.Uid;

/**
 * A simulated node or transmitter on a loopback address. It describes itself when polled, gives its tables of devices,
 * and carries RDM to its units. Answers go back to the port that asked. It can be given faults, and healed of them.
 */
public final class SimNode implements AutoCloseable {
    private static final int PORTS_IN_A_REPLY = 4;

    private static final InetSocketAddress EVERYONE = new InetSocketAddress("127.255.255.255", ArtNetCodec.UDP_PORT);

    /** Locally administered (IEEE 802), so that it is nobody's. */
    private static final long OWN_MAC = 0x0200_0000_0000L;

    private static final long TWIN_MAC = 0x0201_0000_0000L;

    private final boolean toEveryone;
    private final Ipv4 given;
    private final String name;
    private final List<SimPort> planned;
    private final Watch watch = new Watch();
    private volatile List<SimFault> faults = List.of();
    private volatile Ipv4 ip;
    private volatile CardLink link;

    private SimNode(Ipv4 ip, String name, List<SimPort> ports, boolean toEveryone) throws IOException {
        this.toEveryone = toEveryone;
        this.given = ip;
        this.ip = ip;
        this.name = name;
        planned = List.copyOf(ports);
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
        requireOneSubNet(name, ports);
        return new SimNode(ip, name, ports, toEveryone);
    }

    private static void requireOneSubNet(String name, List<SimPort> ports) {
        if (ports.stream().map(p -> p.address().number() >> 4).distinct().count() != 1) {
            throw new IllegalArgumentException("the ports of " + name + " differ in Net or Sub-Net");
        }
    }

    /** Where it is now. */
    public Ipv4 ip() {
        return ip;
    }

    public String name() {
        return name;
    }

    /** Its ports as they are now, faults and all. */
    public List<SimPort> ports() {
        List<SimPort> ports = new ArrayList<>(planned);
        faults.forEach(f -> SimNode.spoil(ports, f));
        return List.copyOf(ports);
    }

    private static void spoil(List<SimPort> ports, SimFault fault) {
        if (fault instanceof SimFault.OtherUniverse f) {
            ports.set(f.port() - 1, ports.get(f.port() - 1).at(f.address()));
        } else if (fault instanceof SimFault.PortIsInput f) {
            ports.set(f.port() - 1, ports.get(f.port() - 1).turned(Flow.IN));
        } else if (fault instanceof SimFault.PortIsOff f) {
            ports.set(f.port() - 1, ports.get(f.port() - 1).turned(Flow.NONE));
        } else if (fault instanceof SimFault.RdmIsOff f) {
            ports.set(f.port() - 1, ports.get(f.port() - 1).withoutRdm());
        } else if (fault instanceof SimFault.LinksLost f) {
            ports.set(f.port() - 1, ports.get(f.port() - 1).unheard());
        }
    }

    public List<SimFault> faults() {
        return faults;
    }

    /**
     * Gives it these faults and no others; none heals it.
     *
     * @throws IllegalArgumentException when it has no such port, or a universe leaves its Net and Sub-Net
     * @throws IOException when the address that it is to sit at cannot be had; then nothing has changed
     */
    public synchronized void suffer(List<SimFault> wanted) throws IOException {
        List<SimPort> ports = new ArrayList<>(planned);
        for (SimFault fault : wanted) {
            try {
                spoil(ports, fault);
            } catch (IndexOutOfBoundsException e) {
                throw new IllegalArgumentException(name + " has " + Counted.of(ports.size(), "port") + ": " + fault, e);
            }
        }
        requireOneSubNet(name, ports);
        sitAt(wanted.stream()
                .filter(SimFault.OtherIp.class::isInstance)
                .map(f -> ((SimFault.OtherIp) f).ip())
                .findFirst()
                .orElse(given));
        faults = List.copyOf(wanted);
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
        for (SimPort port : planned) {
            if (port.sacn().isPresent()) {
                opened.join(port.sacn().get());
            }
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
        for (int port = 1; port <= planned.size(); port++) {
            boolean reached = !ports().get(port - 1).units().isEmpty();
            List<Integer> levels = reached ? levels(port) : Collections.nCopies(Slot.LAST, 0);
            planned.get(port - 1).units().forEach(u -> shown.add(u.shown(levels)));
        }
        return List.copyOf(shown);
    }

    private Ipv4 mask() {
        int prefix = faults.stream()
                .filter(SimFault.OtherMask.class::isInstance)
                .mapToInt(f -> ((SimFault.OtherMask) f).prefix())
                .findFirst()
                .orElse(NetCard.usual(ip).prefix());
        return Subnet.around(ip, prefix).mask();
    }

    private void received(ArtPacket packet, InetSocketAddress sender) {
        if (packet instanceof ArtPacket.Poll) {
            pollReplies(name, OWN_MAC).forEach(r -> reply(r, sender));
            faults.stream()
                    .filter(SimFault.Twin.class::isInstance)
                    .flatMap(f -> pollReplies(((SimFault.Twin) f).name(), TWIN_MAC).stream())
                    .forEach(r -> reply(r, sender));
        } else if (packet instanceof ArtPacket.IpEnquiry) {
            reply(new ArtPacket.IpReply(ip, mask()), sender);
        } else if (packet instanceof ArtPacket.TodRequest request) {
            tables(request, sender);
        } else if (packet instanceof ArtPacket.Rdm rdm) {
            rdm(rdm, sender);
        }
    }

    /** A reply describes four ports at most; a node with more answers several times. */
    private List<PollReply> pollReplies(String called, long mac) {
        List<SimPort> ports = ports();
        List<PollReply> replies = new ArrayList<>();
        for (int from = 0; from < ports.size(); from += PORTS_IN_A_REPLY) {
            List<SimPort> part = ports.subList(from, Math.min(from + PORTS_IN_A_REPLY, ports.size()));
            replies.add(new PollReply(
                    ip,
                    called,
                    called + ", simulated",
                    "#0001 [0001] ready",
                    part.get(0).address().net(),
                    part.get(0).address().subNet(),
                    mac | Integer.toUnsignedLong(given.bits()),
                    replies.size() + 1,
                    part.stream()
                            .map(p -> new Port(p.address().universe(), p.flow(), p.rdm(), output(p)))
                            .toList()));
        }
        return replies;
    }

    /** Of two sources it makes the highest, as it does with what comes to it. */
    private Output output(SimPort port) {
        int sources = watch.state(port.carrier(), System.nanoTime())
                .map(s -> s.heard().size())
                .orElse(0);
        boolean out = port.flow() == Flow.OUT;
        return new Output(
                out && sources > 0, out && sources > 1, false, port.sacn().isPresent());
    }

    private void tables(ArtPacket.TodRequest request, InetSocketAddress sender) {
        List<SimPort> ports = ports();
        for (int i = 0; i < ports.size(); i++) {
            SimPort port = ports.get(i);
            if (port.address().net() == request.net()
                    && request.subUnis().contains(port.address().subUni())) {
                List<Uid> uids = port.hasTable()
                        ? port.units().stream().map(SimUnit::uid).toList()
                        : List.of();
                reply(
                        new TodData(
                                i % PORTS_IN_A_REPLY + 1,
                                i / PORTS_IN_A_REPLY + 1,
                                port.address(),
                                port.hasTable(),
                                uids.size(),
                                0,
                                uids),
                        sender);
            }
        }
    }

    private void rdm(ArtPacket.Rdm packet, InetSocketAddress sender) {
        try {
            RdmMessage request = packet.decoded();
            Optional<RdmMessage> answer = ports().stream()
                    .filter(p -> p.address().equals(packet.address()) && SimUnit.isRequest(request))
                    .flatMap(p -> p.reached().stream())
                    .flatMap(u -> u.answer(request).stream())
                    .findFirst();
            answer.ifPresent(a -> reply(ArtPacket.Rdm.carrying(packet.address(), a), sender));
        } catch (MalformedPacketException e) {
            System.getLogger(SimNode.class.getName()).log(System.Logger.Level.DEBUG, "dropped: {0}", e.getMessage());
        }
    }

    private void reply(ArtPacket packet, InetSocketAddress sender) {
        try {
            link.send(packet, toEveryone ? EVERYONE : sender, SendPolicy.LOOPBACK_ONLY);
        } catch (IOException e) {
            throw new UncheckedIOException("simulated node " + name + " cannot answer " + sender, e);
        }
    }

    @Override
    public synchronized void close() {
        link.close();
    }
}
