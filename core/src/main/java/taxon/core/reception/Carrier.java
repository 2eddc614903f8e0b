package taxon.core.reception;

import java.util.Optional;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.PortAddress;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Sender.Protocol;

/**
 * A universe as the wire has it: a protocol, and the number that it has there.
 *
 * @param number 1 to 63999 of streaming ACN, 0 to 32767 of Art-Net
 */
public record Carrier(Protocol protocol, int number) implements Comparable<Carrier> {
    /** @throws IllegalArgumentException when the protocol has no such number */
    public Carrier {
        if (!isLegal(protocol, number)) {
            throw new IllegalArgumentException(protocol + " has no universe " + number);
        }
    }

    private static boolean isLegal(Protocol protocol, int number) {
        return protocol == Protocol.SACN ? UniverseNumber.isLegal(number) : number >= 0 && number <= PortAddress.LAST;
    }

    public static Carrier of(SacnUniverse universe) {
        return new Carrier(Protocol.SACN, universe.number());
    }

    public static Carrier of(PortAddress address) {
        return new Carrier(Protocol.ART_NET, address.number());
    }

    /** The one so many numbers on; empty where the protocol has no such number. */
    public Optional<Carrier> plus(int by) {
        return isLegal(protocol, number + by) ? Optional.of(new Carrier(protocol, number + by)) : Optional.empty();
    }

    /** "sacn-3" or "art-net-16": how an address of a page writes it. */
    public String key() {
        return protocol.key() + number;
    }

    /** Reads what {@link #key()} writes; empty when it is none. */
    public static Optional<Carrier> parse(String key) {
        for (Protocol protocol : Protocol.values()) {
            String digits = key.startsWith(protocol.key())
                    ? key.substring(protocol.key().length())
                    : "";
            if (digits.matches("\\d{1,5}") && isLegal(protocol, Integer.parseInt(digits))) {
                return Optional.of(new Carrier(protocol, Integer.parseInt(digits)));
            }
        }
        return Optional.empty();
    }

    @Override
    public int compareTo(Carrier other) {
        int byProtocol = protocol.compareTo(other.protocol);
        return byProtocol == 0 ? Integer.compare(number, other.number) : byProtocol;
    }

    /** "streaming ACN 3", "Art-Net 0·1·0". */
    @Override
    public String toString() {
        return protocol == Protocol.SACN ? "streaming ACN " + number : "Art-Net " + new PortAddress(number);
    }
}
