package taxon.core.network;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A range of IPv4 addresses that share their first bits (RFC 4632).
 *
 * @param base its first address, which names the network
 * @param prefix how many bits are shared, 1 to 30: a network of fewer than two hosts joins nothing
 */
public record Subnet(Ipv4 base, int prefix) {
    public static final int SHORTEST = 1;
    public static final int LONGEST = 30;
    private static final Pattern WRITTEN = Pattern.compile("(\\S+?)\\s*(?:/\\s*|\\s+)(\\S+)");

    public Subnet {
        requirePrefix(prefix);
        if ((base.bits() & ~maskBits(prefix)) != 0) {
            throw new IllegalArgumentException(base + "/" + prefix + " does not begin at " + base + " but at "
                    + new Ipv4(base.bits() & maskBits(prefix)));
        }
    }

    static void requirePrefix(int prefix) {
        if (prefix < SHORTEST || prefix > LONGEST) {
            throw new IllegalArgumentException(
                    "a mask of " + prefix + " bits; it takes " + SHORTEST + " to " + LONGEST + " bits");
        }
    }

    /** The range in which an address lies. */
    public static Subnet around(Ipv4 ip, int prefix) {
        requirePrefix(prefix);
        return new Subnet(new Ipv4(ip.bits() & maskBits(prefix)), prefix);
    }

    /**
     * Reads "10.0.0.0/24" or "10.0.0.0 255.255.255.0", with any address of the range; empty for anything else, a mask with
     * holes among it.
     */
    public static Optional<Subnet> parse(String text) {
        Matcher m = WRITTEN.matcher(text.strip());
        if (!m.matches()) {
            return Optional.empty();
        }
        Optional<Integer> prefix = parsePrefix(m.group(2));
        return Ipv4.parse(m.group(1)).flatMap(ip -> prefix.map(p -> around(ip, p)));
    }

    /** Reads a mask as "24" or "255.255.255.0"; empty where it has holes, or is none that joins two hosts. */
    public static Optional<Integer> parsePrefix(String text) {
        String said = text.strip();
        Optional<Integer> prefix = said.matches("\\d{1,2}")
                ? Optional.of(Integer.parseInt(said))
                : Ipv4.parse(said)
                        .filter(mask -> maskBits(Integer.bitCount(mask.bits())) == mask.bits())
                        .map(mask -> Integer.bitCount(mask.bits()));
        return prefix.filter(p -> p >= SHORTEST && p <= LONGEST);
    }

    /** 8, 16 or 24 by the first number, as devices assume that are told no mask. */
    static int usualPrefix(Ipv4 ip) {
        return ip.octet1() < 128 ? 8 : ip.octet1() < 192 ? 16 : 24;
    }

    private static int maskBits(int prefix) {
        return prefix == 0 ? 0 : -1 << (Integer.SIZE - prefix);
    }

    /** The mask as four numbers: 255.255.255.0. */
    public Ipv4 mask() {
        return new Ipv4(maskBits(prefix));
    }

    /** The last address, which means all of them. */
    public Ipv4 broadcast() {
        return new Ipv4(base.bits() | ~maskBits(prefix));
    }

    public boolean contains(Ipv4 ip) {
        return (ip.bits() & maskBits(prefix)) == base.bits();
    }

    /** True when some address lies in both. */
    public boolean overlaps(Subnet other) {
        return contains(other.base) || other.contains(base);
    }

    /** True for an address that one device can have: in the range, and neither its first nor its last. */
    public boolean isHost(Ipv4 ip) {
        return contains(ip) && !ip.equals(base) && !ip.equals(broadcast());
    }

    /** How many devices it can join: 254 for 24 bits. */
    public int hosts() {
        return (1 << (Integer.SIZE - prefix)) - 2;
    }

    /**
     * The device address that lies so far behind the first: 11 in 10.0.0.0/24 is 10.0.0.11.
     *
     * @param host 1 to {@link #hosts()}; empty for any other
     */
    public Optional<Ipv4> host(int host) {
        return host < 1 || host > hosts() ? Optional.empty() : Optional.of(new Ipv4(base.bits() + host));
    }

    /** As it is written: "10.0.0.0/24". */
    @Override
    public String toString() {
        return base + "/" + prefix;
    }
}
