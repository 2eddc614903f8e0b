package taxon.core.counting;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Counting;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.Universe;
import taxon.core.testing.Rigs;

class CountingProposalTest {
    private static Universe artNet(int universe, int address) {
        return routed(universe, new Route.ArtNet(new PortAddress(address), new PortRef(1, 1)));
    }

    private static Universe routed(int universe, Route route) {
        return new Universe(UniverseNumber.of(universe), "U" + universe, List.of(route));
    }

    private static final Plan RIG = Rigs.empty()
            .with(List.of(
                    Box.node(1, "Quay node", Ipv4.of(10, 0, 0, 20), 4),
                    artNet(1, 1),
                    artNet(16, 15),
                    routed(17, new Route.Sacn(new SacnUniverse(17), new PortRef(1, 2))),
                    Universe.unrouted(UniverseNumber.of(18)),
                    artNet(40_000, 9)));

    @Test
    void allAreNumberedByOneRuleAndKeepTheirPortsAndLabels() {
        CountingProposal proposal = CountingProposal.of(RIG, Counting.FROM_ZERO);
        assertThat(proposal.moves())
                .extracting(m -> m.universe().number().number())
                .containsExactly(1);
        assertThat(proposal.staying()).isEqualTo(2);
        assertThat(proposal.omissions())
                .extracting(CountingProposal.Beyond::who)
                .containsExactly("universe 40000");
        Plan after = Rigs.apply(RIG, proposal.edit());
        assertThat(after.sheet().counting()).isEqualTo(Counting.FROM_ZERO);
        assertThat(after.universes()).contains(artNet(1, 0), artNet(16, 15), artNet(40_000, 9));
        assertThat(after.universes())
                .filteredOn(u -> CountingProposal.isException(after, u))
                .extracting(u -> u.number().number())
                .containsExactly(40_000);
        assertThat(PlanDelta.between(RIG, after).turned().applyTo(after)).contains(RIG);
    }

    @Test
    void whatGoesByNoRuleIsAnException() {
        assertThat(RIG.universes())
                .filteredOn(u -> CountingProposal.isException(RIG, u))
                .extracting(u -> u.number().number())
                .containsExactly(16, 40_000);
    }
}
