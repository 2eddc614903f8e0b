package taxon.wire.artnet.link;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import taxon.core.network.Ipv4;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.artnet.codec.ArtPacket.Port;
import taxon.wire.link.CardLink;
import taxon.wire.link.Link;
import taxon.wire.link.LinkListener;
import taxon.wire.link.SendPolicy;

/**
 * Asks many boxes at once what they are, and gathers what they say: in any order, as late as they like, several pages of one box,
 * several devices at one address. For one thread.
 *
 * <p>A box may wait for up to a second before it answers, so that not all speak at once (Art-Net 4, "ArtPoll", from memory).
 * What is kept is bounded; what came beyond is counted.
 */
public final class RollCall implements AutoCloseable {
    private static final int MOST_DEVICES = 1_000;
    private static final int MOST_PAGES = 64;

    private final LinkedBlockingQueue<Arrival> arrivals = new LinkedBlockingQueue<>(10_000);
    private final Link link;
    private final SendPolicy policy;
    private final CardLink.Ending listening;
    private final Map<Known, Pages> devices = new LinkedHashMap<>();
    private final Map<Ipv4, Ipv4> masks = new HashMap<>();
    private int round;
    private int left;

    private record Arrival(ArtPacket packet, Ipv4 sender) {}

    /** Two devices at one address are told apart by their hardware addresses. */
    private record Known(Ipv4 answering, long mac) {}

    /** A page is known by its index; where a box does not count them, by what is on it. */
    private record Page(int bindIndex, int net, int subNet, List<Integer> universes) {
        static Page of(PollReply reply) {
            return reply.bindIndex() > 0
                    ? new Page(reply.bindIndex(), 0, 0, List.of())
                    : new Page(
                            0,
                            reply.net(),
                            reply.subNet(),
                            reply.ports().stream().map(Port::universe).toList());
        }

        static int compare(Page one, Page other) {
            return Comparator.comparingInt(Page::bindIndex)
                    .thenComparingInt(Page::net)
                    .thenComparingInt(Page::subNet)
                    .thenComparing(p -> p.universes().toString())
                    .compare(one, other);
        }
    }

    /** What a device said, and in which round it said it last. */
    private static final class Pages {
        private final Map<Page, PollReply> replies = new HashMap<>();
        private int round;

        /** Pages that are not counted cannot replace each other: those of an older round go. */
        boolean take(PollReply reply, int now) {
            if (now > round) {
                replies.keySet().removeIf(p -> p.bindIndex() == 0);
                round = now;
            }
            Page page = Page.of(reply);
            boolean hasRoom = replies.size() < MOST_PAGES || replies.containsKey(page);
            if (hasRoom) {
                replies.put(page, reply);
            }
            return hasRoom;
        }

        List<PollReply> inOrder() {
            return replies.entrySet().stream()
                    .sorted(Map.Entry.comparingByKey(Page::compare))
                    .map(Map.Entry::getValue)
                    .toList();
        }
    }

    /**
     * A device that answered.
     *
     * @param answering the address that its answer came from
     * @param pages one or more, in their order
     * @param mask empty where it has not said
     */
    public record Device(Ipv4 answering, List<PollReply> pages, Optional<Ipv4> mask) {
        public Device {
            pages = List.copyOf(pages);
        }

        /** Its hardware address; 0 where it does not say. */
        public long mac() {
            return pages.get(0).mac();
        }
    }

    private RollCall(Link link, SendPolicy policy) {
        this.link = link;
        this.policy = policy;
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
     * @throws IOException when the link is closed
     */
    public static RollCall over(Link link, SendPolicy policy) throws IOException {
        link.claim();
        return new RollCall(link, policy);
    }

    private void received(ArtPacket packet, InetSocketAddress sender) {
        if (packet instanceof PollReply || packet instanceof ArtPacket.IpReply) {
            Ipv4.parse(sender.getAddress().getHostAddress()).ifPresent(ip -> arrivals.offer(new Arrival(packet, ip)));
        }
    }

    /** Begins a round: what is polled from now on is asked anew. */
    public void round() {
        round++;
    }

    /**
     * Asks one box, or all by a broadcast address, what they are.
     *
     * @throws IOException when it cannot be sent, or may not be
     */
    public void poll(Ipv4 to) throws IOException {
        link.send(new ArtPacket.Poll(), to, policy);
    }

    /** Asks a box for its mask. */
    public void askMask(Ipv4 of) throws IOException {
        link.send(new ArtPacket.IpEnquiry(), of, policy);
    }

    /**
     * Hears until it has enough, or the time is over.
     *
     * @param enough asked after each answer, and some times a second
     */
    public void hear(Duration atMost, BooleanSupplier enough) throws InterruptedException {
        long slice = TimeUnit.MILLISECONDS.toNanos(100);
        long deadline = System.nanoTime() + atMost.toNanos();
        for (long open = atMost.toNanos(); open > 0 && !enough.getAsBoolean(); open = deadline - System.nanoTime()) {
            Arrival arrival = arrivals.poll(Math.min(open, slice), TimeUnit.NANOSECONDS);
            if (arrival != null) {
                keep(arrival);
            }
        }
    }

    private void keep(Arrival arrival) {
        if (arrival.packet() instanceof ArtPacket.IpReply reply) {
            if (masks.size() < MOST_DEVICES || masks.containsKey(arrival.sender())) {
                masks.put(arrival.sender(), reply.mask());
            }
            return;
        }
        PollReply reply = (PollReply) arrival.packet();
        Known who = new Known(arrival.sender(), reply.mac());
        boolean kept = (devices.size() < MOST_DEVICES || devices.containsKey(who))
                && devices.computeIfAbsent(who, w -> new Pages()).take(reply, round);
        left += kept ? 0 : 1;
    }

    /** All that answered so far, in the order in which they did first. */
    public List<Device> devices() {
        List<Device> all = new ArrayList<>();
        devices.forEach((who, pages) ->
                all.add(new Device(who.answering(), pages.inOrder(), Optional.ofNullable(masks.get(who.answering())))));
        return List.copyOf(all);
    }

    /** Those that answer from an address. */
    public List<Device> at(Ipv4 ip) {
        return devices().stream().filter(d -> d.answering().equals(ip)).toList();
    }

    /** True when it knows the mask of whoever has that address. */
    public boolean knowsMask(Ipv4 of) {
        return masks.containsKey(of);
    }

    /** How many answers were not kept, since there were too many. */
    public int left() {
        return left;
    }

    /** Listens no more; the link goes on. */
    @Override
    public void close() {
        listening.close();
    }
}
