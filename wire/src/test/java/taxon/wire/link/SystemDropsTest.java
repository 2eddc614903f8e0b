package taxon.wire.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import taxon.core.network.Ipv4;

/** The table's lines are as Linux writes them (Documentation/networking, "proc/net/udp", from memory). */
class SystemDropsTest {
    private static final String HEAD =
            "   sl  local_address rem_address   st tx_queue rx_queue tr tm->when retrnsmt   uid  timeout"
                    + " inode ref pointer drops";
    private static final String OURS =
            "  123: 0100007F:1936 00000000:0000 07 00000000:00000000 00:00000000 00000000     0        0"
                    + " 53170 2 00000000 12";
    private static final String OTHERS =
            "  124: 0200007F:1936 00000000:0000 07 00000000:00000000 00:00000000 00000000     0        0"
                    + " 53171 2 00000000 400";

    @Test
    void anAddressIsWrittenWithItsLastByteFirst() {
        assertThat(SystemDrops.entry(Ipv4.of(127, 0, 0, 1), 6454)).isEqualTo("0100007F:1936");
    }

    @Test
    void onlyTheDropsOfTheNamedSocketsCount() {
        assertThat(SystemDrops.of(Stream.of(HEAD, OURS, OTHERS), Set.of("0100007F:1936")))
                .isEqualTo(12);
    }
}
