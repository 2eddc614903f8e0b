package taxon.wire.link;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.InterfaceAddress;
import java.net.NetworkInterface;
import java.net.StandardProtocolFamily;
import java.net.StandardSocketOptions;
import java.nio.channels.DatagramChannel;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.network.Ipv4;
import taxon.wire.artnet.codec.ArtNetCodec;
import taxon.wire.sacn.codec.SacnData;

/** Opens the sockets of a card. */
final class Sockets {
    private static final System.Logger LOG = System.getLogger(Sockets.class.getName());
    /** Bursts of 256 universes overflow the usual buffer. */
    private static final int RECEIVE_BUFFER_BYTES = 4 << 20;

    private Sockets() {}

    static InetAddress address(Ipv4 ip) throws IOException {
        return InetAddress.getByName(ip.toString());
    }

    /**
     * A socket on one address.
     *
     * @param shared true where other sockets may have the same port and address
     * @throws IOException when the address is not this machine's, or another has its port for itself
     */
    static DatagramChannel on(Ipv4 ip, int port, boolean shared) throws IOException {
        try {
            return bound(new InetSocketAddress(address(ip), port), shared);
        } catch (IOException e) {
            throw new IOException("UDP port " + port + " on " + ip + " cannot be had: " + e.getMessage(), e);
        }
    }

    private static DatagramChannel bound(InetSocketAddress at, boolean shared) throws IOException {
        return bound(DatagramChannel.open(StandardProtocolFamily.INET), at, shared);
    }

    private static DatagramChannel bound(DatagramChannel channel, InetSocketAddress at, boolean shared)
            throws IOException {
        try {
            channel.setOption(StandardSocketOptions.SO_REUSEADDR, shared);
            channel.setOption(StandardSocketOptions.SO_RCVBUF, RECEIVE_BUFFER_BYTES);
            channel.setOption(StandardSocketOptions.SO_BROADCAST, true);
            channel.bind(at);
            return channel;
        } catch (IOException | RuntimeException e) {
            channel.close();
            throw e;
        }
    }

    /** The card that has an address. */
    static NetworkInterface card(Ipv4 ip) throws IOException {
        NetworkInterface card = NetworkInterface.getByInetAddress(address(ip));
        // Every address of 127/8 is the loopback card's, though it lists only the first (Linux).
        NetworkInterface found = card == null && ip.isLoopback()
                ? NetworkInterface.getByInetAddress(address(Ipv4.of(127, 0, 0, 1)))
                : card;
        if (found == null) {
            throw new IOException("no card of this computer has the address " + ip);
        }
        return found;
    }

    /** A socket that hears one group by one card: bound to the group, so that it hears no other (ANSI E1.31, 9.3.1). */
    static DatagramChannel group(Ipv4 ip, Ipv4 heard) throws IOException {
        InetAddress group = address(heard);
        DatagramChannel channel = bound(new InetSocketAddress(group, SacnData.UDP_PORT), true);
        try {
            channel.join(group, card(ip));
            return channel;
        } catch (IOException | RuntimeException e) {
            channel.close();
            throw e;
        }
    }

    /** Whatever is sent to a group by this socket leaves by that card and by no other. */
    static void leavesBy(DatagramChannel channel, Ipv4 ip) throws IOException {
        channel.setOption(StandardSocketOptions.IP_MULTICAST_IF, card(ip));
        channel.setOption(StandardSocketOptions.IP_MULTICAST_LOOP, true);
    }

    /**
     * Nodes may answer to everyone (Art-Net 4, "ArtPollReply" is broadcast by older ones; from memory). What is sent to a broadcast
     * address does not come to a socket that is bound to one address, so that it is listened for beside it, where the system allows
     * that.
     */
    static List<DatagramChannel> broadcasts(Ipv4 ip) {
        List<DatagramChannel> channels = new ArrayList<>();
        for (String address : broadcastAddresses(ip)) {
            listening(address).ifPresent(channels::add);
        }
        return channels;
    }

    private static Set<String> broadcastAddresses(Ipv4 ip) {
        if (ip.isLoopback()) {
            return Set.of("127.255.255.255");
        }
        Set<String> addresses = new TreeSet<>(Set.of("255.255.255.255"));
        try {
            card(ip).getInterfaceAddresses().stream()
                    .map(InterfaceAddress::getBroadcast)
                    .filter(Objects::nonNull)
                    .map(InetAddress::getHostAddress)
                    .forEach(addresses::add);
        } catch (IOException unknown) {
            // Then only what is sent to all networks is heard.
            LOG.log(System.Logger.Level.DEBUG, "no broadcast address of {0}: {1}", ip, unknown.getMessage());
        }
        return addresses;
    }

    private static Optional<DatagramChannel> listening(String address) {
        try {
            // A socket of both families, since Java binds none of the one family to a broadcast address of the loopback
            // card.
            return Optional.of(bound(
                    DatagramChannel.open(),
                    new InetSocketAddress(InetAddress.getByName(address), ArtNetCodec.UDP_PORT),
                    true));
        } catch (IOException notHere) {
            LOG.log(System.Logger.Level.DEBUG, "broadcasts to {0} are not heard: {1}", address, notHere.getMessage());
            return Optional.empty();
        }
    }
}
