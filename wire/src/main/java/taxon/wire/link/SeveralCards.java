package taxon.wire.link;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.NetworkInterface;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import taxon.core.network.Ipv4;
import taxon.core.network.SacnUniverse;
import taxon.wire.artnet.codec.ArtNetCodec;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.link.CardLink.Ending;
import taxon.wire.sacn.codec.SacnPacket;

/**
 * Several cards as one: what any of them hears is heard, and what goes to a box leaves by the card that is nearest to it. The cards stay whose
 * they are.
 */
final class SeveralCards implements Link {
    private final List<CardLink> links;

    /** @param links one or more, the first for what goes to no box */
    SeveralCards(List<CardLink> links) {
        this.links = List.copyOf(links);
    }

    @Override
    public Ipv4 card() {
        return links.get(0).card();
    }

    @Override
    public List<Ipv4> cards() {
        return links.stream().map(CardLink::card).toList();
    }

    @Override
    public boolean isCrowded() {
        return links.stream().anyMatch(CardLink::isCrowded);
    }

    @Override
    public Ending listen(LinkListener listener) {
        List<Ending> endings = links.stream().map(l -> l.listen(listener)).toList();
        return () -> endings.forEach(Ending::close);
    }

    private interface Joining {
        Ending by(CardLink link) throws IOException;
    }

    /** By one card of each wire: a group that comes by two sockets of one wire would be heard twice. */
    private Ending join(Joining joining) throws IOException {
        List<Ending> endings = new ArrayList<>();
        Set<NetworkInterface> wires = new HashSet<>();
        try {
            for (CardLink link : links) {
                if (wires.add(Sockets.card(link.card()))) {
                    endings.add(joining.by(link));
                }
            }
        } catch (IOException e) {
            endings.forEach(Ending::close);
            throw e;
        }
        return () -> endings.forEach(Ending::close);
    }

    @Override
    public Ending join(SacnUniverse universe) throws IOException {
        return join(l -> l.join(universe));
    }

    @Override
    public Ending joinDiscovery() throws IOException {
        return join(CardLink::joinDiscovery);
    }

    @Override
    public void claim() throws IOException {
        for (CardLink link : links) {
            link.claim();
        }
    }

    /** The card whose address has most of its first bits in common with the destination; of equal ones the first. */
    CardLink nearest(Ipv4 destination) {
        return links.stream()
                .min(Comparator.comparing(l -> Integer.toUnsignedLong(l.card().bits() ^ destination.bits())))
                .orElseThrow();
    }

    @Override
    public void send(ArtPacket packet, Ipv4 destination, SendPolicy policy) throws IOException {
        send(packet, new InetSocketAddress(Sockets.address(destination), ArtNetCodec.UDP_PORT), policy);
    }

    @Override
    public void send(ArtPacket packet, InetSocketAddress destination, SendPolicy policy) throws IOException {
        Ipv4 ip = Ipv4.parse(destination.getAddress().getHostAddress()).orElse(card());
        nearest(ip).send(packet, destination, policy);
    }

    @Override
    public void send(SacnPacket packet, Ipv4 destination, List<Ipv4> boxes, SendPolicy policy) throws IOException {
        if (!Sockets.address(destination).isMulticastAddress()) {
            nearest(destination).send(packet, destination, policy);
            return;
        }
        List<IOException> failures = new ArrayList<>();
        for (CardLink link : towards(boxes)) {
            try {
                link.send(packet, destination, policy);
            } catch (SendForbiddenException e) {
                throw e;
            } catch (IOException e) {
                // One wire that is gone keeps it from no other.
                failures.add(e);
            }
        }
        if (!failures.isEmpty()) {
            throw failures.get(0);
        }
    }

    /** The nearest card to each of some boxes, one of each wire; the first of all where there is none. */
    private Collection<CardLink> towards(List<Ipv4> boxes) throws IOException {
        Map<NetworkInterface, CardLink> wires = new LinkedHashMap<>();
        for (Ipv4 box : boxes) {
            CardLink link = nearest(box);
            wires.putIfAbsent(Sockets.card(link.card()), link);
        }
        return wires.isEmpty() ? links.subList(0, 1) : wires.values();
    }

    @Override
    public LinkCounts counts() {
        return links.stream().map(CardLink::counts).reduce(LinkCounts::and).orElseThrow();
    }
}
