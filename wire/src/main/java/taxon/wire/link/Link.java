package taxon.wire.link;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.util.List;
import taxon.core.network.Ipv4;
import taxon.core.network.SacnUniverse;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.link.CardLink.Ending;
import taxon.wire.sacn.codec.SacnPacket;

/** By what one listens and sends: a card of this computer, or several at once. Safe for several threads. */
public interface Link {
    /** The card; of several the first one. */
    Ipv4 card();

    /** All of them, the first one first. */
    List<Ipv4> cards();

    /** True when another program had the port of Art-Net on a card when it was opened: of what is sent to the card alone, only one of the two hears. */
    boolean isCrowded();

    /** Tells somebody of all that comes, until they have enough. */
    Ending listen(LinkListener listener);

    /**
     * Joins the group of a universe of streaming ACN; several may, and it is left when the last has enough.
     *
     * @throws IOException when the system gives no socket for it
     */
    Ending join(SacnUniverse universe) throws IOException;

    /**
     * Joins the group by which senders of streaming ACN say what they send (ANSI E1.31, 4.3).
     *
     * @throws IOException when the system gives no socket for it
     */
    Ending joinDiscovery() throws IOException;

    /** Makes sure that answers to the address of a card come here, where several programs have it. */
    void claim() throws IOException;

    /** @throws SendForbiddenException when the policy does not allow it; then nothing was sent */
    void send(ArtPacket packet, Ipv4 destination, SendPolicy policy) throws IOException;

    /** @throws SendForbiddenException when the policy does not allow it; then nothing was sent */
    void send(ArtPacket packet, InetSocketAddress destination, SendPolicy policy) throws IOException;

    /**
     * Sends a packet of streaming ACN to a box, or to a group; of several cards a group leaves by the first.
     *
     * @throws SendForbiddenException when the policy does not allow it; then nothing was sent
     */
    default void send(SacnPacket packet, Ipv4 destination, SendPolicy policy) throws IOException {
        send(packet, destination, List.of(), policy);
    }

    /**
     * Sends a packet of streaming ACN to a box, or to a group for some boxes: of several cards it leaves by those that are nearest to them,
     * once on each wire.
     *
     * @param boxes none where it is not known where they are
     * @throws SendForbiddenException when the policy does not allow it; then nothing was sent
     */
    void send(SacnPacket packet, Ipv4 destination, List<Ipv4> boxes, SendPolicy policy) throws IOException;

    /** What came so far. */
    LinkCounts counts();
}
