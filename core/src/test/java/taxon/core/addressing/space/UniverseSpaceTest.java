package taxon.core.addressing.space;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.addressing.request.SharingClass;
import taxon.core.dmx.SlotRange;
import taxon.core.packing.Grain;
import taxon.core.packing.Hole;
import taxon.core.testing.Rigs;

/** Where room is on a universe, against the definition written down slot by slot. */
class UniverseSpaceTest {
    private static final SharingClass ALL = new SharingClass("", false, false);

    private record Run(int first, int length) {
        int last() {
            return first + length - 1;
        }
    }

    /** A universe by its definition: who is there, what is reserved, where starts may lie. */
    private record Truth(Grain grain, int last, List<Run> fixed, List<Run> reserved) {
        static Truth of(long seed) {
            Random random = new Random(seed);
            Grain grain = new Grain(1 + random.nextInt(12), random.nextBoolean(), random.nextInt(6));
            List<Run> fixed = new ArrayList<>();
            for (int n = random.nextInt(8); n > 0; n--) {
                fixed.add(new Run(1 + random.nextInt(490), 1 + random.nextInt(40)));
            }
            List<Run> reserved = new ArrayList<>();
            for (int n = random.nextInt(3); n > 0; n--) {
                reserved.add(new Run(1 + random.nextInt(500), 1 + random.nextInt(8)));
            }
            return new Truth(grain, 512 - random.nextInt(40), fixed, reserved);
        }

        UniverseSpace space() {
            UniverseSpace space = new UniverseSpace(grain, last);
            reserved.forEach(r -> space.reserve(r.first(), Math.min(512, r.last())));
            fixed.forEach(f -> space.take(f.first(), f.length(), ALL, 0));
            return space;
        }

        private int claims(int length) {
            int all = length + grain.gap();
            return grain.onGrid() ? all : (all + grain.step() - 1) / grain.step() * grain.step();
        }

        boolean takes(int slot, int length) {
            boolean onGrid = !grain.onGrid() || (slot - 1) % grain.step() == 0;
            boolean apart = fixed.stream()
                    .allMatch(f -> slot >= f.first() + claims(f.length()) || slot + claims(length) <= f.first());
            boolean unreserved = reserved.stream().allMatch(r -> slot > r.last() || slot + length - 1 < r.first());
            return onGrid && apart && unreserved && slot + length - 1 <= last;
        }
    }

    static LongStream seeds() {
        return Rigs.seeds(150);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void theFirstFitIsTheFirstSlotThatTheDefinitionAllows(long seed) {
        Truth truth = Truth.of(seed);
        UniverseSpace space = truth.space();
        for (int length : new int[] {1, 5, 24, 80}) {
            int expected = IntStream.rangeClosed(1, 512)
                    .filter(s -> truth.takes(s, length))
                    .findFirst()
                    .orElse(0);
            assertThat(space.firstFit(1, length)).as("length " + length).isEqualTo(expected);
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void theLongestRunAtEachSlotIsTheLongestThatTheDefinitionAllows(long seed) {
        Truth truth = Truth.of(seed);
        int[] longest = truth.space().longestFrom(1);
        for (int slot = 1; slot <= 512; slot += 7) {
            int at = slot;
            int expected = IntStream.rangeClosed(1, 512)
                    .filter(l -> truth.takes(at, l))
                    .max()
                    .orElse(0);
            assertThat(longest[slot]).as("slot " + slot).isEqualTo(expected);
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void holesHoldWhereverSomethingMayBeginAndNothingElse(long seed) {
        Truth truth = Truth.of(seed);
        List<Hole> holes = truth.space().holes(1);
        holes.forEach(h ->
                assertThat(truth.takes(h.first(), h.length())).as(h.toString()).isTrue());
        for (int slot = 1; slot <= 512; slot++) {
            int at = slot;
            assertThat(truth.takes(slot, 1) && holes.stream().noneMatch(h -> h.first() <= at && at <= h.end()))
                    .as("slot " + slot + " is in no hole")
                    .isFalse();
        }
    }

    @Test
    void aGapIsKeptAcrossAReservedRun() {
        UniverseSpace space = new UniverseSpace(new Grain(1, false, 20), 512);
        space.take(1, 10, ALL, 0);
        space.reserve(12, 13);
        assertThat(space.firstFit(1, 5)).isEqualTo(31);
    }

    @Test
    void freeRunsAreWhatNothingTakesWhateverTheGap() {
        UniverseSpace space = new UniverseSpace(new Grain(1, false, 20), 512);
        space.take(11, 10, ALL, 0);
        space.reserve(500, 512);
        assertThat(space.freeRuns()).containsExactly(new SlotRange(1, 10), new SlotRange(21, 499));
        assertThat(space.free()).isEqualTo(489);
    }
}
