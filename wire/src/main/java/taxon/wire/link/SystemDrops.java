package taxon.wire.link;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;
import taxon.core.network.Ipv4;

/** What the system says that it dropped at UDP sockets (Linux, /proc/net/udp). */
final class SystemDrops {
    static final long UNKNOWN = -1;

    private static final Path TABLE = Path.of("/proc/net/udp");
    private static final int LOCAL = 1;
    private static final int DROPS = 12;

    private SystemDrops() {}

    /** An address and a port as the table writes them: the address with its last byte first. */
    static String entry(Ipv4 ip, int port) {
        return String.format(Locale.ROOT, "%08X:%04X", Integer.reverseBytes(ip.bits()), port);
    }

    /** Packets dropped at all sockets of these entries, whoever has them open; {@link #UNKNOWN} where nobody says. */
    static long of(Set<String> entries) {
        if (!Files.isReadable(TABLE)) {
            return UNKNOWN;
        }
        try (Stream<String> lines = Files.lines(TABLE, StandardCharsets.US_ASCII)) {
            return of(lines, entries);
        } catch (IOException | java.io.UncheckedIOException e) {
            return UNKNOWN;
        }
    }

    static long of(Stream<String> lines, Set<String> entries) {
        return lines.map(l -> l.strip().split("\\s+"))
                .filter(f -> f.length > DROPS && entries.contains(f[LOCAL]))
                .mapToLong(f -> Long.parseLong(f[DROPS]))
                .sum();
    }
}
