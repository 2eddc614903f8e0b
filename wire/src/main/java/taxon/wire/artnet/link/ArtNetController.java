package taxon.wire.artnet.link;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.function.Predicate;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.artnet.codec.ArtPacket.TodData;
import taxon.wire.artnet.link.DeviceTable.Outlet;
import taxon.wire.bytes.MalformedPacketException;
import taxon.wire.link.CardLink;
import taxon.wire.link.Link;
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
    /** A node may describe itself in several replies; once the first came, the others follow at once. */
    private static final Duration MORE_REPLIES = Duration.ofMillis(60);

    private final LinkedBlockingQueue<Arrival> arrivals = new LinkedBlockingQueue<>(10_000);
    private final Link link;
    private final SendPolicy policy;
    private final Duration timeout;
    private final CardLink.Ending listening;

    private record Arrival(ArtPacket packet, Ipv4 sender) {}

    private ArtNetController(Link link, SendPolicy policy, Duration timeout) {
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
    public static ArtNetController over(Link link, SendPolicy policy, Duration timeout) throws IOException {
        link.claim();
        return new ArtNetController(link, policy, timeout);
    }

    private void received(ArtPacket packet, InetSocketAddress sender) {
        Ipv4.parse(sender.getAddress().getHostAddress()).ifPresent(ip -> arrivals.offer(new Arrival(packet, ip)));
    }

    /**
     * What answers a poll at an address, as soon as one does: one device with all of its replies that follow at once, in their
     * order. More than one where several devices have the address; none when nobody answers.
     */
    public List<List<PollReply>> poll(Ipv4 node) throws IOException, InterruptedException {
        try (RollCall call = RollCall.over(link, policy)) {
            for (int i = 0; i < TRIES && call.at(node).isEmpty(); i++) {
                call.poll(node);
                call.hear(timeout, () -> !call.at(node).isEmpty());
            }
            // What was asked last may be answered as late as what was asked first.
            call.hear(timeout, () -> !call.at(node).isEmpty());
            call.hear(call.at(node).isEmpty() ? Duration.ZERO : MORE_REPLIES, () -> false);
            return call.at(node).stream().map(RollCall.Device::pages).toList();
        }
    }

    /**
     * Programs a node by one packet. What became of it is to be asked: nodes answer this as they answer a poll, and need not.
     *
     * @throws IOException when it cannot be sent, or may not be
     */
    public void program(ArtPacket packet, Ipv4 node) throws IOException {
        link.send(packet, node, policy);
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
        return rdm(node, address, request, m -> m.answers(request));
    }

    /**
     * The same where more than one message may be the answer.
     *
     * @param isAnswer of which the first is given
     */
    public Optional<RdmMessage> rdm(Ipv4 node, PortAddress address, RdmMessage request, Predicate<RdmMessage> isAnswer)
            throws IOException, InterruptedException {
        return ask(ArtPacket.Rdm.carrying(address, request), node, a -> answer(a, node, isAnswer));
    }

    /** Tells a port to discover its devices anew; its table is to be asked for afterwards. */
    public void discover(Ipv4 node, PortAddress address) throws IOException {
        link.send(new ArtPacket.TodControl(address, ArtPacket.TodControl.FLUSH), node, policy);
    }

    private static Optional<RdmMessage> answer(Arrival arrival, Ipv4 node, Predicate<RdmMessage> isAnswer) {
        if (!arrival.sender().equals(node) || !(arrival.packet() instanceof ArtPacket.Rdm rdm)) {
            return Optional.empty();
        }
        try {
            return Optional.of(rdm.decoded()).filter(isAnswer);
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
