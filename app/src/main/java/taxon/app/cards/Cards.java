package taxon.app.cards;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.Inet4Address;
import java.net.InterfaceAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import taxon.core.network.Ipv4;

/** Reads the cards of this computer anew at each question: one may be pulled out. */
@Component
public class Cards {
    private static final Path ROUTES = Path.of("/proc/net/route");
    private static final String EVERYWHERE = "00000000";

    /** All that are up, by address. */
    public List<Card> all() {
        Set<String> defaults = defaultRoutes();
        try {
            return NetworkInterface.networkInterfaces()
                    .filter(Cards::isUp)
                    .flatMap(n -> n.getInterfaceAddresses().stream().flatMap(a -> card(n, a, defaults)))
                    .sorted(Comparator.comparing(Card::ip))
                    .toList();
        } catch (SocketException e) {
            throw new UncheckedIOException("the cards of this computer cannot be read", e);
        }
    }

    private static boolean isUp(NetworkInterface card) {
        try {
            return card.isUp();
        } catch (SocketException gone) {
            // It went while it was looked at.
            return false;
        }
    }

    private static Stream<Card> card(NetworkInterface card, InterfaceAddress address, Set<String> defaults) {
        return address.getAddress() instanceof Inet4Address ip
                ? Ipv4.parse(ip.getHostAddress()).stream()
                        .map(i -> new Card(
                                card.getName(), i, address.getNetworkPrefixLength(), defaults.contains(card.getName())))
                : Stream.empty();
    }

    /** The names of the cards by which everything leaves that is for elsewhere; none where the system does not say so. */
    private static Set<String> defaultRoutes() {
        if (!Files.isReadable(ROUTES)) {
            return Set.of();
        }
        try (Stream<String> lines = Files.lines(ROUTES, StandardCharsets.US_ASCII)) {
            return lines.map(l -> l.split("\\s+"))
                    .filter(f -> f.length > 7 && f[1].equals(EVERYWHERE) && f[7].equals(EVERYWHERE))
                    .map(f -> f[0])
                    .collect(Collectors.toSet());
        } catch (IOException e) {
            throw new UncheckedIOException(ROUTES + " cannot be read", e);
        }
    }

    /** The card that has an address; loopback cards have all of their network. */
    public Optional<Card> find(Ipv4 ip) {
        return all().stream()
                .filter(c -> c.ip().equals(ip) || ip.isLoopback() && c.ip().isLoopback())
                .findFirst();
    }

    /**
     * Makes sure that a card is there before anything is sent from it.
     *
     * @throws IOException with the addresses that are there, when it is not
     */
    public Ipv4 require(Ipv4 ip) throws IOException {
        if (find(ip).isEmpty()) {
            throw new IOException("this computer has no card with " + ip + " any more (it has "
                    + all().stream().map(c -> c.ip().toString()).collect(Collectors.joining(", "))
                    + "); choose another on the stage Network");
        }
        return ip;
    }
}
