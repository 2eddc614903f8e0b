package taxon.wire.artnet.link;

import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketException;
import java.net.StandardSocketOptions;
import java.time.Duration;
import java.util.Arrays;
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
    private static final int RECEIVE_BUFFER_BYTES = 4 << 20;
    private static final int LARGEST_PACKET = 2048;
    private static final Duration LONGEST_FAREWELL = Duration.ofSeconds(2);

    /** Is told of each packet and of who sent it. */
    @FunctionalInterface
    public interface Handler {
        void received(ArtPacket packet, InetSocketAddress sender);
    }

    private final DatagramSocket socket;
    private final SendPolicy policy;
    private final Thread receiver;
    private final AtomicLong malformed = new AtomicLong();

    private ArtNetLink(DatagramSocket socket, SendPolicy policy, Handler handler) {
        this.socket = socket;
        this.policy = policy;
        receiver = new Thread(
                () -> receive(handler), "art-net " + socket.getLocalAddress().getHostAddress());
        receiver.setDaemon(true);
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
        ArtNetLink link = new ArtNetLink(socket, policy, handler);
        link.receiver.start();
        return link;
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

    private void receive(Handler handler) {
        byte[] buffer = new byte[LARGEST_PACKET];
        while (!socket.isClosed()) {
            try {
                DatagramPacket packet = new DatagramPacket(buffer, buffer.length);
                socket.receive(packet);
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
        if (Thread.currentThread() != receiver) {
            awaitReceiver();
        }
    }

    /** The system keeps the port for as long as a thread is still inside its last receive. */
    private void awaitReceiver() {
        try {
            receiver.join(LONGEST_FAREWELL.toMillis());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
