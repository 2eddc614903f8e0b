package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.packing.Effort;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Style;
import taxon.core.testing.Rigs;

/** With however little effort, what is claimed is true: on rigs of which it is known by construction what can be done. */
class ShortEffortTest {
    private static final long[] EFFORTS = {0, 1_000, 100_000, 3_000_000, Effort.OF_A_REQUEST};

    static LongStream seeds() {
        return Rigs.seeds(16);
    }

    /** Fixtures that fill so many universes to the last slot, shuffled; half of them lie somewhere. */
    private static Plan exactlyFull(Random random, int universes) {
        List<Integer> lengths = new ArrayList<>();
        for (int u = 0; u < universes; u++) {
            int left = 512;
            while (left > 0) {
                int length = Math.min(left, 20 + random.nextInt(120));
                lengths.add(left - length < 20 ? left : length);
                left -= left - length < 20 ? left : length;
            }
        }
        Collections.shuffle(lengths, random);
        Plan plan = Rigs.empty();
        int id = 1;
        for (int length : lengths) {
            Optional<StartAddress> at = random.nextBoolean()
                    ? Optional.empty()
                    : Optional.of(StartAddress.of(1 + random.nextInt(universes), 1 + random.nextInt(513 - length)));
            plan = Rigs.add(plan, Rigs.type("t" + length, length), 1, Optional.of(id++), at);
        }
        return plan;
    }

    private static AddressProposal propose(Plan plan, Style style, int universes, long effort) {
        Wish wish = Wish.USUAL.withStyle(style).within(StartAddress.of(1, 1), UniverseSet.of(1, universes));
        return Planner.propose(plan, new PlacementRequest(Scope.ALL, Set.of(), wish), Effort.of(effort));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void nothingIsCertainlyImpossibleThatCanBeDone(long seed) {
        Random random = new Random(seed);
        int universes = 2 + random.nextInt(3);
        Plan plan = exactlyFull(random, universes);
        for (long effort : EFFORTS) {
            for (Style style : Style.values()) {
                AddressProposal proposal = propose(plan, style, universes, effort);
                if (!proposal.leftOut().isEmpty() && style != Style.IN_ORDER) {
                    assertThat(proposal.certain())
                            .as(style + " leaves out with " + effort)
                            .isFalse();
                }
            }
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void noBoundIsAboveWhatCanBeDoneAndWhatIsCertainIsThat(long seed) {
        Random random = new Random(seed);
        int universes = 2 + random.nextInt(3);
        Plan plan = exactlyFull(random, universes);
        for (long effort : EFFORTS) {
            if (propose(plan, Style.FEWEST_UNIVERSES, 60, effort).optimum() instanceof Optimum.Universes u) {
                assertThat(u.atLeast()).isLessThanOrEqualTo(universes);
                assertThat(u.isCertain() && u.used() != universes)
                        .as(u.used() + " with " + effort)
                        .isFalse();
            }
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theLeastChangeThatIsCertainWithLittleEffortIsNoMoreThanThatWithMuch(long seed) {
        Random random = new Random(seed);
        Plan plan = exactlyFull(random, 2);
        List<Optimum.Least> said = new ArrayList<>();
        for (long effort : EFFORTS) {
            if (propose(plan, Style.LEAST_CHANGE, 3, effort).optimum() instanceof Optimum.Least l) {
                said.add(l);
            }
        }
        int best = said.stream().mapToInt(Optimum.Least::points).min().orElse(0);
        assertThat(said).allSatisfy(l -> assertThat(l.atLeast()).isLessThanOrEqualTo(best));
        assertThat(said)
                .filteredOn(Optimum.Least::isCertain)
                .allSatisfy(l -> assertThat(l.points()).isEqualTo(best));
    }

    /** The universe with most room is not the one that holds the long unit: nobody says that two are needed. */
    @Test
    void aUniverseWithMoreRoomInPiecesIsNotTakenForTheRoomierOne() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("long", 300), 1, 1)
                .with(List.of(
                        new ReservedRun(1, UniverseNumber.of(1), new SlotRange(301, 512), "kept"),
                        new ReservedRun(2, UniverseNumber.of(2), new SlotRange(200, 250), "kept"),
                        new ReservedRun(3, UniverseNumber.of(3), new SlotRange(150, 260), "kept")));
        AddressProposal proposal = propose(plan, Style.FEWEST_UNIVERSES, 3, Effort.OF_A_REQUEST);
        assertThat(proposal.moves())
                .singleElement()
                .satisfies(m -> assertThat(m.after()).isEqualTo(StartAddress.of(1, 1)));
        assertThat(proposal.optimum()).isEqualTo(new Optimum.Universes(1, 1));
    }
}
