package taxon.wire.bytes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;

class BytesTest {
    @Test
    void numbersComeBackAsTheyWereInBothOrders() throws MalformedPacketException {
        byte[] bytes = new ByteWriter()
                .u8(255)
                .u16(0xABCD)
                .u16LittleEndian(0xABCD)
                .u32(0xFFFF_FFFFL)
                .toArray();
        assertThat(Bytes.of(bytes)).hasToString("ffabcdcdabffffffff");
        ByteReader in = new ByteReader(bytes);
        assertThat(in.u8()).isEqualTo(255);
        assertThat(in.u16()).isEqualTo(0xABCD);
        assertThat(in.u16LittleEndian()).isEqualTo(0xABCD);
        assertThat(in.u32()).isEqualTo(0xFFFF_FFFFL);
        assertThat(in.remaining()).isZero();
    }

    @Test
    void aNumberThatDoesNotFitIsRefusedAndNeverMasked() {
        assertThatThrownBy(() -> new ByteWriter().u8(256)).hasMessageContaining("256 does not fit");
        assertThatThrownBy(() -> new ByteWriter().u16(-1)).hasMessageContaining("-1 does not fit");
        assertThatThrownBy(() -> new ByteWriter().u32(1L << 32)).hasMessageContaining("does not fit");
    }

    @Test
    void readingPastTheEndIsMalformedAndNoShortValue() {
        ByteReader in = new ByteReader(new byte[] {1});
        assertThatThrownBy(in::u16)
                .isInstanceOf(MalformedPacketException.class)
                .hasMessageContaining("at least 1 bytes");
        assertThatThrownBy(() -> in.bytes(-1)).isInstanceOf(MalformedPacketException.class);
    }

    @Test
    void aTextIsCutAtAWholeLetterAndEndsWithAZero() throws MalformedPacketException {
        byte[] field = new ByteWriter().text("Ünïön", 5).toArray();
        assertThat(field).hasSize(5).endsWith(0);
        assertThat(new ByteReader(field).text(5)).isEqualTo("Ün");
        assertThat(new ByteReader("abc".getBytes(StandardCharsets.UTF_8)).text(3))
                .isEqualTo("abc");
    }

    @Test
    void bytesAreComparedByContentAndCannotBeChangedFromOutside() {
        byte[] given = {1, 2};
        Bytes bytes = Bytes.of(given);
        given[0] = 9;
        bytes.toArray()[1] = 9;
        assertThat(bytes)
                .isEqualTo(Bytes.of(1, 2))
                .hasSameHashCodeAs(Bytes.of(1, 2))
                .isNotEqualTo(Bytes.NONE);
    }
}
