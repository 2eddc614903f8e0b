package taxon.simrig;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetSocketAddress;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.core.network.Ipv4;
import taxon.wire.artnet.codec.ArtNetCodec;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.artnet.codec.ArtPacket.Port;
import taxon.wire.artnet.codec.ArtPacket.TodData;
import taxon.wire.artnet.link.ArtNetLink;
import taxon.wire.artnet.link.SendPolicy;
import taxon.wire.bytes.MalformedPacketException;
import taxon.wire.rdm.codec.RdmMessage;
import taxon.wire.rdm.codec.Uid;

/**
 * A simulated node on a loopback address. It describes itself when polled, gives its tables of devices,
 * and carries RDM to its units. Answers go back to the port that asked.
 */
public final class SimNode implements AutoCloseable {
    private static final int PORTS_IN_A_REPLY = 4;

    private static final InetSocketAddress EVERYONE = new InetSocketAddress("127.255.255.255", ArtNetCodec.UDP_PORT);

    private final boolean toEveryone;
    private final Ipv4 ip;
    private final String name;
    private final List<SimPort> ports;
    private final ArtNetLink link;

    private SimNode(Ipv4 ip, String name, List<SimPort> ports, boolean toEveryone) throws IOException {
        this.toEveryone = toEveryone;
        this.ip = ip;
        this.name = name;
        this.ports = List.copyOf(ports);
        link = ArtNetLink.open(ip, SendPolicy.LOOPBACK_ONLY, this::received);
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
        if (ports.stream().map(p -> p.address().number() >> 4).distinct().count() != 1) {
            throw new IllegalArgumentException("the ports of " + name + " differ in Net or Sub-Net");
        }
        return new SimNode(ip, name, ports, toEveryone);
    }

    public Ipv4 ip() {
        return ip;
    }

    public List<SimPort> ports() {
        return ports;
    }

    private void received(ArtPacket packet, InetSocketAddress sender) {
        if (packet instanceof ArtPacket.Poll) {
            pollReplies().forEach(r -> reply(r, sender));
        } else if (packet instanceof ArtPacket.TodRequest request) {
            tables(request, sender);
        } else if (packet instanceof ArtPacket.Rdm rdm) {
            rdm(rdm, sender);
        }
    }

    /** A reply describes four ports at most; a node with more answers several times. */
    private List<PollReply> pollReplies() {
        List<PollReply> replies = new ArrayList<>();
        for (int from = 0; from < ports.size(); from += PORTS_IN_A_REPLY) {
            List<SimPort> part = ports.subList(from, Math.min(from + PORTS_IN_A_REPLY, ports.size()));
            replies.add(new PollReply(
                    ip,
                    name,
                    name + ", simulated",
                    "#0001 [0001] ready",
                    part.get(0).address().net(),
                    part.get(0).address().subNet(),
                    replies.size() + 1,
                    part.stream()
                            .map(p -> new Port(p.address().universe(), true, true))
                            .toList()));
        }
        return replies;
    }

    private void tables(ArtPacket.TodRequest request, InetSocketAddress sender) {
        for (int i = 0; i < ports.size(); i++) {
            SimPort port = ports.get(i);
            if (port.address().net() == request.net()
                    && request.subUnis().contains(port.address().subUni())) {
                List<Uid> uids =
                        port.tells() ? port.units().stream().map(SimUnit::uid).toList() : List.of();
                reply(
                        new TodData(
                                i % PORTS_IN_A_REPLY + 1,
                                i / PORTS_IN_A_REPLY + 1,
                                port.address(),
                                port.tells(),
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
            Optional<RdmMessage> answer = ports.stream()
                    .filter(p -> p.address().equals(packet.address()) && SimUnit.isRequest(request))
                    .flatMap(p -> p.units().stream())
                    .flatMap(u -> u.answer(request).stream())
                    .findFirst();
            answer.ifPresent(a -> reply(ArtPacket.Rdm.carrying(packet.address(), a), sender));
        } catch (MalformedPacketException e) {
            System.getLogger(SimNode.class.getName()).log(System.Logger.Level.DEBUG, "dropped: {0}", e.getMessage());
        }
    }

    private void reply(ArtPacket packet, InetSocketAddress sender) {
        try {
            link.send(packet, toEveryone ? EVERYONE : sender);
        } catch (IOException e) {
            throw new UncheckedIOException("simulated node " + name + " cannot answer " + sender, e);
        }
    }

    @Override
    public void close() {
        link.close();
    }
}
