package taxon.core.packing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.packing.Completion.Verdict;
import taxon.core.packing.LinearRelaxation.Pattern;
import taxon.core.testing.Rigs;

/** What fractions prove and what rounding finds, against a search of everything. */
class LinearRelaxationTest {
    private static Effort plenty() {
        return Effort.of(1_000_000_000L);
    }

    static LongStream seeds() {
        return Rigs.seeds(400);
    }

    /**
     * Puzzles where neither the slots nor L2 tell that one universe more is needed. The optimum of the linear
     * programme and of the whole one come from HiGHS 1.x (scipy.optimize.linprog and milp over all patterns).
     */
    @Test
    void fractionsProveWhatL2Cannot() {
        // 11.20 universes in fractions, 12 whole.
        assertNeedsOneMoreThanL2(Map.of(190, 7, 140, 14, 104, 3, 101, 7, 96, 6, 59, 10, 8, 6, 7, 7), 11);
        // 12.03 and 13: nearly all of twelve universes.
        assertNeedsOneMoreThanL2(Map.of(198, 10, 185, 6, 134, 9, 102, 3, 66, 13, 42, 6, 36, 3, 30, 10), 12);
        // 14.17 and 15.
        assertNeedsOneMoreThanL2(Map.of(165, 11, 163, 7, 158, 8, 142, 5, 117, 6, 88, 4, 70, 5, 55, 14), 14);
        // 15.20 and 16.
        assertNeedsOneMoreThanL2(Map.of(195, 8, 180, 14, 156, 10, 131, 5, 95, 7, 93, 5, 16, 7, 15, 4), 15);
        // 14.67 and 15.
        assertNeedsOneMoreThanL2(Map.of(198, 4, 192, 12, 182, 10, 168, 5, 70, 10, 36, 6, 17, 6, 16, 7), 14);
    }

    private static void assertNeedsOneMoreThanL2(Map<Integer, Integer> counts, int bound) {
        int[] sizes = counts.entrySet().stream()
                .flatMapToInt(e -> IntStream.generate(e::getKey).limit(e.getValue()))
                .toArray();
        assertThat(LowerBounds.l2(sizes, 512)).isEqualTo(bound);
        assertThat(fractions(problem(Grain.FINEST, sizes, bound)).isForbidden()).isTrue();
        PackingProblem more = problem(Grain.FINEST, sizes, bound + 1);
        assertThat(fractions(more).isForbidden()).isFalse();
        Filling found = Rounding.of(more, fractions(more), plenty()).orElseThrow();
        assertWholeAndLegal(more, found);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void nothingIsForbiddenThatFits(long seed) {
        PackingProblem problem = random(seed);
        Verdict verdict = Completion.decide(problem, Effort.of(200_000_000)).verdict();
        assertThat(verdict).isNotEqualTo(Verdict.UNDECIDED);
        if (fractions(problem).isForbidden()) {
            assertThat(verdict).isEqualTo(Verdict.NEVER_FITS);
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void fractionsTakeEveryRunOnceAndNoHoleTwice(long seed) {
        PackingProblem problem = random(seed);
        List<Pattern> patterns = fractions(problem).patterns();
        for (int kind = 0; kind < problem.kinds.size() && !patterns.isEmpty(); kind++) {
            int i = kind;
            double taken =
                    patterns.stream().mapToDouble(p -> p.holes() * p.runs()[i]).sum();
            assertThat(taken)
                    .isBetween(
                            problem.kinds.get(kind).count() - 1e-6,
                            problem.kinds.get(kind).count() + 1e-6);
        }
        Map<Integer, Double> filled = new TreeMap<>();
        patterns.forEach(p -> filled.merge(p.width(), p.holes(), Double::sum));
        filled.forEach((width, holes) -> assertThat(holes)
                .isLessThanOrEqualTo(
                        Arrays.stream(problem.most).filter(m -> m == width).count() + 1e-6));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatRoundingFindsIsWholeAndLegal(long seed) {
        PackingProblem problem = random(seed);
        Rounding.of(problem, fractions(problem), plenty()).ifPresent(filling -> assertWholeAndLegal(problem, filling));
    }

    /** So that the test above is not empty. */
    @Test
    void roundingFindsMostOfWhatFits() {
        long fit = seeds().filter(s ->
                        Completion.decide(random(s), Effort.of(200_000_000)).verdict() == Verdict.FITS)
                .count();
        long found = seeds().filter(s ->
                        Rounding.of(random(s), fractions(random(s)), plenty()).isPresent())
                .count();
        long forbidden = seeds().filter(s -> fractions(random(s)).isForbidden()).count();
        long all = seeds().count();
        assertThat(fit).isGreaterThan(all / 4);
        assertThat(found).isGreaterThan(fit * 9 / 10);
        assertThat(forbidden).isGreaterThan((all - fit) * 9 / 10);
    }

    /** Holes of several widths, coarse grains and gaps; nearly as much to place as there is room. */
    private static PackingProblem random(long seed) {
        Random random = new Random(seed);
        Grain grain = new Grain(random.nextInt(3) == 0 ? 4 : 1, random.nextBoolean(), random.nextInt(3));
        List<Bin> bins = IntStream.range(0, 1 + random.nextInt(5))
                .mapToObj(b -> new Bin(List.of(new Hole(1, 20 + 20 * random.nextInt(3))), Bin.ANY_LOAD))
                .toList();
        int room = bins.stream().mapToInt(b -> b.holes().get(0).length()).sum();
        int[] lengths = IntStream.range(0, 2 + random.nextInt(4))
                .map(i -> 2 + random.nextInt(17))
                .toArray();
        int[] runs = new int[60];
        int n = 0;
        for (int sum = 0; n < 60; n++) {
            int length = lengths[random.nextInt(lengths.length)];
            sum += grain.pace(length);
            if (sum > room + 6) {
                break;
            }
            runs[n] = length;
        }
        return new PackingProblem(grain, kinds(Arrays.copyOf(runs, n)), bins);
    }

    private static PackingProblem problem(Grain grain, int[] sizes, int bins) {
        return new PackingProblem(
                grain, kinds(sizes), Collections.nCopies(bins, new Bin(List.of(new Hole(1, 512)), Bin.ANY_LOAD)));
    }

    private static List<ItemKind> kinds(int[] sizes) {
        Map<Integer, Integer> counts = new TreeMap<>(Collections.reverseOrder());
        IntStream.of(sizes).forEach(s -> counts.merge(s, 1, Integer::sum));
        return counts.entrySet().stream()
                .map(e -> new ItemKind(e.getKey(), 0, e.getValue()))
                .toList();
    }

    private static LinearRelaxation fractions(PackingProblem problem) {
        return LinearRelaxation.of(problem.counts(), problem.steps, problem.most, plenty());
    }

    private static void assertWholeAndLegal(PackingProblem problem, Filling filling) {
        assertThat(filling.isWhole()).isTrue();
        int[] placed = new int[problem.kinds.size()];
        for (int b = 0; b < problem.bins.size(); b++) {
            int[] runs = filling.byBin().get(b).get(0).stream()
                    .mapToInt(Integer::intValue)
                    .toArray();
            assertThat(ends(problem, runs))
                    .isLessThanOrEqualTo(problem.bins.get(b).holes().get(0).last());
            Arrays.setAll(placed, i -> placed[i] + runs[i]);
        }
        assertThat(placed).isEqualTo(problem.counts());
    }

    /** Where the last run ends when the one that needs the least behind it stands last. */
    private static int ends(PackingProblem problem, int[] runs) {
        int all = 0;
        int saved = 0;
        for (int i = 0; i < runs.length; i++) {
            int length = problem.kinds.get(i).length();
            all += runs[i] * problem.grain.pace(length);
            saved = runs[i] > 0 ? Math.max(saved, problem.grain.pace(length) - length) : saved;
        }
        return all - saved;
    }
}
