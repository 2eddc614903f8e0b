package taxon.core.packing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.packing.Completion.Answer;
import taxon.core.packing.Completion.Verdict;
import taxon.core.testing.Rigs;

/**
 * Packings against the definition: every way of laying runs slot by slot into small bins with obstacles, distances, round starts,
 * pitches and loads. The ways share nothing with the search but the grain's own distance.
 */
class PackingByDefinitionTest {
    private static final Effort NONE = Effort.of(0);

    /** @param alike true where all bins that cost something are the same */
    private record Case(
            Grain grain,
            List<ItemKind> kinds,
            List<Bin> given,
            List<Bin> others,
            boolean alike,
            Map<Bin, Set<List<Integer>>> ways) {
        /** Every way of laying runs into a bin: for each hole how many of each kind, one hole behind the other. */
        Set<List<Integer>> ways(Bin bin) {
            return ways.computeIfAbsent(bin, b -> PackingByDefinitionTest.ways(this, b));
        }

        /** Where all bins cost nothing. */
        Case withAllGiven() {
            return new Case(grain, kinds, all(), List.of(), false, ways);
        }

        List<Bin> all() {
            List<Bin> all = new ArrayList<>(given);
            all.addAll(others);
            return all;
        }

        Packed packed(Effort effort) {
            return FewestBins.pack(grain, kinds, given, others, effort);
        }

        PackingProblem problem() {
            return new PackingProblem(grain, kinds, all());
        }
    }

    static LongStream seeds() {
        return Rigs.seeds(200);
    }

    private static Case of(long seed) {
        Random random = new Random(seed);
        Grain grain = switch (random.nextInt(4)) {
            case 0 -> new Grain(1, false, random.nextInt(4));
            case 1 -> new Grain(2 + random.nextInt(4), true, random.nextInt(3));
            case 2 -> new Grain(2 + random.nextInt(4), false, random.nextInt(3));
            default -> Grain.FINEST;
        };
        List<ItemKind> kinds = kinds(random);
        List<Bin> given = bins(random, random.nextInt(3), grain);
        boolean alike = random.nextBoolean();
        List<Bin> others = alike
                ? Collections.nCopies(
                        1 + random.nextInt(4), bins(random, 1, grain).get(0))
                : bins(random, 1 + random.nextInt(4), grain);
        return new Case(grain, kinds, given, others, alike, new HashMap<>());
    }

    private static List<ItemKind> kinds(Random random) {
        List<Integer> lengths = IntStream.rangeClosed(1, 9).boxed().collect(ArrayList::new, List::add, List::addAll);
        Collections.shuffle(lengths, random);
        return lengths.subList(0, 1 + random.nextInt(3)).stream()
                .sorted(Collections.reverseOrder())
                .map(l -> new ItemKind(l, random.nextInt(3), random.nextInt(4)))
                .toList();
    }

    private static List<Bin> bins(Random random, int count, Grain grain) {
        return IntStream.range(0, count).mapToObj(i -> bin(random, grain)).toList();
    }

    private static Bin bin(Random random, Grain grain) {
        int slots = 5 + random.nextInt(14);
        List<Hole> holes = new ArrayList<>();
        int from = 1;
        for (int obstacle = random.nextInt(3); obstacle >= 0 && from <= slots; obstacle--) {
            int at = obstacle == 0 ? slots + 1 : from + random.nextInt(8);
            boolean keeps = obstacle > 0 && random.nextBoolean();
            hole(grain.aligned(from), Math.min(slots, at - 1), keeps ? at : Hole.NOTHING, grain)
                    .ifPresent(holes::add);
            from = at + 1 + random.nextInt(2) + (keeps ? grain.gap() : 0);
        }
        return new Bin(holes, random.nextInt(4) == 0 ? random.nextInt(6) : Bin.ANY_LOAD);
    }

    private static Optional<Hole> hole(int first, int end, int next, Grain grain) {
        int last = next == Hole.NOTHING ? end : Math.min(end, grain.lastBefore(first, next));
        return last < first ? Optional.empty() : Optional.of(new Hole(first, last, end, next));
    }

    private static Set<List<Integer>> ways(Case of, Bin bin) {
        Set<List<Integer>> ways = new HashSet<>();
        List<Integer> nothing =
                Collections.nCopies(bin.holes().size() * of.kinds().size(), 0);
        lay(of, bin, 1, nothing, ways, new HashSet<>());
        return ways;
    }

    private record At(int slot, List<Integer> laid) {}

    private static void lay(Case of, Bin bin, int slot, List<Integer> laid, Set<List<Integer>> ways, Set<At> seen) {
        if (!seen.add(new At(slot, laid))) {
            return;
        }
        ways.add(laid);
        int end = bin.holes().stream().mapToInt(Hole::end).max().orElse(0);
        if (slot > end) {
            return;
        }
        lay(of, bin, slot + 1, laid, ways, seen);
        for (int h = 0; h < bin.holes().size(); h++) {
            for (int k = 0; k < of.kinds().size(); k++) {
                List<Integer> then = new ArrayList<>(laid);
                int index = h * of.kinds().size() + k;
                then.set(index, then.get(index) + 1);
                if (mayBegin(of, bin.holes().get(h), slot, of.kinds().get(k).length()) && isWithin(of, bin, then)) {
                    lay(of, bin, slot + of.grain().claims(of.kinds().get(k).length()), then, ways, seen);
                }
            }
        }
    }

    private static boolean mayBegin(Case of, Hole hole, int slot, int length) {
        Grain grain = of.grain();
        boolean onStart = !grain.onGrid() || (slot - 1) % grain.step() == 0;
        boolean keeps = hole.next() == Hole.NOTHING || slot + grain.claims(length) <= hole.next();
        return onStart && keeps && slot >= hole.first() && slot + length - 1 <= hole.end();
    }

    private static boolean isWithin(Case of, Bin bin, List<Integer> laid) {
        List<Integer> byKind = byKind(of, laid);
        int load = IntStream.range(0, byKind.size())
                .map(k -> byKind.get(k) * of.kinds().get(k).load())
                .sum();
        return load <= bin.load()
                && IntStream.range(0, byKind.size())
                        .allMatch(k -> byKind.get(k) <= of.kinds().get(k).count());
    }

    private static List<Integer> byKind(Case of, List<Integer> laid) {
        int kinds = of.kinds().size();
        return IntStream.range(0, kinds)
                .mapToObj(k -> IntStream.range(0, laid.size() / kinds)
                        .map(h -> laid.get(h * kinds + k))
                        .sum())
                .toList();
    }

    /** The fewest of the others that hold what the given bins do not; one more than there are where not even all of them do. */
    private static int fewest(Case of) {
        List<Set<List<Integer>>> with = new ArrayList<>();
        with.add(Set.of(Collections.nCopies(of.kinds().size(), 0)));
        for (Bin bin : of.given()) {
            with.set(0, sums(of, with.get(0), bin));
        }
        for (Bin bin : of.others()) {
            with.add(new HashSet<>());
            for (int n = with.size() - 1; n > 0; n--) {
                with.get(n).addAll(sums(of, with.get(n - 1), bin));
            }
        }
        List<Integer> need = of.kinds().stream().map(ItemKind::count).toList();
        return IntStream.range(0, with.size())
                .filter(n -> with.get(n).contains(need))
                .findFirst()
                .orElse(with.size());
    }

    private static Set<List<Integer>> sums(Case of, Set<List<Integer>> before, Bin bin) {
        Set<List<Integer>> sums = new HashSet<>();
        Set<List<Integer>> own = new HashSet<>();
        of.ways(bin).forEach(w -> own.add(byKind(of, w)));
        for (List<Integer> one : before) {
            for (List<Integer> two : own) {
                List<Integer> sum = IntStream.range(0, one.size())
                        .mapToObj(k -> Math.min(of.kinds().get(k).count(), one.get(k) + two.get(k)))
                        .toList();
                sums.add(sum);
            }
        }
        return sums;
    }

    /** Every bin is filled in one of its ways, and nothing is lost or made. */
    private static void assertLegal(Case of, List<Bin> bins, Filling filling) {
        List<Integer> laid = new ArrayList<>(filling.left());
        for (int b = 0; b < bins.size(); b++) {
            List<Integer> flat =
                    filling.byBin().get(b).stream().flatMap(List::stream).toList();
            assertThat(of.ways(bins.get(b))).as("bin " + b + " " + bins.get(b)).contains(flat);
            List<Integer> byKind = byKind(of, flat);
            IntStream.range(0, laid.size()).forEach(k -> laid.set(k, laid.get(k) + byKind.get(k)));
        }
        assertThat(laid).isEqualTo(of.kinds().stream().map(ItemKind::count).toList());
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatIsPackedIsLegalAndTheFewest(long seed) {
        Case of = of(seed);
        int fewest = fewest(of);
        Packed packed = of.packed(Effort.of(Effort.OF_A_REQUEST));
        assertLegal(of, of.all(), packed.filling());
        assertThat(packed.atLeast()).isLessThanOrEqualTo(fewest);
        assertThat(packed.used()).isEqualTo(packed.filling().usedFrom(of.given().size()));
        if (fewest > of.others().size()) {
            assertThat(packed.filling().isWhole()).isFalse();
        } else {
            assertThat(packed.filling().isWhole()).isTrue();
            assertThat(packed.used()).isGreaterThanOrEqualTo(fewest);
        }
        if (of.alike()) {
            assertThat(packed.atLeast()).isEqualTo(fewest);
            assertThat(packed.isOptimal()).isEqualTo(fewest <= of.others().size());
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whateverTheEffortNothingIsSaidThatIsNotSo(long seed) {
        Case of = of(seed);
        int fewest = fewest(of);
        assertThat(FewestBins.bound(of.grain(), of.kinds(), of.given(), of.others()))
                .isLessThanOrEqualTo(fewest);
        for (int numbers : new int[] {0, 3, 30, 300, 3_000}) {
            Packed packed = of.packed(Effort.of(numbers));
            assertLegal(of, of.all(), packed.filling());
            assertThat(packed.atLeast()).isLessThanOrEqualTo(fewest);
            assertThat(packed.filling().isWhole() && packed.used() < fewest).isFalse();
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aSearchThatEndsKnowsWhetherAllFits(long seed) {
        Case of = of(seed);
        List<Bin> all = of.all();
        boolean fits = fewest(of.withAllGiven()) == 0;
        Answer answer = Completion.decide(of.problem(), Effort.of(Effort.OF_A_REQUEST));
        assertThat(answer.verdict()).isEqualTo(fits ? Verdict.FITS : Verdict.NEVER_FITS);
        assertThat(answer.filling().isPresent()).isEqualTo(fits);
        answer.filling().ifPresent(f -> {
            assertThat(f.isWhole()).isTrue();
            assertLegal(of, all, f);
        });
        assertThat(Completion.decide(of.problem(), NONE).verdict())
                .isIn(Verdict.UNDECIDED, fits ? Verdict.FITS : Verdict.NEVER_FITS);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void quickWaysAndRoundedFractionsAreLegalAndAProofOfTheFractionsHolds(long seed) {
        Case of = of(seed);
        List<Bin> all = of.all();
        PackingProblem problem = of.problem();
        assertLegal(of, all, QuickFill.bestFit(problem, of.given().size()));
        assertLegal(of, all, QuickFill.fullest(problem));
        boolean fits = fewest(of.withAllGiven()) == 0;
        LinearRelaxation relaxation =
                LinearRelaxation.of(problem.counts(), problem.steps, problem.most, Effort.of(Effort.OF_A_REQUEST));
        assertThat(relaxation.isForbidden() && fits).isFalse();
        if (problem.isWithoutLoads() && problem.isApart()) {
            Rounding.of(problem, relaxation, Effort.of(Effort.OF_A_REQUEST)).ifPresent(f -> assertLegal(of, all, f));
        }
        PackingProblem apart = problem.apart();
        assertThat(apart.isApart()).isTrue();
        Completion.decide(apart, Effort.of(Effort.OF_A_REQUEST)).filling().ifPresent(f -> assertLegal(of, all, f));
    }

    /** A bin is said to be as roomy as another only where whatever fits the other fits it, too. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aBinThatIsAsRoomyTakesWhateverTheOtherTakes(long seed) {
        Case of = of(seed);
        for (Bin one : of.all()) {
            for (Bin other : of.all()) {
                if (one.isAsRoomyAs(other, of.grain())) {
                    Set<List<Integer>> own = new HashSet<>();
                    of.ways(one).forEach(w -> own.add(byKind(of, w)));
                    of.ways(other).forEach(w -> assertThat(own).contains(byKind(of, w)));
                }
            }
        }
    }
}
