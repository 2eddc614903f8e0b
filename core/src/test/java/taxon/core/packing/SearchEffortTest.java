package taxon.core.packing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Searches come to their end within the numbers that their short cuts leave: what is dominated, what failed once, what a bound
 * forbids. Without one of them the answers would be the same, and would not be there in time.
 */
class SearchEffortTest {
    private static List<ItemKind> kinds(IntStream lengths) {
        Map<Integer, Integer> counts = new TreeMap<>(Collections.reverseOrder());
        lengths.forEach(l -> counts.merge(l, 1, Integer::sum));
        return counts.entrySet().stream()
                .map(e -> new ItemKind(e.getKey(), 0, e.getValue()))
                .toList();
    }

    private static long spent(long seed, int runs, int shortest, int longest, int slots) {
        Random random = new Random(seed);
        Effort effort = Effort.of(Effort.OF_A_REQUEST);
        Packed packed = FewestBins.pack(
                Grain.FINEST,
                kinds(random.ints(runs, shortest, longest)),
                List.of(new Bin(List.of(new Hole(1, slots / 3), new Hole(slots / 2, slots)), Bin.ANY_LOAD)),
                Collections.nCopies(runs, new Bin(List.of(new Hole(1, slots)), Bin.ANY_LOAD)),
                effort);
        assertThat(packed.isOptimal())
                .as("seed " + seed + ": " + packed.used() + ", at least " + packed.atLeast())
                .isTrue();
        return Effort.OF_A_REQUEST - effort.left();
    }

    /** Twenty problems each; the numbers are those that were counted when this was written, and a tenth. */
    @ParameterizedTest
    @CsvSource({
        "24, 20, 60, 100, 11200",
        "30, 30, 45, 120, 1350000",
        "30, 26, 50, 100, 98900",
        "36, 26, 38, 100, 4080000",
        "24, 100, 200, 512, 28800",
        "30, 12, 40, 60, 19600"
    })
    void aSearchForTheFewestEndsWithinItsNumbers(int runs, int shortest, int longest, int slots, long most) {
        long all = LongStream.rangeClosed(1, 20)
                .map(seed -> spent(seed, runs, shortest, longest, slots))
                .sum();
        assertThat(all).isLessThanOrEqualTo(most);
    }
}
