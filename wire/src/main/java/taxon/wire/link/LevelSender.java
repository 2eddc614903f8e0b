package taxon.wire.link;

import java.io.IOException;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Carrier;
import taxon.core.reception.Sender.Protocol;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.bytes.Bytes;
import taxon.wire.sacn.codec.SacnData;
import taxon.wire.sacn.codec.SacnDiscovery;

/**
 * Sends levels as one source: counts the packets of each universe, and says so when it stops. For one thread.
 *
 * <p>It decides nothing: what may be sent where is its {@link SendPolicy}'s, and how often is its caller's.
 */
public final class LevelSender {
    /** A source that stops says so three times (ANSI E1.31, 6.2.6, from memory). */
    private static final int FAREWELLS = 3;

    private static final int MOST_SEQUENCE = 255;

    private final Link link;
    private final SendPolicy policy;
    private final Bytes cid;
    private final String name;
    private final Map<Destination, Integer> sequences = new HashMap<>();

    /**
     * Where levels go.
     *
     * @param to a box; the group's address for what goes to a group
     * @param boxes where those are that take what goes to a group, as far as that is known
     */
    public record Destination(Carrier carrier, Ipv4 to, List<Ipv4> boxes) {
        public Destination {
            boxes = List.copyOf(boxes);
        }

        /** To a box, or to a group of which nothing more is known. */
        public Destination(Carrier carrier, Ipv4 to) {
            this(carrier, to, List.of());
        }

        /** To the group of a universe of streaming ACN. */
        public static Destination group(SacnUniverse universe) {
            return new Destination(Carrier.of(universe), universe.multicastGroup());
        }
    }

    /**
     * @param cid 16 bytes that name the source
     * @param name at most 63 bytes
     */
    public LevelSender(Link link, SendPolicy policy, Bytes cid, String name) {
        this.link = link;
        this.policy = policy;
        this.cid = cid;
        this.name = name;
    }

    /**
     * Sends one packet.
     *
     * @param priority 0 to 200; Art-Net has none
     * @param levels 512 of them
     * @throws SendForbiddenException when the policy does not allow it; then nothing was sent
     */
    public void send(Destination destination, int priority, byte[] levels) throws IOException {
        send(destination, priority, 0, levels);
    }

    /** Says that it stops (ANSI E1.31, 6.2.6); Art-Net has no word for it, so that it sends zeroes and is silent. */
    public void end(Destination destination, int priority, int slots) throws IOException {
        for (int i = 0; i < FAREWELLS; i++) {
            send(destination, priority, SacnData.TERMINATED, new byte[slots]);
        }
        sequences.remove(destination);
    }

    /** Says which universes of streaming ACN are sent (ANSI E1.31, 4.3): every 10 s. */
    public void announce(Collection<SacnUniverse> universes) throws IOException {
        announce(universes, List.of());
    }

    /** As {@link #announce(Collection)}, by the cards that are nearest to some boxes. */
    void announce(Collection<SacnUniverse> universes, List<Ipv4> boxes) throws IOException {
        List<SacnUniverse> sorted = universes.stream().distinct().sorted().toList();
        int last = Math.max(0, (sorted.size() - 1) / SacnDiscovery.MOST_UNIVERSES);
        for (int page = 0; page <= last; page++) {
            int from = page * SacnDiscovery.MOST_UNIVERSES;
            List<SacnUniverse> part =
                    sorted.subList(from, Math.min(sorted.size(), from + SacnDiscovery.MOST_UNIVERSES));
            link.send(new SacnDiscovery(cid, name, page, last, part), SacnDiscovery.GROUP, boxes, policy);
        }
    }

    private void send(Destination destination, int priority, int options, byte[] levels) throws IOException {
        Carrier carrier = destination.carrier();
        if (carrier.protocol() == Protocol.SACN) {
            int sequence = sequences.merge(destination, 1, Integer::sum) & MOST_SEQUENCE;
            SacnData packet = new SacnData(
                    cid, name, priority, 0, sequence, options, new SacnUniverse(carrier.number()), 0, Bytes.of(levels));
            link.send(packet, destination.to(), destination.boxes(), policy);
        } else {
            // Art-Net counts from 1 to 255 and begins at 1 again.
            int sequence = sequences.merge(destination, 1, (now, one) -> now % MOST_SEQUENCE + one);
            ArtPacket packet = new ArtPacket.Dmx(sequence, 0, new PortAddress(carrier.number()), Bytes.of(levels));
            link.send(packet, destination.to(), policy);
        }
    }
}
