package taxon.core.ipplan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.finding.Finding;
import taxon.core.finding.PlanCheck;
import taxon.core.finding.Rule;
import taxon.core.network.BoxKind;
import taxon.core.network.IpRules;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.Subnet;
import taxon.core.rig.Box;
import taxon.core.rig.BoxPlace;
import taxon.core.rig.Element;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.edit.Edit;
import taxon.core.testing.RigBoxes;
import taxon.core.testing.Rigs;

class IpProposalTest {
    private static final Subnet RANGE = Subnet.parse("10.0.0.0/24").orElseThrow();
    private static final Set<Rule> ADDRESSES = Set.of(
            Rule.IP_TWICE,
            Rule.IP_OUTSIDE,
            Rule.IP_NO_HOST,
            Rule.IP_SELF_GIVEN,
            Rule.MASK_DIFFERS,
            Rule.NETWORKS_APART);

    private static Box node(int number, String ip, int prefix) {
        return Box.node(number, "Node " + number, Ipv4.parse(ip).orElseThrow(), 1)
                .with(new NetCard(Ipv4.parse(ip).orElseThrow(), prefix));
    }

    private static Plan plan(Element... elements) {
        List<Element> all =
                new ArrayList<>(List.of(JobSheet.named("Job"), new Position(1, "Far"), new Position(2, "Near")));
        all.addAll(List.of(elements));
        return Plan.of(all);
    }

    private static Plan applied(IpProposal proposal, Plan plan) {
        return ((Edit.Changed) proposal.edit().applyTo(plan)).plan();
    }

    @Test
    void nodesBeginAtElevenAndGoByTheOrderOfPositions() {
        Plan plan = plan(
                node(1, "2.0.0.1", 8).at(BoxPlace.at(2)),
                node(2, "2.0.0.2", 8).at(BoxPlace.at(1)),
                node(3, "2.0.0.3", 8));
        Plan done = applied(IpProposal.of(plan, IpRules.usual(RANGE), false), plan);
        assertThat(done.boxes().stream().map(b -> b.card().orElseThrow().toString()))
                .containsExactly("10.0.0.12/24", "10.0.0.11/24", "10.0.0.13/24");
        assertThat(done.sheet().network().ip()).contains(IpRules.usual(RANGE));
    }

    @Test
    void whoFitsStaysAndOfTwoAlikeTheFirstKeepsIt() {
        Plan plan = plan(node(1, "10.0.0.77", 24), node(2, "10.0.0.77", 24), node(3, "10.0.0.78", 8));
        IpProposal proposal = IpProposal.of(plan, IpRules.usual(RANGE), false);
        assertThat(proposal.staying()).isEqualTo(1);
        assertThat(proposal.moves().stream().map(m -> m.box().number() + " " + m.after() + " " + m.why()))
                .containsExactly("3 10.0.0.78/24 MASK", "2 10.0.0.11/24 TAKEN");
    }

    @Test
    void anewNobodyStaysForWhatItHad() {
        Plan plan = plan(node(1, "10.0.0.77", 24), node(2, "10.0.0.12", 24));
        IpProposal proposal = IpProposal.of(plan, IpRules.usual(RANGE), true);
        assertThat(proposal.moves()).hasSize(1);
        assertThat(proposal.moves().get(0).after()).hasToString("10.0.0.11/24");
        assertThat(proposal.staying()).isEqualTo(1);
    }

    @Test
    void aRangeThatIsFullSaysWhoFoundNoRoom() {
        Subnet tiny = Subnet.parse("10.0.0.0/30").orElseThrow();
        Plan plan = plan(node(1, "2.0.0.1", 8), node(2, "2.0.0.2", 8), node(3, "2.0.0.3", 8));
        IpProposal proposal = IpProposal.of(plan, IpRules.usual(tiny), false);
        assertThat(proposal.moves()).hasSize(2);
        assertThat(proposal.omissions().stream().map(IpProposal.NoRoom::who)).containsExactly("Node 3");
        assertThat(applied(proposal, plan).box(3).orElseThrow().ip()).contains(Ipv4.of(2, 0, 0, 3));
    }

    private static Subnet range(String text) {
        return Subnet.parse(text).orElseThrow();
    }

    @Test
    void aBoxOfAnotherNetworkStaysThereAndWhoLiesInNoneComesIntoTheRange() {
        IpRules rules = IpRules.usual(RANGE).beside(List.of(range("192.168.2.0/24")));
        Plan plan = plan(
                node(1, "192.168.2.77", 24),
                node(2, "192.168.2.77", 24),
                node(3, "192.168.2.5", 16),
                node(4, "2.0.0.1", 8));
        IpProposal proposal = IpProposal.of(plan, rules, false);
        assertThat(proposal.moves().stream().map(m -> m.box().number() + " " + m.after() + " " + m.why()))
                .containsExactly("3 192.168.2.5/24 MASK", "2 192.168.2.11/24 TAKEN", "4 10.0.0.11/24 OUTSIDE");
        assertThat(PlanCheck.of(applied(proposal, plan)).findings().stream().map(Finding::rule))
                .doesNotContainAnyElementsOf(ADDRESSES);
    }

    @Test
    void networksOfOneJobHaveNoAddressInCommon() {
        IpRules rules = IpRules.usual(RANGE);
        assertThatThrownBy(() -> rules.beside(List.of(range("10.0.0.128/25"))))
                .hasMessage("10.0.0.128/25 and 10.0.0.0/24 have addresses in common");
        assertThatThrownBy(() -> rules.beside(List.of(range("192.168.0.0/16"), range("192.168.2.0/24"))))
                .hasMessageContaining("have addresses in common");
    }

    static LongStream seeds() {
        return Rigs.seeds(300);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void afterwardsNoTwoAreAlikeAllLieInTheRangeAndNoFindingIsLeft(long seed) {
        Random random = new Random(seed);
        Plan plan = RigBoxes.into(Rigs.hung(seed), random);
        List<Element> more = new ArrayList<>();
        for (int n = 0; n < random.nextInt(12); n++) {
            more.add(node(40 + n, "10.0." + random.nextInt(2) + "." + random.nextInt(20), 8 + random.nextInt(20)));
        }
        plan = plan.with(more);
        Subnet range = Subnet.around(Ipv4.of(10, 0, 0, 0), 20 + random.nextInt(8));
        IpRules rules = random.nextBoolean() ? IpRules.usual(range) : new IpRules(range, Map.of(BoxKind.NODE, 5));
        IpProposal proposal = IpProposal.of(plan, rules, random.nextBoolean());
        Plan done = applied(proposal, plan);
        Set<Ipv4> seen = new HashSet<>();
        Set<String> left = new HashSet<>();
        proposal.omissions().forEach(o -> left.add(o.who()));
        for (Box box : done.boxes()) {
            if (box.kind().canBeOnNetwork() && !left.contains(box.name())) {
                Optional<NetCard> card = box.card();
                assertThat(card).as("%s has an address", box.name()).isPresent();
                assertThat(range.isHost(card.orElseThrow().ip())).isTrue();
                assertThat(seen.add(card.orElseThrow().ip())).isTrue();
            }
        }
        assertThat(left).isEmpty();
        assertThat(PlanCheck.of(done).findings().stream().map(Finding::rule).filter(ADDRESSES::contains))
                .isEmpty();
        assertThat(IpProposal.of(done, rules, false).moves()).isEmpty();
    }
}
