package taxon.wire.sacn.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import taxon.core.network.SacnUniverse;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;
import taxon.wire.testing.Tshark;

/** ANSI E1.31, from memory. */
class SacnDataTest {
    private static final Bytes CID = Bytes.of(1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16);
    private static final SacnData FULL =
            new SacnData(CID, "Taxon bench", 100, 0, 9, 0, new SacnUniverse(256), 0, Bytes.of(new byte[512]));

    @Test
    void aPacketOf512SlotsHas638Bytes() {
        assertThat(FULL.encode()).hasSize(638);
    }

    @Test
    void aPacketComesBackAsItWas() throws MalformedPacketException {
        assertThat(SacnCodec.decode(FULL.encode())).isEqualTo(FULL);
    }

    @Test
    void tsharkReadsEveryField() {
        SacnData data = new SacnData(
                CID, "Taxon bench", 150, 0, 9, SacnData.TERMINATED, new SacnUniverse(256), 0, Bytes.of(1, 2, 3));
        assertThat(Tshark.fields(
                        data.encode(),
                        SacnData.UDP_PORT,
                        "acn.preamble_size",
                        "acn.postamble_size",
                        "acn.cid",
                        "acn.dmx.source_name",
                        "acn.dmx.priority",
                        "acn.dmx.seq_number",
                        "acn.dmx.option_s",
                        "acn.dmx.universe",
                        "acn.dmx.start_code2",
                        "acn.dmx.count",
                        "acn.dmx.increment"))
                .containsExactly(
                        "16",
                        "0",
                        "01020304-0506-0708-090a-0b0c0d0e0f10",
                        "Taxon bench",
                        "150",
                        "9",
                        "1",
                        "256",
                        "0",
                        "4",
                        "1");
    }

    @Test
    void aWrongLengthIsMalformed() {
        byte[] cut = Arrays.copyOf(FULL.encode(), 600);
        assertThatThrownBy(() -> SacnCodec.decode(cut))
                .isInstanceOf(MalformedPacketException.class)
                .hasMessageContaining("root length");
    }

    @Test
    void universe64214IsNoDataUniverse() {
        byte[] packet = FULL.encode();
        packet[113] = (byte) (64_214 >> 8);
        packet[114] = (byte) 64_214;
        assertThatThrownBy(() -> SacnCodec.decode(packet))
                .hasMessageContaining("the universe is 64214; it should be 1 to 63999");
    }

    @Test
    void aPriorityAbove200IsMalformed() {
        byte[] packet = FULL.encode();
        packet[108] = (byte) 201;
        assertThatThrownBy(() -> SacnCodec.decode(packet)).hasMessageContaining("priority");
    }
}
