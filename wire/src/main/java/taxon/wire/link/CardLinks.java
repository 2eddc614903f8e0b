package taxon.wire.link;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import taxon.core.network.Ipv4;
import taxon.wire.link.CardLink.Ending;

/** Keeps one link for each card, for as long as anybody has it. Safe for several threads. */
public final class CardLinks implements AutoCloseable {
    private final Map<Ipv4, Held> links = new TreeMap<>();

    private static final class Held {
        private final CardLink link;
        private int holders;

        Held(CardLink link) {
            this.link = link;
        }
    }

    /**
     * A card's link for one who uses it.
     *
     * @param ending gives it back; the last who does so closes it
     */
    public record Lease(Link link, Ending ending) implements AutoCloseable {
        @Override
        public void close() {
            ending.close();
        }
    }

    /** @throws IOException when the address is not this computer's, or another program has its ports for itself */
    public Lease lease(Ipv4 card) throws IOException {
        CardLink link = hold(card);
        boolean[] given = new boolean[1];
        return new Lease(link, () -> giveBack(card, given));
    }

    /**
     * The links of several cards as one.
     *
     * @param beside further ones; none for the first alone
     * @throws IOException when one of them cannot be had; then none is
     */
    public Lease lease(Ipv4 first, List<Ipv4> beside) throws IOException {
        if (beside.isEmpty()) {
            return lease(first);
        }
        List<CardLink> links = new ArrayList<>();
        List<Ending> endings = new ArrayList<>();
        try {
            for (Ipv4 card :
                    Stream.concat(Stream.of(first), beside.stream()).distinct().toList()) {
                links.add(hold(card));
                boolean[] given = new boolean[1];
                endings.add(() -> giveBack(card, given));
            }
        } catch (IOException e) {
            endings.forEach(Ending::close);
            throw e;
        }
        return new Lease(new SeveralCards(links), () -> endings.forEach(Ending::close));
    }

    private synchronized CardLink hold(Ipv4 card) throws IOException {
        Held held = links.get(card);
        if (held == null) {
            held = new Held(CardLink.open(card, CardLink.Sharing.SHARED));
            links.put(card, held);
        }
        held.holders++;
        return held.link;
    }

    private synchronized void giveBack(Ipv4 card, boolean[] given) {
        Held held = links.get(card);
        if (given[0] || held == null) {
            return;
        }
        given[0] = true;
        held.holders--;
        if (held.holders == 0) {
            links.remove(card);
            held.link.close();
        }
    }

    /** Closes all links, whoever has them. */
    @Override
    public synchronized void close() {
        links.values().forEach(h -> h.link.close());
        links.clear();
    }
}
