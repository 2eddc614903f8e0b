package taxon.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class NetworkNumbersTest {
    /** Art-Net 4, Port-Address: 16 is 0·1·0 and 15 is 0·0·15 (from memory). */
    @ParameterizedTest
    @CsvSource({"15, 0·0·15", "16, 0·1·0", "0, 0·0·0", "256, 1·0·0", "32767, 127·15·15"})
    void aPortAddressReadsAsNetSubNetUniverse(int number, String text) {
        PortAddress address = new PortAddress(number);
        assertThat(address).hasToString(text);
        assertThat(PortAddress.of(address.net(), address.subNet(), address.universe()))
                .isEqualTo(address);
    }

    /** Art-Net 4, Port-Address (from memory): Net counts 256 universes, Sub-Net 16, Universe one; counted here, not shifted. */
    @Test
    void everyPortAddressIsMadeOfItsPartsAndFallsIntoThemAgain() {
        int number = 0;
        for (int net = 0; net <= 127; net++) {
            for (int subNet = 0; subNet <= 15; subNet++) {
                for (int universe = 0; universe <= 15; universe++) {
                    PortAddress address = PortAddress.of(net, subNet, universe);
                    assertThat(address.number()).isEqualTo(number);
                    assertThat(address.net()).isEqualTo(net);
                    assertThat(address.subNet()).isEqualTo(subNet);
                    assertThat(address.universe()).isEqualTo(universe);
                    assertThat(address.subUni()).isEqualTo(number % 256);
                    number++;
                }
            }
        }
        assertThat(number).isEqualTo(PortAddress.LAST + 1);
    }

    @Test
    void thereAre32768PortAddresses() {
        assertThatThrownBy(() -> new PortAddress(32_768)).hasMessageContaining("0 to 32767");
        assertThatThrownBy(() -> PortAddress.of(0, 16, 0)).hasMessageContaining("0 to 15");
    }

    /** ANSI E1.31, 9.3.1: 239.255 and the two bytes of the universe (from memory). */
    @ParameterizedTest
    @CsvSource({"1, 239.255.0.1", "256, 239.255.1.0", "63999, 239.255.249.255"})
    void aStreamingAcnUniverseHasItsMulticastGroup(int universe, String group) {
        assertThat(new SacnUniverse(universe).multicastGroup()).hasToString(group);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 64_000, 64_214})
    void streamingAcnHasNoSuchUniverse(int universe) {
        assertThatThrownBy(() -> new SacnUniverse(universe)).hasMessageContaining("1 to 63999");
    }

    @Test
    void anIpAddressIsFourNumbersUpTo255() {
        assertThat(Ipv4.parse(" 2.0.0.10 ")).contains(Ipv4.of(2, 0, 0, 10));
        assertThat(Ipv4.parse("192.168.1.256")).isEmpty();
        assertThat(Ipv4.parse("192.168.1")).isEmpty();
        assertThat(Ipv4.parse("gate.example")).isEmpty();
        assertThat(Ipv4.of(192, 168, 1, 20)).hasToString("192.168.1.20");
    }

    @Test
    void onlyOneHostsAddressCanBeADevice() {
        assertThat(Ipv4.of(127, 0, 0, 2).isLoopback()).isTrue();
        assertThat(Ipv4.of(10, 1, 2, 3).isHost()).isTrue();
        assertThat(Ipv4.of(239, 255, 0, 1).isHost()).isFalse();
        assertThat(Ipv4.of(0, 0, 0, 0).isHost()).isFalse();
    }
}
