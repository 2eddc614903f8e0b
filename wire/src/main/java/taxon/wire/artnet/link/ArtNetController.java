package taxon.wire.artnet.link;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.time.Duration;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.artnet.codec.ArtPacket.TodData;
import taxon.wire.artnet.link.DeviceTable.Outlet;
import taxon.wire.bytes.MalformedPacketException;
import taxon.wire.link.CardLink;
import taxon.wire.link.LinkListener;
import taxon.wire.link.SendPolicy;
import taxon.wire.rdm.codec.RdmMessage;
import taxon.wire.rdm.codec.Uid;

/**
 * Asks nodes and waits for their answers, one question at a time. For one thread.
 *
 * <p>Every wait is bounded by the timeout given at the start; a question that gets no answer is asked again twice.
 */
public final class ArtNetController implements AutoCloseable {
    private static final int TRIES = 3;
    /** More than any rig has; a flood of replies is not kept. */
    private static final int MOST_FOUND = 1_000;
    /** A node may describe itself in several replies; once the first came, the others follow at once. */
    private static final Duration MORE_REPLIES = Duration.ofMillis(60);

    private final LinkedBlockingQueue<Arrival> arrivals = new LinkedBlockingQueue<>(10_000);
    private final CardLink link;
    private final SendPolicy policy;
    private final Duration timeout;
    private final CardLink.Ending listening;

    private record Arrival(ArtPacket packet, Ipv4 sender) {}

    private ArtNetController(CardLink link, SendPolicy policy, Duration timeout) {
        this.link = link;
        this.policy = policy;
        this.timeout = timeout;
        listening = link.listen(new LinkListener() {
            @Override
            public void artNet(ArtPacket packet, InetSocketAddress sender, long nanos) {
                received(packet, sender);
            }
        });
    }

    /**
     * Asks by a card, whoever else uses it at the same time.
     *
     * @param timeout how long one try waits for an answer
     * @throws IOException when the link is closed
     */
    public static ArtNetController over(CardLink link, SendPolicy policy, Duration timeout) throws IOException {
        link.claim();
        return new ArtNetController(link, policy, timeout);
    }

    private void received(ArtPacket packet, InetSocketAddress sender) {
        Ipv4.parse(sender.getAddress().getHostAddress()).ifPresent(ip -> arrivals.offer(new Arrival(packet, ip)));
    }

    /**
     * What answers a poll at an address: one device with all of its replies, in the order of their bind index. More than one
     * where several devices have the address, which their hardware addresses tell apart; none when nobody answers.
     */
    public List<List<PollReply>> poll(Ipv4 node) throws IOException, InterruptedException {
        Map<Long, Map<Integer, PollReply>> devices = new LinkedHashMap<>();
        ask(new ArtPacket.Poll(), node, a -> keep(a, node, devices));
        while (!devices.isEmpty()
                && next(MORE_REPLIES, a -> keep(a, node, devices)).isPresent()) {
            // keep() has put the reply into the map
        }
        return devices.values().stream().map(d -> List.copyOf(d.values())).toList();
    }

    private static Optional<PollReply> keep(Arrival arrival, Ipv4 node, Map<Long, Map<Integer, PollReply>> devices) {
        if (arrival.sender().equals(node) && arrival.packet() instanceof PollReply reply) {
            devices.computeIfAbsent(reply.mac(), m -> new TreeMap<>()).put(reply.bindIndex(), reply);
            return Optional.of(reply);
        }
        return Optional.empty();
    }

    /**
     * All who answer a poll to everyone within the timeout, by the address that they answer from: one reply of each.
     *
     * @param everyone a broadcast address that the policy allows
     */
    public Map<Ipv4, PollReply> pollAll(Ipv4 everyone) throws IOException, InterruptedException {
        Map<Ipv4, PollReply> found = new TreeMap<>();
        link.send(new ArtPacket.Poll(), everyone, policy);
        next(timeout, a -> {
            if (a.packet() instanceof PollReply reply && found.size() < MOST_FOUND) {
                found.putIfAbsent(a.sender(), reply);
            }
            return Optional.empty();
        });
        return found;
    }

    /** The mask that a node has; empty when it does not say. */
    public Optional<Ipv4> mask(Ipv4 node) throws IOException, InterruptedException {
        link.send(new ArtPacket.IpEnquiry(), node, policy);
        return next(
                timeout,
                a -> a.sender().equals(node) && a.packet() instanceof ArtPacket.IpReply reply
                        ? Optional.of(reply.mask())
                        : Optional.empty());
    }

    /**
     * The table of devices of a port. Two ports of a node may carry the same Port-Address on different pages: what the one says is
     * never taken for the other. A node that counts its ports otherwise, and has only one such table, is understood all the same.
     */
    public DeviceTable tableOfDevices(Ipv4 node, Outlet outlet) throws IOException, InterruptedException {
        Map<Outlet, Map<Integer, TodData>> tables = new HashMap<>();
        ArtPacket request = new ArtPacket.TodRequest(
                outlet.address().net(), List.of(outlet.address().subUni()));
        Optional<DeviceTable> answered = ask(request, node, a -> {
            if (a.sender().equals(node)
                    && a.packet() instanceof TodData data
                    && data.address().equals(outlet.address())) {
                Outlet from = new Outlet(data.address(), data.bindIndex(), data.physicalPort());
                Map<Integer, TodData> blocks = tables.computeIfAbsent(from, f -> new TreeMap<>());
                blocks.put(data.block(), data);
                return isSame(from, outlet) ? table(blocks) : Optional.empty();
            }
            return Optional.empty();
        });
        return answered.or(() -> only(tables)).orElseGet(DeviceTable.Silent::new);
    }

    private static boolean isSame(Outlet said, Outlet asked) {
        boolean samePage = said.bindIndex() == 0 || asked.bindIndex() == 0 || said.bindIndex() == asked.bindIndex();
        return samePage && (said.port() == 0 || said.port() == asked.port());
    }

    private static Optional<DeviceTable> only(Map<Outlet, Map<Integer, TodData>> tables) {
        return tables.size() == 1 ? table(tables.values().iterator().next()) : Optional.empty();
    }

    /** Empty as long as some of it is still to come. */
    private static Optional<DeviceTable> table(Map<Integer, TodData> blocks) {
        if (blocks.values().stream().anyMatch(b -> !b.available())) {
            return Optional.of(new DeviceTable.Refused());
        }
        List<Uid> uids = blocks.values().stream()
                .flatMap(b -> b.uids().stream())
                .distinct()
                .toList();
        boolean whole = blocks.values().stream().allMatch(b -> uids.size() >= b.total());
        return whole ? Optional.of(new DeviceTable.Found(uids)) : Optional.empty();
    }

    /** Carries a request to a device on a port and gives its answer; empty when none comes. */
    public Optional<RdmMessage> rdm(Ipv4 node, PortAddress address, RdmMessage request)
            throws IOException, InterruptedException {
        return ask(ArtPacket.Rdm.carrying(address, request), node, a -> answer(a, node, request));
    }

    private static Optional<RdmMessage> answer(Arrival arrival, Ipv4 node, RdmMessage request) {
        if (!arrival.sender().equals(node) || !(arrival.packet() instanceof ArtPacket.Rdm rdm)) {
            return Optional.empty();
        }
        try {
            return Optional.of(rdm.decoded()).filter(m -> m.answers(request));
        } catch (MalformedPacketException notAnAnswer) {
            return Optional.empty();
        }
    }

    private <T> Optional<T> ask(ArtPacket question, Ipv4 node, Function<Arrival, Optional<T>> answer)
            throws IOException, InterruptedException {
        for (int i = 0; i < TRIES; i++) {
            link.send(question, node, policy);
            Optional<T> found = next(timeout, answer);
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    /** The first arrival that is an answer; others are dropped. */
    private <T> Optional<T> next(Duration within, Function<Arrival, Optional<T>> answer) throws InterruptedException {
        long deadline = System.nanoTime() + within.toNanos();
        for (long left = within.toNanos(); left > 0; left = deadline - System.nanoTime()) {
            Arrival arrival = arrivals.poll(left, TimeUnit.NANOSECONDS);
            if (arrival == null) {
                return Optional.empty();
            }
            Optional<T> found = answer.apply(arrival);
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    /** Listens no more; the link goes on. */
    @Override
    public void close() {
        listening.close();
    }
}
