package taxon.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.SlotIndex.Seat;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;

/** As few as can be are named so that the rest ascends: against trying every choice. */
class AscendingTest {

    static LongStream seeds() {
        return Rigs.seeds(300);
    }

    private static List<Seat> row(int[] ids) {
        Plan plan = Rigs.add(
                Rigs.empty(), Rigs.type("t", 2), ids.length, Optional.empty(), Optional.of(StartAddress.of(1, 1)));
        List<Fixture> numbered = new ArrayList<>();
        for (int i = 0; i < ids.length; i++) {
            Fixture fixture = plan.fixture(FixtureKey.of(i + 1)).orElseThrow();
            numbered.add(fixture.withId(ids[i] == 0 ? Optional.empty() : Optional.of(FixtureId.of(ids[i]))));
        }
        return new SlotIndex(plan.with(numbered)).on(UniverseNumber.of(1));
    }

    private static boolean ascends(int[] ids, int chosen) {
        int last = 0;
        for (int i = 0; i < ids.length; i++) {
            if ((chosen >> i & 1) == 1) {
                if (ids[i] < last) {
                    return false;
                }
                last = ids[i];
            }
        }
        return true;
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void thoseOutsideAreAsFewAsCanBeAndTheRestAscends(long seed) {
        Random random = new Random(seed);
        int[] ids = random.ints(1 + random.nextInt(9), 1, 9).toArray();
        int most = IntStream.range(0, 1 << ids.length)
                .filter(c -> ascends(ids, c))
                .map(Integer::bitCount)
                .max()
                .orElseThrow();
        List<FixtureKey> out = Ascending.outside(row(ids));
        assertThat(out).hasSize(ids.length - most).isSorted();
        int rest = IntStream.range(0, ids.length)
                .filter(i -> !out.contains(FixtureKey.of(i + 1)))
                .map(i -> 1 << i)
                .sum();
        assertThat(ascends(ids, rest)).isTrue();
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aRowIsInStepWhenTheIdsOfThoseThatHaveOneAscend(long seed) {
        Random random = new Random(seed);
        int[] ids = random.ints(1 + random.nextInt(5), 0, 4).toArray();
        int known = IntStream.range(0, ids.length)
                .filter(i -> ids[i] > 0)
                .map(i -> 1 << i)
                .sum();
        assertThat(Ascending.isSo(row(ids))).isEqualTo(ascends(ids, known));
    }
}
