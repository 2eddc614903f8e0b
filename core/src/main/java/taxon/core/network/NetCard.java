package taxon.core.network;

import java.util.Optional;

/**
 * How a box is on the network.
 *
 * @param prefix of its mask, 1 to 30: 24 stands for 255.255.255.0
 * @param factory the address that it comes with, where that is known
 */
public record NetCard(Ipv4 ip, int prefix, Optional<Ipv4> factory) {
    public NetCard {
        Subnet.requirePrefix(prefix);
    }

    /** An address with its mask. */
    public NetCard(Ipv4 ip, int prefix) {
        this(ip, prefix, Optional.empty());
    }

    /** With the mask that its first number had before masks were stated: 8, 16 or 24 (RFC 4632, 1, from memory). */
    public static NetCard usual(Ipv4 ip) {
        return new NetCard(ip, Subnet.usualPrefix(ip));
    }

    /** The range that it takes for its own network. */
    public Subnet subnet() {
        return Subnet.around(ip, prefix);
    }

    /** The same box under another address and mask. */
    public NetCard at(Ipv4 changed, int changedPrefix) {
        return new NetCard(changed, changedPrefix, factory);
    }

    /** "10.0.0.20/24". */
    @Override
    public String toString() {
        return ip + "/" + prefix;
    }
}
