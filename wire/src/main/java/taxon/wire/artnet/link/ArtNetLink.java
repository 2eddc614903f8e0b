package taxon.wire.artnet.link;

import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.InterfaceAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.StandardSocketOptions;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicLong;
import taxon.core.network.Ipv4;
import taxon.wire.artnet.codec.ArtNetCodec;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.bytes.MalformedPacketException;

/**
 * A UDP socket that speaks Art-Net from one local address, with a thread that hands on what arrives.
 *
 * <p>Malformed packets are counted and dropped: anyone can send anything. The handler runs on the receiving thread and
 * must not block.
 */
public final class ArtNetLink implements AutoCloseable {
    private static final System.Logger LOG = System.getLogger(ArtNetLink.class.getName());
    private static final int RECEIVE_BUFFER_BYTES = 4 << 20;
    private static final int LARGEST_PACKET = 2048;
    private static final Duration LONGEST_FAREWELL = Duration.ofSeconds(2);

    /** Is told of each packet and of who sent it. */
    @FunctionalInterface
    public interface Handler {
        void received(ArtPacket packet, InetSocketAddress sender);
    }

    private final DatagramSocket socket;
    private final List<DatagramSocket> broadcasts;
    private final SendPolicy policy;
    private final List<Thread> receivers = new ArrayList<>();
    private final AtomicLong malformed = new AtomicLong();

    private ArtNetLink(DatagramSocket socket, List<DatagramSocket> broadcasts, SendPolicy policy, Handler handler) {
        this.socket = socket;
        this.broadcasts = List.copyOf(broadcasts);
        this.policy = policy;
        receivers.add(receiver(socket, handler));
        broadcasts.forEach(b -> receivers.add(receiver(b, handler)));
    }

    private Thread receiver(DatagramSocket from, Handler handler) {
        Thread thread = new Thread(
                () -> receive(from, handler),
                "art-net " + from.getLocalAddress().getHostAddress());
        thread.setDaemon(true);
        return thread;
    }

    /** @throws IOException when the address is not this machine's, or another program has its port */
    public static ArtNetLink open(Ipv4 local, SendPolicy policy, Handler handler) throws IOException {
        DatagramSocket socket = new DatagramSocket(null);
        try {
            socket.setOption(StandardSocketOptions.SO_RCVBUF, RECEIVE_BUFFER_BYTES);
            socket.bind(new InetSocketAddress(InetAddress.getByName(local.toString()), ArtNetCodec.UDP_PORT));
        } catch (IOException e) {
            socket.close();
            throw new IOException(
                    "UDP port " + ArtNetCodec.UDP_PORT + " on " + local + " cannot be had: " + e.getMessage(), e);
        }
        ArtNetLink link = new ArtNetLink(socket, broadcastsOf(local), policy, handler);
        link.receivers.forEach(Thread::start);
        return link;
    }

    /**
     * Nodes may answer to everyone (Art-Net 4, "ArtPollReply" is broadcast by older ones; from memory). What is sent to a broadcast
     * address does not come to a socket that is bound to one address, so that it is listened for beside it, where the system allows
     * that.
     */
    private static List<DatagramSocket> broadcastsOf(Ipv4 local) {
        List<DatagramSocket> sockets = new ArrayList<>();
        for (String address : broadcastAddresses(local)) {
            listening(address).ifPresent(sockets::add);
        }
        return sockets;
    }

    private static Set<String> broadcastAddresses(Ipv4 local) {
        if (local.isLoopback()) {
            return Set.of("127.255.255.255");
        }
        Set<String> addresses = new TreeSet<>(Set.of("255.255.255.255"));
        try {
            NetworkInterface card = NetworkInterface.getByInetAddress(InetAddress.getByName(local.toString()));
            if (card != null) {
                card.getInterfaceAddresses().stream()
                        .map(InterfaceAddress::getBroadcast)
                        .filter(Objects::nonNull)
                        .map(InetAddress::getHostAddress)
                        .forEach(addresses::add);
            }
        } catch (IOException unknown) {
            // Then only what is sent to all networks is heard.
            LOG.log(System.Logger.Level.DEBUG, "no broadcast address of {0}: {1}", local, unknown.getMessage());
        }
        return addresses;
    }

    private static Optional<DatagramSocket> listening(String address) {
        try {
            DatagramSocket socket = new DatagramSocket(null);
            socket.setReuseAddress(true);
            socket.bind(new InetSocketAddress(InetAddress.getByName(address), ArtNetCodec.UDP_PORT));
            return Optional.of(socket);
        } catch (IOException notHere) {
            LOG.log(System.Logger.Level.DEBUG, "broadcasts to {0} are not heard: {1}", address, notHere.getMessage());
            return Optional.empty();
        }
    }

    public void send(ArtPacket packet, Ipv4 destination) throws IOException {
        send(packet, new InetSocketAddress(InetAddress.getByName(destination.toString()), ArtNetCodec.UDP_PORT));
    }

    public void send(ArtPacket packet, InetSocketAddress destination) throws IOException {
        Ipv4 ip = Ipv4.parse(destination.getAddress().getHostAddress()).orElse(new Ipv4(0));
        if (!policy.allows(ip)) {
            throw new SendForbiddenException(ip);
        }
        byte[] bytes = ArtNetCodec.encode(packet);
        socket.send(new DatagramPacket(bytes, bytes.length, destination));
    }

    /** How many packets were no Art-Net. */
    public long malformed() {
        return malformed.get();
    }

    private void receive(DatagramSocket from, Handler handler) {
        byte[] buffer = new byte[LARGEST_PACKET];
        while (!from.isClosed()) {
            try {
                DatagramPacket packet = new DatagramPacket(buffer, buffer.length);
                from.receive(packet);
                byte[] bytes = Arrays.copyOf(packet.getData(), packet.getLength());
                handler.received(ArtNetCodec.decode(bytes), (InetSocketAddress) packet.getSocketAddress());
            } catch (MalformedPacketException e) {
                malformed.incrementAndGet();
            } catch (SocketException e) {
                return;
            } catch (IOException e) {
                malformed.incrementAndGet();
            }
        }
    }

    /** Gives the port back: when this returns, another may have it. */
    @Override
    public void close() {
        socket.close();
        broadcasts.forEach(DatagramSocket::close);
        receivers.stream().filter(r -> r != Thread.currentThread()).forEach(ArtNetLink::await);
    }

    /** The system keeps the port for as long as a thread is still inside its last receive. */
    private static void await(Thread receiver) {
        try {
            receiver.join(LONGEST_FAREWELL.toMillis());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
