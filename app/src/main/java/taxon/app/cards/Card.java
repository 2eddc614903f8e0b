package taxon.app.cards;

import java.util.List;
import taxon.core.network.Ipv4;
import taxon.core.network.Subnet;

/**
 * An IPv4 address that this computer has.
 *
 * @param name of the card, as the system calls it
 * @param prefix of its mask, as the system says it, 0 to 32
 * @param defaultRoute true when what is for elsewhere leaves by this card
 */
public record Card(String name, Ipv4 ip, int prefix, boolean defaultRoute) {
    private static final Subnet SELF_GIVEN = Subnet.around(Ipv4.of(169, 254, 0, 0), 16);
    private static final Subnet PUBLIC = Subnet.around(Ipv4.of(2, 0, 0, 0), 8);

    /** True when it lies with that address in one network. */
    public boolean hears(Ipv4 other) {
        return prefix >= Subnet.SHORTEST
                && prefix <= Subnet.LONGEST
                && Subnet.around(ip, prefix).contains(other);
    }

    /** True for an address that the card gave itself, since it got none (RFC 3927). */
    public boolean isSelfGiven() {
        return SELF_GIVEN.contains(ip);
    }

    /** True for public addresses, that lighting networks use, on a card that also leads elsewhere: they are not found there. */
    public boolean hidesThePublic() {
        return defaultRoute && PUBLIC.contains(ip);
    }

    /** Those of some addresses that it does not hear. */
    public List<Ipv4> deafTo(List<Ipv4> others) {
        return others.stream().filter(o -> !hears(o)).toList();
    }
}
