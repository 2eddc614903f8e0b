package taxon.core.boxcheck;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.BoxPort.Merge;
import taxon.core.network.BoxPort.WhenLost;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;

/**
 * What a box said of itself when it was asked.
 *
 * @param answering the address that its answer came from
 * @param says the address that it gives as its own
 * @param self who it says it is
 * @param prefix of its mask; empty where it does not say
 * @param ports in its own order
 */
public record SeenBox(Ipv4 answering, Ipv4 says, Self self, Optional<Integer> prefix, List<SeenPort> ports) {
    /** The longest name that a box keeps of those by which people call it, in bytes (Art-Net 4, short name, from memory). */
    public static final int LONGEST_NAME = 17;

    private static final long NO_MAC = 0;

    public SeenBox {
        ports = List.copyOf(ports);
    }

    /** One of which only its name is known. */
    public SeenBox(Ipv4 answering, Ipv4 says, String name, Optional<Integer> prefix, List<SeenPort> ports) {
        this(answering, says, new Self(name, "", 0, NO_MAC, Optional.empty()), prefix, ports);
    }

    /**
     * Who a box says it is.
     *
     * @param name the short one
     * @param longName may be empty
     * @param firmware the version of its software, 0 to 65535; boxes do not agree on how it is to be read
     * @param mac its hardware address, 48 bits; 0 where it does not say
     * @param whenLost what it does when its data stops; empty where it does not say
     */
    public record Self(String name, String longName, int firmware, long mac, Optional<WhenLost> whenLost) {
        /** "1.04", high byte and low byte, as most boxes mean it (common practice). */
        public String firmwareWords() {
            return String.format(Locale.ROOT, "%d.%02d", firmware >>> 8, firmware & 0xFF);
        }
    }

    /** By which number a port is asked for. */
    public enum Protocol {
        ART_NET("Art-Net"),
        SACN("streaming ACN");

        private final String words;

        Protocol(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * Where a box describes a port.
     *
     * @param bindIndex of the page; 0 from boxes that do not count their pages
     * @param port on that page, 1 to 4
     */
    public record OnPage(int bindIndex, int port) {
        public OnPage {
            if (bindIndex < 0 || port < 1 || port > 4) {
                throw new IllegalArgumentException("port " + port + " of page " + bindIndex);
            }
        }
    }

    /**
     * A port as the box has it set.
     *
     * @param address the Port-Address that it is set to
     * @param merge how it joins two sources; empty where it is not known
     * @param takes by which protocol its levels come; empty where it does not say
     * @param flows true when levels leave by it now
     */
    public record SeenPort(
            OnPage place,
            Direction direction,
            PortAddress address,
            boolean rdm,
            Optional<Merge> merge,
            Optional<Protocol> takes,
            boolean flows) {
        /** One of which no more is known, the first of its page. */
        public SeenPort(Direction direction, PortAddress address, boolean rdm) {
            this(new OnPage(1, 1), direction, address, rdm, Optional.empty(), Optional.empty(), false);
        }
    }

    /** The name by which people call it. */
    public String name() {
        return self.name();
    }

    /** True when it goes by this name, whole or cut off where a box has no more room for it. */
    public boolean isCalled(String wanted) {
        String cut = wanted.length() > LONGEST_NAME ? wanted.substring(0, LONGEST_NAME) : wanted;
        return List.of(wanted, cut, cut.strip()).stream().anyMatch(self.name()::equalsIgnoreCase)
                || self.longName().equalsIgnoreCase(wanted);
    }

    /** A port, counted from 1; empty where it has no such port. */
    public Optional<SeenPort> port(int counted) {
        return counted >= 1 && counted <= ports.size() ? Optional.of(ports.get(counted - 1)) : Optional.empty();
    }
}
