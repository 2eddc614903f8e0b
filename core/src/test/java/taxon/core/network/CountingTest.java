package taxon.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxNumber.Kind;
import taxon.core.network.BoxNumber.Meaning;

class CountingTest {
    private static UniverseNumber universe(int number) {
        return UniverseNumber.of(number);
    }

    /** Art-Net 4, Port-Address (from memory): what a crew calls universe 16 is 15 where counting starts at 0, and 17 is Sub-Net 1. */
    @ParameterizedTest
    @CsvSource({"1, 0, 0·0·0", "16, 15, 0·0·15", "17, 16, 0·1·0", "257, 256, 1·0·0", "32768, 32767, 127·15·15"})
    void countedFromZeroUniverseSixteenIsPortAddressFifteen(int number, int address, String parts) {
        assertThat(Counting.FROM_ZERO.portAddress(universe(number)))
                .contains(new PortAddress(address))
                .get()
                .hasToString(parts);
        assertThat(Counting.FROM_ZERO.universe(new PortAddress(address))).contains(universe(number));
    }

    /** Streaming ACN has no universe 0 and keeps the job's number, plus an offset where one is given (E1.31, from memory). */
    @Test
    void streamingAcnKeepsTheJobsNumberUnderEveryRule() {
        assertThat(Counting.FROM_ZERO.sacn(universe(16))).contains(new SacnUniverse(16));
        assertThat(new Counting(0, 100).sacn(universe(16))).contains(new SacnUniverse(116));
        assertThat(new Counting(0, 100).universe(new SacnUniverse(116))).contains(universe(16));
        assertThat(new Counting(0, 100).universe(new SacnUniverse(100))).isEmpty();
    }

    @Test
    void whatLiesPastTheLastNumberOfAProtocolHasNone() {
        assertThat(Counting.FROM_ZERO.portAddress(universe(32_769))).isEmpty();
        assertThat(Counting.SAME.portAddress(universe(32_768))).isEmpty();
        assertThat(Counting.SAME.universe(new PortAddress(0))).isEmpty();
        assertThat(new Counting(0, 1).sacn(universe(63_999))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"-1, 0", "32768, 0", "0, -1", "0, 63999"})
    void aRuleOutsideTheProtocolsIsNone(int first, int sacn) {
        assertThatThrownBy(() -> new Counting(first, sacn)).isInstanceOf(IllegalArgumentException.class);
    }

    private static String meant(String text, Counting counting) {
        return BoxNumber.meanings(text, counting).stream()
                .map(m -> m.kind() + " "
                        + m.universe().map(UniverseNumber::number).orElse(0))
                .collect(Collectors.joining(", "));
    }

    @ParameterizedTest
    @ValueSource(strings = {"0·1·3", "0.1.3", "0:1:3", "0/1/3", "0-1-3", " 0 · 1 · 3 ", "0,1,3"})
    void theNodeThatSaysNoughtOneThreeMeansUniverseTwentyCountedFromZero(String text) {
        assertThat(meant(text, Counting.FROM_ZERO)).isEqualTo("NET_SUBNET_UNIVERSE 20");
        assertThat(meant(text, Counting.SAME)).isEqualTo("NET_SUBNET_UNIVERSE 19");
    }

    @Test
    void twoNumbersAndOneMayMeanSeveralThings() {
        assertThat(meant("1:4", Counting.FROM_ZERO)).isEqualTo("SUBNET_UNIVERSE 21, GROUP_OF_SIXTEEN 4");
        assertThat(meant("2:16", Counting.FROM_ZERO)).isEqualTo("GROUP_OF_SIXTEEN 32");
        assertThat(meant("0.0", Counting.FROM_ZERO)).isEqualTo("SUBNET_UNIVERSE 1");
        assertThat(meant("19", Counting.FROM_ZERO)).isEqualTo("PORT_ADDRESS 20, COUNTED_FROM_ONE 19, SACN 19");
        assertThat(meant("0", Counting.SAME)).isEqualTo("PORT_ADDRESS 0");
        assertThat(meant("63999", Counting.SAME)).isEqualTo("SACN 63999");
    }

    /** ANSI E1.31, 9.3.1 (from memory): universe 256 is 239.255.1.0. */
    @Test
    void aMulticastGroupMeansItsUniverse() {
        assertThat(meant("239.255.1.0", Counting.FROM_ZERO)).isEqualTo("MULTICAST_GROUP 256");
        assertThat(meant("239.255.0.0", Counting.FROM_ZERO)).isEmpty();
        assertThat(meant("10.0.0.1", Counting.FROM_ZERO)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "x", "128.0.0", "0.16.0", "0.0.16", "-1", "64000", "1.2.3.4.5", "99999999999", "0:17", "17:0"
            })
    void whatIsNoNumberOfAUniverseMeansNothing(String text) {
        assertThat(BoxNumber.meanings(text, Counting.SAME)).isEmpty();
    }

    /** Every notation that Taxon writes for a universe is read back as that universe. */
    @Test
    void everyNotationOfAUniverseMeansIt() {
        Counting counting = Counting.FROM_ZERO;
        IntStream.of(1, 2, 15, 16, 17, 32, 33, 256, 257, 4096, 32_768).forEach(number -> {
            PortAddress address = counting.portAddress(universe(number)).orElseThrow();
            for (String text : new String[] {
                address.toString(), Integer.toString(address.number()), BoxNumber.groupOfSixteen(address)
            }) {
                assertThat(BoxNumber.meanings(text, counting))
                        .extracting(Meaning::universe)
                        .contains(Optional.of(universe(number)));
            }
            String group = counting.sacn(universe(number))
                    .orElseThrow()
                    .multicastGroup()
                    .toString();
            assertThat(BoxNumber.meanings(group, counting))
                    .extracting(Meaning::kind, Meaning::universe)
                    .containsExactly(
                            org.assertj.core.api.Assertions.tuple(Kind.MULTICAST_GROUP, Optional.of(universe(number))));
        });
    }
}
