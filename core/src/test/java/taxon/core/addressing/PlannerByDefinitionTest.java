package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.Optimum;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.wish.Wish.Style;
import taxon.core.testing.Rigs;
import taxon.core.testing.WishVerifier;

/** On rigs so small that every plan can be tried: what is proposed is one of the best, and what is claimed of it is true. */
class PlannerByDefinitionTest {
    static LongStream seeds() {
        return Rigs.seeds(60);
    }

    private static void isLegal(TinyRig rig, Style style, Plan after) {
        Set<FixtureKey> asked = rig.plan().fixtures().stream()
                .filter(f -> !f.traits().locked())
                .map(Fixture::key)
                .collect(Collectors.toSet());
        assertThat(WishVerifier.violations(rig.plan(), after, rig.wish(style), asked))
                .isEmpty();
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void inOrderClaimsNothingThatIsNotSo(long seed) {
        TinyRig rig = TinyRig.of(seed);
        AddressProposal proposal = Planner.propose(rig.plan(), rig.request(Style.IN_ORDER));
        isLegal(rig, Style.IN_ORDER, Rigs.apply(rig.plan(), proposal.edit()));
        int fewest = rig.best(Style.IN_ORDER).out();
        assertThat(proposal.leftOut()).hasSizeGreaterThanOrEqualTo(fewest);
        assertThat(proposal.certain() && proposal.leftOut().size() > fewest)
                .as("is said to be certain")
                .isFalse();
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void fewestUniversesAreTheFewestThereAre(long seed) {
        usesTheFewest(TinyRig.of(seed), Style.FEWEST_UNIVERSES, n -> new Optimum.Universes(n, n));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void portByPortTheLinesAreHeededAndTheFewestAreUsed(long seed) {
        usesTheFewest(TinyRig.of(seed), Style.COMPACT_BY_PORT, n -> new Optimum.Ports(0, n, n));
    }

    private static void usesTheFewest(TinyRig rig, Style style, IntFunction<Optimum> certain) {
        TinyRig.Best best = rig.best(style);
        AddressProposal proposal = Planner.propose(rig.plan(), rig.request(style));
        Plan after = Rigs.apply(rig.plan(), proposal.edit());
        isLegal(rig, style, after);
        assertThat(proposal.leftOut()).hasSize(best.out());
        if (best.out() == 0) {
            assertThat(rig.of(after, 0).universes()).isEqualTo(best.universes());
            assertThat(proposal.optimum()).isEqualTo(certain.apply(best.universes()));
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void leastChangeMovesAsLittleAsCanBe(long seed) {
        TinyRig rig = TinyRig.of(seed);
        TinyRig.Best best = rig.best(Style.LEAST_CHANGE);
        AddressProposal proposal = Planner.propose(rig.plan(), rig.request(Style.LEAST_CHANGE));
        Plan after = Rigs.apply(rig.plan(), proposal.edit());
        isLegal(rig, Style.LEAST_CHANGE, after);
        assertThat(proposal.leftOut()).hasSize(best.out());
        if (best.out() == 0) {
            assertThat(rig.of(after, 0).points()).isEqualTo(best.points());
            assertThat(proposal.price().points()).isEqualTo(best.points());
            Optimum.Least least = (Optimum.Least) proposal.optimum();
            assertThat(least.points()).isEqualTo(best.points());
        }
    }

    /** The best is nearly always known to be the best; where it is not, nothing more is claimed than holds. */
    @Test
    void nearlyAllLeastChangesAreProved() {
        List<Optimum.Least> claimed = seeds().mapToObj(TinyRig::of)
                .map(rig -> Planner.propose(rig.plan(), rig.request(Style.LEAST_CHANGE)))
                .filter(p -> p.leftOut().isEmpty())
                .map(p -> (Optimum.Least) p.optimum())
                .toList();
        assertThat(claimed.stream().filter(l -> !l.isCertain()).count())
                .as("of " + claimed.size())
                .isLessThanOrEqualTo(claimed.size() / 20);
    }
}
