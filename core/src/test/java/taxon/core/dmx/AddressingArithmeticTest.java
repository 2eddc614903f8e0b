package taxon.core.dmx;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.dmx.AddressText.Fault;

class AddressingArithmeticTest {

    /** DIN SPEC 15801, Address: absolute = (universe − 1) × 512 + slot; 513 and 1234 are its worked values (from memory). */
    @ParameterizedTest
    @CsvSource({"1, 1, 1", "512, 1, 512", "513, 2, 1", "1234, 3, 210", "32767488, 63999, 512"})
    void absoluteNumbersAndPairsAreTheSameAddress(int absolute, int universe, int slot) {
        assertThat(StartAddress.ofAbsolute(absolute)).isEqualTo(StartAddress.of(universe, slot));
        assertThat(StartAddress.of(universe, slot).absolute()).isEqualTo(absolute);
    }

    @Test
    void anAddressIsWrittenWithThreeDigitsAfterThePoint() {
        assertThat(StartAddress.of(2, 7)).hasToString("2.007");
    }

    @ParameterizedTest
    @ValueSource(strings = {"2.73", "2.073", "2/73", " 2 / 73 ", "585"})
    void allWaysOfWritingAnAddressAreUnderstood(String text) {
        assertThat(AddressText.read(text)).isEqualTo(new AddressText.Read(StartAddress.of(2, 73)));
    }

    @ParameterizedTest
    @CsvSource({
        "0.1, UNIVERSE_OUT_OF_RANGE, 0",
        "64000.1, UNIVERSE_OUT_OF_RANGE, 64000",
        "3.0, SLOT_OUT_OF_RANGE, 0",
        "3.513, SLOT_OUT_OF_RANGE, 513",
        "3.-1, SLOT_OUT_OF_RANGE, -1",
        "0, ABSOLUTE_OUT_OF_RANGE, 0",
        "32767489, ABSOLUTE_OUT_OF_RANGE, 32767489",
        "three, NOT_AN_ADDRESS, three",
        "99999999999999999999, NOT_AN_ADDRESS, 99999999999999999999"
    })
    void whatIsNoAddressIsRefusedWithThePartAtFault(String text, Fault fault, String value) {
        assertThat(AddressText.read(text)).isEqualTo(new AddressText.Refused(fault, value));
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 513, -1})
    void noSlotExistsOutside1To512(int number) {
        assertThatThrownBy(() -> Slot.of(number)).hasMessageContaining(number + " is outside 1 to 512");
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 64_000})
    void noUniverseExistsOutside1To63999(int number) {
        assertThatThrownBy(() -> UniverseNumber.of(number)).hasMessageContaining(number + " is outside 1 to 63999");
    }

    /** Common practice: the largest start address of a 16-channel fixture is 497; 17 channels at 401 take 401 to 417. */
    @Test
    void aRunEndsWhereItsLengthSaysAndNeverPast512() {
        assertThat(SlotRange.fitting(497, 16)).contains(new SlotRange(497, 512));
        assertThat(SlotRange.fitting(498, 16)).isEmpty();
        assertThat(SlotRange.fitting(401, 17)).contains(new SlotRange(401, 417));
    }

    @Test
    void theNextThingBeginsAfterTheRunOrOnTheNextUniverse() {
        assertThat(StartAddress.of(1, 1).after(9)).contains(StartAddress.of(1, 10));
        assertThat(StartAddress.of(1, 497).after(16)).contains(StartAddress.of(2, 1));
        assertThat(StartAddress.of(63_999, 512).after(1)).isEmpty();
    }

    @Test
    void twoRunsShareTheSlotsThatBothHold() {
        assertThat(new SlotRange(73, 96).intersection(new SlotRange(89, 104))).contains(new SlotRange(89, 96));
        assertThat(new SlotRange(1, 16).intersection(new SlotRange(17, 32))).isEmpty();
    }
}
