package taxon.app.cards;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.Inet4Address;
import java.net.NetworkInterface;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import taxon.core.network.Ipv4;

class CardsTest {
    private static Ipv4 ip(String text) {
        return Ipv4.parse(text).orElseThrow();
    }

    @Test
    void aCardHearsWhatLiesInItsNetworkOnly() {
        Card card = new Card("one", ip("10.0.0.5"), 24, false);
        assertThat(card.deafTo(List.of(ip("10.0.0.20"), ip("10.0.1.20"), ip("2.0.0.1"))))
                .containsExactly(ip("10.0.1.20"), ip("2.0.0.1"));
        assertThat(new Card("one", ip("10.0.0.5"), 32, false).hears(ip("10.0.0.6")))
                .isFalse();
    }

    @Test
    void anAddressThatACardGaveItselfIsSaid() {
        assertThat(new Card("one", ip("169.254.7.7"), 16, false).isSelfGiven()).isTrue();
        assertThat(new Card("one", ip("169.253.7.7"), 16, false).isSelfGiven()).isFalse();
    }

    @Test
    void publicAddressesAreOnlyATroubleWhereTheCardAlsoLeadsElsewhere() {
        assertThat(new Card("one", ip("2.0.0.5"), 8, true).hidesThePublic()).isTrue();
        assertThat(new Card("one", ip("2.0.0.5"), 8, false).hidesThePublic()).isFalse();
        assertThat(new Card("one", ip("10.0.0.5"), 8, true).hidesThePublic()).isFalse();
    }

    @Test
    void allThatTheSystemHasAreRead() throws IOException {
        Set<String> names = NetworkInterface.networkInterfaces()
                .filter(n -> n.getInterfaceAddresses().stream().anyMatch(a -> a.getAddress() instanceof Inet4Address))
                .map(NetworkInterface::getName)
                .collect(Collectors.toSet());
        assertThat(new Cards().all())
                .isNotEmpty()
                .allSatisfy(c -> assertThat(names).contains(c.name()));
        assertThat(new Cards().find(ip("127.0.0.1"))).isPresent();
    }

    @Test
    void whatIsNotThereIsRefusedWithWhatIs() {
        assertThatThrownBy(() -> new Cards().require(ip("203.0.113.7")))
                .hasMessageContainingAll("no card with 203.0.113.7", "127.0.0.1", "choose another");
    }
}
