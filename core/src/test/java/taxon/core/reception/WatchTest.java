package taxon.core.reception;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import taxon.core.network.PortAddress;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Happening.Kind;
import taxon.core.reception.Sender.Protocol;
import taxon.core.reception.UniverseReception.Overview;

class WatchTest {
    private static final long SECOND = 1_000_000_000L;
    private static final Sender DESK = new Sender(Protocol.SACN, "d1", "Desk");
    private static final Carrier THREE = Carrier.of(new SacnUniverse(3));

    private final Watch watch = new Watch();

    private static LevelPacket levels(Sender sender, int sequence, int level) {
        return new LevelPacket(sender, 100, sequence, false, false, 0, 0, new byte[] {(byte) level});
    }

    @Test
    void theSameNumberInTwoProtocolsAreTwoUniverses() {
        Sender node = new Sender(Protocol.ART_NET, "10.0.0.5", "");
        watch.take(THREE, levels(DESK, 1, 9), 0);
        watch.take(Carrier.of(new PortAddress(3)), levels(node, 1, 4), 0);
        assertThat(watch.overview(0))
                .extracting(o -> o.carrier().toString())
                .containsExactly("streaming ACN 3", "Art-Net 0·0·3");
        assertThat(watch.state(THREE, 0).orElseThrow().levels().get(0)).isEqualTo(9);
    }

    @Test
    void aUniverseThatNobodySendsAnyMoreIsStillListedAndTheLogSaysSince() {
        watch.take(THREE, levels(DESK, 1, 9), 0);
        watch.sweep(3 * SECOND);
        assertThat(watch.overview(3 * SECOND))
                .singleElement()
                .extracting(Overview::heard)
                .isEqualTo(List.of());
        assertThat(watch.happenings()).extracting(Happening::kind).containsExactly(Kind.LOST, Kind.BEGAN);
    }

    @Test
    void moreUniversesThanAreKeptAreCountedAndMakeNoRoomUntilOthersFallSilent() {
        for (int i = 1; i <= Watch.MOST_UNIVERSES + 5; i++) {
            watch.take(Carrier.of(new SacnUniverse(i)), levels(DESK, 1, 1), 0);
        }
        assertThat(watch.overview(0)).hasSize(Watch.MOST_UNIVERSES);
        assertThat(watch.beyond()).isEqualTo(5);
        assertThat(watch.happenings()).hasSize(Watch.MOST_HAPPENINGS);
        watch.sweep(3 * SECOND);
        watch.take(Carrier.of(new SacnUniverse(9_000)), levels(DESK, 1, 1), 3 * SECOND);
        assertThat(watch.overview(3 * SECOND))
                .singleElement()
                .extracting(o -> o.carrier().number())
                .isEqualTo(9_000);
    }

    /** E1.31, 4.3: lists come every 10 s, in pages. */
    @Test
    void whatIsSaidToBeSentIsKnownWithoutHearingItUntilTheListIsOld() {
        watch.announced("d1", 0, List.of(new SacnUniverse(9), new SacnUniverse(4)), 0);
        watch.announced("d1", 1, List.of(new SacnUniverse(700)), 0);
        watch.announced("d2", 0, List.of(new SacnUniverse(4)), 0);
        assertThat(watch.announced(0)).extracting(SacnUniverse::number).containsExactly(4, 9, 700);
        watch.announced("d1", 0, List.of(new SacnUniverse(9)), 20 * SECOND);
        assertThat(watch.announced(20 * SECOND))
                .extracting(SacnUniverse::number)
                .containsExactly(4, 9);
        assertThat(watch.announced(26 * SECOND))
                .extracting(SacnUniverse::number)
                .containsExactly(9);
    }

    @Test
    void aFloodOfAnnouncersIsBounded() {
        IntStream.range(0, 5_000).forEach(i -> watch.announced("x" + i, 0, List.of(new SacnUniverse(i + 1)), 0));
        assertThat(watch.announced(0)).hasSize(256);
    }

    @Test
    void aUniverseIsFoundAgainByItsKey() {
        for (Carrier carrier : List.of(THREE, Carrier.of(new PortAddress(0)), Carrier.of(new PortAddress(32_767)))) {
            assertThat(Carrier.parse(carrier.key())).contains(carrier);
        }
        for (String wrong :
                List.of("", "sacn-", "sacn-0", "sacn-64000", "art-net-32768", "art-net--1", "sacn-999999", "dmx-3")) {
            assertThat(Carrier.parse(wrong)).isEmpty();
        }
        assertThat(THREE.plus(-3)).isEmpty();
        assertThatIllegalArgumentException().isThrownBy(() -> new Carrier(Protocol.SACN, 0));
    }
}
