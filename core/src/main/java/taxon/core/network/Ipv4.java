package taxon.core.network;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * An IPv4 address.
 *
 * @param bits the four bytes, the first in the highest
 */
public record Ipv4(int bits) implements Comparable<Ipv4> {
    /** Without leading zeros, which some programs read as octal: 010 is 8 to them. */
    private static final String OCTET = "(0|[1-9]\\d{0,2})";

    private static final Pattern DOTTED = Pattern.compile(OCTET + "\\." + OCTET + "\\." + OCTET + "\\." + OCTET);

    /**
     * The address a.b.c.d.
     *
     * @throws IllegalArgumentException when one of them is outside 0 to 255
     */
    public static Ipv4 of(int a, int b, int c, int d) {
        return new Ipv4(octet(a) << 24 | octet(b) << 16 | octet(c) << 8 | octet(d));
    }

    /** Reads four numbers of 0 to 255 with points between; anything else is empty. */
    public static Optional<Ipv4> parse(String text) {
        Matcher m = DOTTED.matcher(text.strip());
        if (!m.matches()) {
            return Optional.empty();
        }
        int bits = 0;
        for (int i = 1; i <= 4; i++) {
            int octet = Integer.parseInt(m.group(i));
            if (octet > 255) {
                return Optional.empty();
            }
            bits = bits << 8 | octet;
        }
        return Optional.of(new Ipv4(bits));
    }

    private static int octet(int value) {
        if (value < 0 || value > 255) {
            throw new IllegalArgumentException(value + " is outside 0 to 255");
        }
        return value;
    }

    /** The first of its four numbers. */
    public int octet1() {
        return bits >>> 24;
    }

    /** In 127.0.0.0/8 (RFC 1122, 3.2.1.3, from memory): never leaves the machine. */
    public boolean isLoopback() {
        return octet1() == 127;
    }

    /** True for the address of a group, 224.0.0.0 to 239.255.255.255 (RFC 5771). */
    public boolean isMulticast() {
        return bits >>> 28 == 0xE;
    }

    /** Neither a network's zero address, nor multicast, nor above: something that one device can have. */
    public boolean isHost() {
        return octet1() >= 1 && octet1() <= 223;
    }

    @Override
    public int compareTo(Ipv4 other) {
        return Integer.compareUnsigned(bits, other.bits);
    }

    @Override
    public String toString() {
        return (bits >>> 24) + "." + (bits >> 16 & 0xFF) + "." + (bits >> 8 & 0xFF) + "." + (bits & 0xFF);
    }
}
