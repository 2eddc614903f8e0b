package taxon.wire.link;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.nio.ByteBuffer;
import java.nio.channels.DatagramChannel;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.network.Ipv4;
import taxon.core.network.SacnUniverse;
import taxon.wire.artnet.codec.ArtNetCodec;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.bytes.MalformedPacketException;
import taxon.wire.sacn.codec.SacnCodec;
import taxon.wire.sacn.codec.SacnData;
import taxon.wire.sacn.codec.SacnDiscovery;
import taxon.wire.sacn.codec.SacnPacket;

/**
 * The sockets of one card, for all who listen and send by it: Art-Net to its address and to everyone, streaming ACN to its address and
 * to the groups that somebody joined.
 *
 * <p>Anyone can send anything: what is no packet is counted and dropped, and what a listener cannot deal with is counted and the next
 * packet is received. Listeners run on the receiving thread and must not block. Safe for several threads.
 */
public final class CardLink implements Link, AutoCloseable {
    private static final System.Logger LOG = System.getLogger(CardLink.class.getName());
    private static final int SEND_TRIES = 100;
    private static final long SEND_PAUSE_NANOS = 100_000;

    /** Whether others may open the same ports. */
    public enum Sharing {
        /** Nobody else has them; a box that stands at an address of its own. */
        ALONE,
        /** Other programs and a second Taxon may have them too. */
        SHARED
    }

    private final Ipv4 card;
    private final Sharing sharing;
    private final boolean crowded;
    private final Reactor reactor;
    private final DatagramChannel sacn;
    private final Map<Ipv4, Group> groups = new TreeMap<>();
    private final List<LinkListener> listeners = new CopyOnWriteArrayList<>();
    private final AtomicLong packets = new AtomicLong();
    private final AtomicLong malformed = new AtomicLong();
    private final AtomicLong failures = new AtomicLong();
    private DatagramChannel artNet;
    private boolean open = true;

    private static final class Group {
        private final DatagramChannel channel;
        private int members = 1;

        Group(DatagramChannel channel) {
            this.channel = channel;
        }
    }

    /** Ends what was begun; ending it again does nothing. */
    @FunctionalInterface
    public interface Ending extends AutoCloseable {
        @Override
        void close();
    }

    private CardLink(Ipv4 card, Sharing sharing) throws IOException {
        this.card = card;
        this.sharing = sharing;
        crowded = sharing == Sharing.SHARED && isTaken(card);
        List<DatagramChannel> opened = new ArrayList<>();
        try {
            artNet = opened(opened, Sockets.on(card, ArtNetCodec.UDP_PORT, sharing == Sharing.SHARED));
            sacn = opened(opened, Sockets.on(card, SacnData.UDP_PORT, sharing == Sharing.SHARED));
            Sockets.leavesBy(sacn, card);
            reactor = new Reactor("card " + card);
        } catch (IOException e) {
            for (DatagramChannel channel : opened) {
                channel.close();
            }
            throw e;
        }
        reactor.add(artNet, this::artNet);
        reactor.add(sacn, this::sacn);
        for (DatagramChannel broadcast : Sockets.broadcasts(card)) {
            reactor.add(broadcast, this::artNet);
        }
    }

    private static DatagramChannel opened(List<DatagramChannel> all, DatagramChannel channel) {
        all.add(channel);
        return channel;
    }

    /** True when somebody else has the port of Art-Net on this address already. */
    private static boolean isTaken(Ipv4 card) {
        try (DatagramChannel alone = Sockets.on(card, ArtNetCodec.UDP_PORT, false)) {
            return !alone.isOpen();
        } catch (IOException taken) {
            return true;
        }
    }

    /** @throws IOException when the address is not this computer's, or another program has its ports for itself */
    public static CardLink open(Ipv4 card, Sharing sharing) throws IOException {
        return new CardLink(card, sharing);
    }

    @Override
    public Ipv4 card() {
        return card;
    }

    @Override
    public List<Ipv4> cards() {
        return List.of(card);
    }

    @Override
    public boolean isCrowded() {
        return crowded;
    }

    @Override
    public Ending listen(LinkListener listener) {
        listeners.add(listener);
        return () -> listeners.remove(listener);
    }

    @Override
    public Ending join(SacnUniverse universe) throws IOException {
        return join(universe.multicastGroup());
    }

    @Override
    public Ending joinDiscovery() throws IOException {
        return join(SacnDiscovery.GROUP);
    }

    private synchronized Ending join(Ipv4 group) throws IOException {
        requireOpen();
        Group known = groups.get(group);
        if (known == null) {
            DatagramChannel channel = Sockets.group(card, group);
            reactor.add(channel, this::sacn);
            groups.put(group, new Group(channel));
        } else {
            known.members++;
        }
        boolean[] left = new boolean[1];
        return () -> leave(group, left);
    }

    private synchronized void leave(Ipv4 group, boolean[] left) {
        Group known = groups.get(group);
        if (left[0] || known == null) {
            return;
        }
        left[0] = true;
        known.members--;
        if (known.members == 0) {
            groups.remove(group);
            reactor.letGo(known.channel);
        }
    }

    @Override
    public synchronized void claim() throws IOException {
        requireOpen();
        if (sharing == Sharing.SHARED) {
            DatagramChannel fresh = Sockets.on(card, ArtNetCodec.UDP_PORT, true);
            reactor.add(fresh, this::artNet);
            reactor.letGo(artNet);
            artNet = fresh;
        }
    }

    private void requireOpen() throws IOException {
        if (!open) {
            throw new IOException("the link of card " + card + " is closed");
        }
    }

    @Override
    public void send(ArtPacket packet, Ipv4 destination, SendPolicy policy) throws IOException {
        send(packet, new InetSocketAddress(Sockets.address(destination), ArtNetCodec.UDP_PORT), policy);
    }

    @Override
    public void send(ArtPacket packet, InetSocketAddress destination, SendPolicy policy) throws IOException {
        send(channel(), ArtNetCodec.encode(packet), destination, policy);
    }

    @Override
    public void send(SacnPacket packet, Ipv4 destination, List<Ipv4> boxes, SendPolicy policy) throws IOException {
        send(sacn, packet.encode(), new InetSocketAddress(Sockets.address(destination), SacnData.UDP_PORT), policy);
    }

    private synchronized DatagramChannel channel() {
        return artNet;
    }

    private static void send(DatagramChannel by, byte[] bytes, InetSocketAddress destination, SendPolicy policy)
            throws IOException {
        Ipv4 ip = Ipv4.parse(destination.getAddress().getHostAddress()).orElse(new Ipv4(0));
        if (!policy.allows(ip)) {
            throw new SendForbiddenException(ip);
        }
        for (int i = 0; i < SEND_TRIES; i++) {
            if (by.send(ByteBuffer.wrap(bytes), destination) == bytes.length) {
                return;
            }
            LockSupport.parkNanos(SEND_PAUSE_NANOS);
        }
        throw new IOException("this computer does not get rid of its packets to " + ip);
    }

    @Override
    public LinkCounts counts() {
        return new LinkCounts(packets.get(), malformed.get(), failures.get(), SystemDrops.of(entries()));
    }

    private synchronized Set<String> entries() {
        return Stream.concat(
                        Stream.of(
                                SystemDrops.entry(card, ArtNetCodec.UDP_PORT),
                                SystemDrops.entry(card, SacnData.UDP_PORT)),
                        groups.keySet().stream().map(g -> SystemDrops.entry(g, SacnData.UDP_PORT)))
                .collect(Collectors.toSet());
    }

    private void artNet(byte[] bytes, InetSocketAddress sender, long nanos) {
        packets.incrementAndGet();
        try {
            ArtPacket packet = ArtNetCodec.decode(bytes);
            tell(l -> l.artNet(packet, sender, nanos));
        } catch (MalformedPacketException e) {
            malformed.incrementAndGet();
        }
    }

    private void sacn(byte[] bytes, InetSocketAddress sender, long nanos) {
        packets.incrementAndGet();
        try {
            SacnPacket packet = SacnCodec.decode(bytes);
            tell(l -> l.sacn(packet, sender, nanos));
        } catch (MalformedPacketException e) {
            malformed.incrementAndGet();
        }
    }

    /** What one listener does with a packet keeps it from no other, and stops no receiving. */
    private void tell(Consumer<LinkListener> telling) {
        for (LinkListener listener : listeners) {
            try {
                telling.accept(listener);
            } catch (RuntimeException | StackOverflowError | AssertionError e) {
                if (failures.incrementAndGet() == 1) {
                    LOG.log(
                            System.Logger.Level.WARNING,
                            "a listener at card " + card + " failed; further ones are counted",
                            e);
                }
            }
        }
    }

    /** Gives all ports back: when this returns, another may have them. */
    @Override
    public void close() {
        synchronized (this) {
            open = false;
            groups.clear();
        }
        reactor.close();
    }
}
