package taxon.core.network;

import taxon.core.dmx.UniverseNumber;

/**
 * A universe of streaming ACN and its multicast group (ANSI E1.31, 6.2.7 and 9.3.1, from memory).
 *
 * @param number 1 to 63999
 */
public record SacnUniverse(int number) implements Comparable<SacnUniverse> {
    public SacnUniverse {
        if (!UniverseNumber.isLegal(number)) {
            throw new IllegalArgumentException("streaming ACN universe " + number + " is outside 1 to 63999");
        }
    }

    /** 239.255 and the universe's high and low byte. */
    public Ipv4 multicastGroup() {
        return Ipv4.of(239, 255, number >> 8, number & 0xFF);
    }

    @Override
    public int compareTo(SacnUniverse other) {
        return Integer.compare(number, other.number);
    }

    @Override
    public String toString() {
        return Integer.toString(number);
    }
}
