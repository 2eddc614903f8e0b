package taxon.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Random;
import org.apache.commons.net.util.SubnetUtils;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Prefix, mask, network and broadcast address (RFC 4632), against Apache Commons Net. */
class SubnetTest {
    private static Ipv4 ip(String text) {
        return Ipv4.parse(text).orElseThrow();
    }

    @Test
    void aRangeOf24BitsHas254Hosts() {
        Subnet range = Subnet.parse("192.168.4.0/24").orElseThrow();
        assertThat(range.hosts()).isEqualTo(254);
        assertThat(range.mask()).hasToString("255.255.255.0");
        assertThat(range.host(11)).contains(ip("192.168.4.11"));
        assertThat(range.host(0)).isEmpty();
        assertThat(range.host(255)).isEmpty();
    }

    @Test
    void aHostOfAWideRangeMayWellEndIn255OrIn0() {
        Subnet range = Subnet.around(ip("10.0.0.0"), 8);
        assertThat(range.isHost(ip("10.0.0.255"))).isTrue();
        assertThat(range.isHost(ip("10.4.0.0"))).isTrue();
        assertThat(range.isHost(ip("10.255.255.255"))).isFalse();
        assertThat(range.isHost(ip("10.0.0.0"))).isFalse();
    }

    @Test
    void agreesWithAnotherLibraryOnEveryPrefix() {
        Random random = new Random(4632);
        for (int prefix = 1; prefix <= 30; prefix++) {
            for (int n = 0; n < 200; n++) {
                Ipv4 ip = new Ipv4(random.nextInt());
                Subnet range = Subnet.around(ip, prefix);
                SubnetUtils.SubnetInfo other = new SubnetUtils(ip + "/" + prefix).getInfo();
                assertThat(range.base()).hasToString(other.getNetworkAddress());
                assertThat(range.broadcast()).hasToString(other.getBroadcastAddress());
                assertThat(range.mask()).hasToString(other.getNetmask());
                assertThat((long) range.hosts()).isEqualTo(other.getAddressCountLong());
                assertThat(range.host(1).orElseThrow()).hasToString(other.getLowAddress());
                assertThat(range.host(range.hosts()).orElseThrow()).hasToString(other.getHighAddress());
                Ipv4 some = new Ipv4(
                        random.nextBoolean() ? random.nextInt() : range.base().bits() + random.nextInt(8));
                // That library takes 0.0.0.0 for no address at all.
                if (some.bits() != 0) {
                    assertThat(range.isHost(some))
                            .as("%s in %s", some, range)
                            .isEqualTo(other.isInRange(some.toString()));
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"10.0.0.7/24", "10.0.0.0 255.255.255.0", " 10.0.0.9 / 24 ", "10.0.0.255 / 255.255.255.0"})
    void isReadWithPrefixOrMaskFromAnyAddressInIt(String text) {
        assertThat(Subnet.parse(text).orElseThrow()).hasToString("10.0.0.0/24");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "10.0.0.0",
                "10.0.0.0/0",
                "10.0.0.0/31",
                "10.0.0.0/33",
                "10.0.0.0/255.0.255.0",
                "10.0.0.0/0.0.0.255",
                "10.0.0/24",
                "010.0.0.0/24",
                "10.0.0.0/-1",
                "10.0.0.0/24/3",
                "",
                "/",
                "10.0.0.0/24x"
            })
    void whatIsNoRangeIsNotRead(String text) {
        assertThat(Subnet.parse(text)).isEmpty();
    }

    @Test
    void aRangeThatDoesNotBeginAtItsFirstAddressCannotBeBuilt() {
        assertThatThrownBy(() -> new Subnet(ip("10.0.0.7"), 24)).hasMessageContaining("10.0.0.0");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"01.2.3.4", "1.02.3.4", "1.2.3.04", "1.2.3.256", "1.2.3", "1.2.3.4.5", "1.2.3.-4", "0x1.2.3.4"})
    void anAddressWithLeadingZerosOrOtherThanFourNumbersIsNotRead(String text) {
        assertThat(Ipv4.parse(text)).isEmpty();
    }
}
