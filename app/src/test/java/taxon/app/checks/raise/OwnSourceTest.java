package taxon.app.checks.raise;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxPort.Merge;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.SacnUniverse;
import taxon.core.raising.Outlet;
import taxon.core.reception.Carrier;
import taxon.wire.link.SendPolicy;

class OwnSourceTest {
    private static final Ipv4 LOOPBACK = Ipv4.of(127, 0, 0, 1);
    private static final Ipv4 REAL = Ipv4.of(10, 0, 0, 1);
    private static final Ipv4 HERE = Ipv4.of(127, 0, 0, 2);
    private static final Ipv4 FAR = Ipv4.of(10, 0, 0, 9);
    private static final SacnUniverse THREE = new SacnUniverse(3);
    private static final Ipv4 GROUP = THREE.multicastGroup();

    private static Outlet outlet(Ipv4 to) {
        Carrier carrier = to.isMulticast() ? Carrier.of(THREE) : Carrier.of(new PortAddress(3));
        return new Outlet(
                UniverseNumber.of(1), carrier, to, !to.isMulticast(), 100, Merge.HIGHEST, 1, "Node port 1", List.of());
    }

    private static SendPolicy policy(List<Ipv4> cards, boolean network) {
        return OwnSource.policy(List.of(outlet(HERE), outlet(FAR), outlet(GROUP)), cards, network);
    }

    @Test
    void nothingLeavesForAnAddressThatWasNotArmed() {
        for (boolean network : new boolean[] {false, true}) {
            assertThat(policy(List.of(LOOPBACK), network).allows(Ipv4.of(127, 0, 0, 3)))
                    .isFalse();
            assertThat(policy(List.of(REAL), network).allows(Ipv4.of(10, 0, 0, 8)))
                    .isFalse();
            assertThat(policy(List.of(REAL), network).allows(Ipv4.of(10, 255, 255, 255)))
                    .isFalse();
            assertThat(policy(List.of(LOOPBACK), network).allows(new SacnUniverse(4).multicastGroup()))
                    .isFalse();
        }
    }

    @Test
    void whatLeavesThisMachineIsArmedTwice() {
        assertThat(policy(List.of(LOOPBACK), false).allows(HERE)).isTrue();
        assertThat(policy(List.of(LOOPBACK), false).allows(GROUP))
                .as("a group by the loopback card")
                .isTrue();
        assertThat(policy(List.of(LOOPBACK), false).allows(FAR)).isFalse();
        assertThat(policy(List.of(REAL), false).allows(GROUP))
                .as("a group by a real card")
                .isFalse();
        assertThat(policy(List.of(LOOPBACK, REAL), false).allows(GROUP))
                .as("a group that may leave by the second card")
                .isFalse();
        assertThat(policy(List.of(REAL), true).allows(FAR)).isTrue();
        assertThat(policy(List.of(REAL), true).allows(GROUP)).isTrue();
        assertThat(OwnSource.outside(List.of(outlet(HERE), outlet(FAR), outlet(GROUP)), List.of(REAL)))
                .containsExactly(FAR, GROUP);
        assertThat(OwnSource.outside(List.of(outlet(HERE), outlet(GROUP)), List.of(LOOPBACK)))
                .isEmpty();
    }
}
