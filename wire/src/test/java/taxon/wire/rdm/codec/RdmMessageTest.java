package taxon.wire.rdm.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;

/** ANSI E1.20, from memory. */
class RdmMessageTest {
    private static final Uid UNIT = Uid.parse("7FF0:00000001");
    private static final Uid CONTROLLER = Uid.parse("7FF0:FFFF0001");
    private static final RdmMessage SET =
            RdmMessage.request(UNIT, CONTROLLER, 200, 1, CommandClass.SET, Pid.DMX_START_ADDRESS, Bytes.of(1, 0x49));

    @Test
    void theLayoutIsByteForByteThatOfTheStandard() {
        int[] expected = {
            0xCC,
            0x01,
            26, // start codes, length 24 + 2
            0x7F,
            0xF0,
            0,
            0,
            0,
            1, // destination
            0x7F,
            0xF0,
            0xFF,
            0xFF,
            0,
            1, // source
            200,
            1,
            0, // transaction, port, message count
            0,
            1, // sub-device
            0x30,
            0x00,
            0xF0,
            2, // set, start address, data length
            1,
            0x49 // slot 329
        };
        int sum = Arrays.stream(expected).sum();
        byte[] encoded = SET.encode();
        assertThat(Bytes.of(Arrays.copyOf(encoded, expected.length))).isEqualTo(Bytes.of(expected));
        assertThat((encoded[26] & 0xFF) << 8 | encoded[27] & 0xFF).isEqualTo(sum & 0xFFFF);
    }

    @Test
    void aMessageComesBackAsItWas() throws MalformedPacketException {
        assertThat(RdmMessage.decode(SET.encode())).isEqualTo(SET);
    }

    @ParameterizedTest
    @EnumSource(CommandClass.class)
    void everyCommandClassComesBackAsItWas(CommandClass commandClass) throws MalformedPacketException {
        RdmMessage message = RdmMessage.request(UNIT, CONTROLLER, 1, 0, commandClass, Pid.DEVICE_INFO, Bytes.NONE);
        assertThat(RdmMessage.decode(message.encode()).commandClass()).isEqualTo(commandClass);
    }

    @Test
    void aParameterThatIsNotKnownIsKeptByItsNumber() throws MalformedPacketException {
        RdmMessage message = RdmMessage.request(UNIT, CONTROLLER, 1, 0, CommandClass.GET, 0x8123, Bytes.of(9));
        assertThat(RdmMessage.decode(message.encode()).pid()).isEqualTo(0x8123);
    }

    @Test
    void oneBitThatFlippedIsSeenByTheChecksum() {
        byte[] bytes = SET.encode();
        bytes[25] ^= 1;
        assertThatThrownBy(() -> RdmMessage.decode(bytes)).hasMessageContaining("the checksum");
    }

    @Test
    void aLengthThatDoesNotFitIsMalformed() {
        byte[] bytes = SET.encode();
        bytes[2]++;
        assertThatThrownBy(() -> RdmMessage.decode(bytes)).hasMessageContaining("the length of the message");
    }

    @Test
    void anAnswerBelongsToItsRequestOnly() {
        RdmMessage answer = SET.answer(RdmMessage.ACK, Bytes.NONE);
        assertThat(answer.answers(SET)).isTrue();
        assertThat(answer.commandClass()).isEqualTo(CommandClass.SET_RESPONSE);
        RdmMessage other =
                RdmMessage.request(UNIT, CONTROLLER, 201, 1, CommandClass.SET, Pid.DMX_START_ADDRESS, Bytes.NONE);
        assertThat(answer.answers(other)).isFalse();
    }

    @Test
    void deviceInfoHas19BytesAndComesBackAsItWas() throws MalformedPacketException {
        DeviceInfo info = new DeviceInfo(7, 0x0100, 0xFFFF_FFFFL, 24, 2, 3, 73, 1, 0);
        assertThat(info.encode().length()).isEqualTo(DeviceInfo.LENGTH);
        assertThat(DeviceInfo.decode(info.encode())).isEqualTo(info);
        assertThatThrownBy(() -> DeviceInfo.decode(Bytes.of(1, 0))).hasMessageContaining("length of the device info");
    }

    @Test
    void aPersonalityDescriptionComesBackAsItWas() throws MalformedPacketException {
        PersonalityDescription description = new PersonalityDescription(2, 24, "24-channel");
        assertThat(PersonalityDescription.decode(description.encode())).isEqualTo(description);
    }

    @Test
    void aUidReadsAsManufacturerAndDevice() {
        assertThat(UNIT).hasToString("7FF0:00000001");
        assertThatThrownBy(() -> Uid.parse("7FF0-1")).hasMessageContaining("7FF0:00000001");
    }

    @Test
    void aReasonIsSaidInWords() {
        assertThat(NackReason.words(6)).isEqualTo("data out of range");
        assertThat(NackReason.words(77)).isEqualTo("reason 77");
    }
}
