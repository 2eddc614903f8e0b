package taxon.core.raising;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.testing.Rigs;

class OutletsTest {
    private static final Ipv4 QUAY = Ipv4.of(127, 0, 0, 2);
    private static final Ipv4 GATE = Ipv4.of(127, 0, 9, 2);
    private static final UniverseNumber ONE = UniverseNumber.of(1);

    private static List<Outlet> outlets(Route... routes) {
        Plan plan = Rigs.empty()
                .with(List.of(
                        Box.node(1, "Quay node", QUAY, 4),
                        Box.node(2, "Gate node", GATE, 4),
                        new Universe(ONE, "", List.of(routes))));
        return Outlets.of(plan, List.of(ONE)).outlets();
    }

    @Test
    void aGroupIsSentOnceAndTowardsAllBoxesThatTakeIt() {
        SacnUniverse five = new SacnUniverse(5);
        List<Outlet> outlets = outlets(
                new Route.Sacn(five, new PortRef(1, 1)),
                new Route.Sacn(five, new PortRef(2, 1)),
                new Route.Sacn(five, new PortRef(1, 2)));
        assertThat(outlets).singleElement().satisfies(o -> {
            assertThat(o.to()).isEqualTo(five.multicastGroup());
            assertThat(o.boxes()).containsExactly(QUAY, GATE);
        });
    }

    @Test
    void whatGoesToBoxesAloneIsAnOutletForEach() {
        PortAddress five = new PortAddress(5);
        assertThat(outlets(new Route.ArtNet(five, new PortRef(1, 1)), new Route.ArtNet(five, new PortRef(2, 1))))
                .extracting(Outlet::to)
                .containsExactly(QUAY, GATE);
    }
}
