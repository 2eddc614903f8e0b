package taxon.core.addressing.style;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.packing.Effort;
import taxon.core.rig.Plan;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;
import taxon.core.testing.Rigs;

/** Who stays where he is, against every choice that there is. */
class WhoStaysTest {
    private static final int MOST = 11;

    static LongStream seeds() {
        return Rigs.seeds(150);
    }

    /** A few of the fixtures of a rig where they are now; several spots each, some of them shared. */
    private record Case(List<CurrentPlace> places, Task task) {
        static Case of(long seed) {
            Random random = new Random(seed);
            Plan plan = Rigs.hung(seed);
            Wish wish = Wish.USUAL
                    .withStyle(Style.LEAST_CHANGE)
                    .withSplit(random.nextInt(3) == 0 ? Split.TYPE : Split.NONE, random.nextBoolean())
                    .withBlocks(Blocks.values()[random.nextInt(Blocks.values().length)])
                    .withSpacing(Spacing.ofGap(random.nextInt(6)))
                    .within(StartAddress.of(1, 1), UniverseSet.ALL);
            Task task = Task.of(plan, new PlacementRequest(Scope.ALL, Set.of(), wish), Set.of(), plenty());
            List<CurrentPlace> all = CurrentPlaces.of(task);
            return new Case(all.subList(0, Math.min(MOST, all.size())), task);
        }

        WhoStays.Choice chosen(Effort effort) {
            return WhoStays.of(places, task.base(), effort);
        }

        private boolean areAtPeace(List<CurrentPlace> staying) {
            for (int i = 0; i < staying.size(); i++) {
                for (int j = 0; j < i; j++) {
                    if (staying.get(i).meets(staying.get(j))) {
                        return false;
                    }
                }
            }
            return true;
        }

        private int points(List<CurrentPlace> staying) {
            return places.stream()
                    .filter(p -> !staying.contains(p))
                    .mapToInt(CurrentPlace::weight)
                    .sum();
        }

        private List<CurrentPlace> named(Set<Integer> indices) {
            return places.stream().filter(p -> indices.contains(p.index())).toList();
        }

        /** The least price of all choices in which nobody meets anybody. */
        int least() {
            int least = Integer.MAX_VALUE;
            for (int choice = 0; choice < 1 << places.size(); choice++) {
                List<CurrentPlace> staying = new ArrayList<>();
                for (int i = 0; i < places.size(); i++) {
                    if ((choice >> i & 1) == 1) {
                        staying.add(places.get(i));
                    }
                }
                if (staying.stream().allMatch(CurrentPlace::mayStay) && areAtPeace(staying)) {
                    least = Math.min(least, points(staying));
                }
            }
            return least;
        }
    }

    private static Effort plenty() {
        return Effort.of(Effort.OF_A_REQUEST);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theBestChoiceIsFoundAndKnownToBeTheBest(long seed) {
        Case c = Case.of(seed);
        WhoStays.Choice chosen = c.chosen(plenty());
        List<CurrentPlace> staying = c.named(chosen.stay());
        assertThat(staying).allMatch(CurrentPlace::mayStay).hasSameSizeAs(chosen.stay());
        assertThat(c.areAtPeace(staying)).isTrue();
        assertThat(chosen.points()).isEqualTo(c.points(staying)).isEqualTo(c.least());
        assertThat(chosen.atLeast()).isEqualTo(chosen.points());
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void withLittleEffortTheChoiceIsLegalAndItsBoundTrue(long seed) {
        Case c = Case.of(seed);
        for (long effort : new long[] {0, 40, 400}) {
            WhoStays.Choice chosen = c.chosen(Effort.of(effort));
            List<CurrentPlace> staying = c.named(chosen.stay());
            assertThat(c.areAtPeace(staying)).isTrue();
            assertThat(chosen.points()).isEqualTo(c.points(staying));
            assertThat(c.least()).isBetween(chosen.atLeast(), chosen.points());
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whoMeetsSomebodyIsNamedAndNobodyElse(long seed) {
        Case c = Case.of(seed);
        List<CurrentPlace> may =
                c.places().stream().filter(CurrentPlace::mayStay).toList();
        List<Integer> meeting = may.stream()
                .filter(place -> may.stream().anyMatch(p -> p.index() != place.index() && p.meets(place)))
                .map(CurrentPlace::index)
                .toList();
        assertThat(Conflicts.among(c.places())).containsExactlyElementsOf(meeting);
    }

    /** Else the tests above would say nothing. */
    @Test
    void theRigsAreInAMess() {
        long moving = LongStream.range(0, 40)
                .map(seed -> {
                    Case c = Case.of(seed);
                    return c.places().size() - c.chosen(plenty()).stay().size();
                })
                .sum();
        long severalSpots = LongStream.range(0, 40)
                .map(seed -> Case.of(seed).places().stream()
                        .filter(p -> p.mayStay() && !p.isPlain())
                        .count())
                .sum();
        assertThat(moving).isGreaterThan(60);
        assertThat(severalSpots).isGreaterThan(40);
    }
}
