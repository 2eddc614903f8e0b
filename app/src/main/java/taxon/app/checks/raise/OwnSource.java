package taxon.app.checks.raise;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import taxon.core.network.Ipv4;
import taxon.core.raising.Meeting;
import taxon.core.raising.Outlet;
import taxon.wire.bytes.Bytes;
import taxon.wire.link.LevelSender;
import taxon.wire.link.SendPolicy;
import taxon.wire.sacn.codec.SacnDiscovery;

/** The source that an arming is on the wire: who it says that it is, and where it may send. */
final class OwnSource {
    private static final int CID_BYTES = 16;
    private static final int LONGEST_NAME = 63;

    private OwnSource() {}

    /** Addresses beyond this machine. */
    static List<Ipv4> outside(List<Outlet> outlets, List<Ipv4> cards) {
        return outlets.stream()
                .map(Outlet::to)
                .filter(to -> !Asked.isHere(to, cards))
                .distinct()
                .sorted()
                .toList();
    }

    /** To what was armed, and nowhere else; beyond this machine only where that was armed too. */
    static SendPolicy policy(List<Outlet> outlets, List<Ipv4> cards, boolean network) {
        Set<Ipv4> armed = new HashSet<>();
        outlets.forEach(o -> armed.add(o.to()));
        armed.add(SacnDiscovery.GROUP);
        return to -> armed.contains(to) && (network || Asked.isHere(to, cards));
    }

    /** The identity of a new source (E1.31, 5.6, from memory: 16 bytes, a UUID). */
    static Bytes cid() {
        UUID random = UUID.randomUUID();
        return Bytes.of(ByteBuffer.allocate(CID_BYTES)
                .putLong(random.getMostSignificantBits())
                .putLong(random.getLeastSignificantBits())
                .array());
    }

    /** What sends for an arming. */
    static LevelSender sender(Arming arming) {
        List<Ipv4> cards = arming.ears().link().cards();
        SendPolicy policy =
                policy(arming.outlets().outlets(), cards, arming.asked().network());
        return new LevelSender(
                arming.ears().link(),
                policy,
                arming.ears().own(),
                name(arming.asked().who()));
    }

    /** Sixty-three bytes are what a name takes (E1.31, 6.2.2, from memory). */
    private static String name(String who) {
        String name = Meeting.OWN_NAME + who;
        while (name.getBytes(StandardCharsets.UTF_8).length > LONGEST_NAME) {
            name = name.substring(0, name.offsetByCodePoints(name.length(), -1));
        }
        return name;
    }
}
