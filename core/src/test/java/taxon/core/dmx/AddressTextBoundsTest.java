package taxon.core.dmx;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.core.dmx.AddressText.Fault;
import taxon.core.dmx.AddressText.Parsed;
import taxon.core.dmx.AddressText.Read;
import taxon.core.dmx.AddressText.Refused;

/** The first and the last that can be written, and their neighbours outside. */
class AddressTextBoundsTest {
    @ParameterizedTest
    @CsvSource({
        "1.1, 1, 1",
        "1.512, 1, 512",
        "63999.1, 63999, 1",
        "63999.512, 63999, 512",
        "1, 1, 1",
        "512, 1, 512",
        "513, 2, 1",
        "32767488, 63999, 512"
    })
    void theEndsAreAddresses(String text, int universe, int slot) {
        assertThat(AddressText.read(text)).isEqualTo(new Read(StartAddress.of(universe, slot)));
    }

    @ParameterizedTest
    @CsvSource({
        "0.1, UNIVERSE_OUT_OF_RANGE, 0",
        "64000.1, UNIVERSE_OUT_OF_RANGE, 64000",
        "1.0, SLOT_OUT_OF_RANGE, 0",
        "1.513, SLOT_OUT_OF_RANGE, 513",
        "0, ABSOLUTE_OUT_OF_RANGE, 0",
        "-1, ABSOLUTE_OUT_OF_RANGE, -1",
        "32767489, ABSOLUTE_OUT_OF_RANGE, 32767489",
        "1.2.3, NOT_AN_ADDRESS, 1.2.3",
    })
    void whatIsBesideThemIsRefusedWithTheValue(String text, Fault fault, String value) {
        assertThat(AddressText.read(text)).isEqualTo(new Refused(fault, value));
    }

    @ParameterizedTest
    @CsvSource({"x, 1", "1, x", "'', 1"})
    void partsThatAreNoNumbersAreNoAddress(String universe, String slot) {
        Parsed parsed = AddressText.ofParts(universe, slot);
        assertThat(parsed).isEqualTo(new Refused(Fault.NOT_AN_ADDRESS, universe + " and " + slot));
    }
}
