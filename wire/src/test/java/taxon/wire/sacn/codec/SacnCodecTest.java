package taxon.wire.sacn.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import taxon.core.network.SacnUniverse;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;

class SacnCodecTest {
    private static final Bytes CID = Bytes.of(new byte[16]);
    private static final List<SacnUniverse> MANY =
            IntStream.rangeClosed(1, 512).mapToObj(SacnUniverse::new).toList();

    @Test
    void aSynchronisationPacketComesBackAsItWas() throws MalformedPacketException {
        SacnSync sync = new SacnSync(CID, 200, 7_000);
        assertThat(sync.encode()).hasSize(49);
        assertThat(SacnCodec.decode(sync.encode())).isEqualTo(sync);
    }

    @Test
    void aListOfUniversesComesBackAsItWas() throws MalformedPacketException {
        SacnDiscovery list = new SacnDiscovery(CID, "Pageant console", 0, 1, MANY);
        assertThat(list.encode()).hasSize(120 + 1_024);
        assertThat(SacnCodec.decode(list.encode())).isEqualTo(list);
        SacnDiscovery none = new SacnDiscovery(CID, "", 0, 0, List.of());
        assertThat(SacnCodec.decode(none.encode())).isEqualTo(none);
    }

    @Test
    void aPageBeyondTheLastIsMalformed() {
        byte[] packet = new SacnDiscovery(CID, "", 0, 0, List.of()).encode();
        packet[118] = 1;
        assertThatThrownBy(() -> SacnCodec.decode(packet)).isInstanceOf(MalformedPacketException.class);
    }

    @Test
    void aPacketOfAnUnknownKindIsMalformedAndSaysSo() {
        byte[] packet = new SacnSync(CID, 1, 1).encode();
        packet[43] = 9;
        assertThatThrownBy(() -> SacnCodec.decode(packet))
                .isInstanceOf(MalformedPacketException.class)
                .hasMessage("the framing vector is 9; it should be 2");
    }

    @Test
    void anyBytesAreReadOrMalformedAndNothingElse() {
        Random random = new Random(31);
        List<byte[]> sound =
                List.of(new SacnSync(CID, 1, 1).encode(), new SacnDiscovery(CID, "A", 0, 0, MANY).encode());
        for (int i = 0; i < 20_000; i++) {
            byte[] packet = sound.get(i % 2).clone();
            for (int change = 0; change <= i % 4; change++) {
                packet[random.nextInt(packet.length)] = (byte) random.nextInt();
            }
            try {
                assertThat(SacnCodec.decode(packet)).isNotNull();
            } catch (MalformedPacketException malformed) {
                assertThat(malformed).hasMessageContaining("it should be");
            }
        }
    }
}
