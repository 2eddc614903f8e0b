package taxon.core.addressing.space;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.BlockRef;
import taxon.core.rig.KeptWish;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.wish.Wish;
import taxon.core.testing.Rigs;

/** What fits where, against the words of the wish in force. */
class FitsTest {
    private static final List<UniverseNumber> UNIVERSES = IntStream.rangeClosed(1, SpaceByWord.HIGHEST)
            .mapToObj(UniverseNumber::of)
            .toList();
    private static final int[] LENGTHS = {1, 7, 30, 200};

    static LongStream seeds() {
        return Rigs.seeds(40);
    }

    private static Plan plan(long seed) {
        Plan plan = Rigs.hung(seed);
        return plan.with(KeptWish.inForce("", SpaceByWord.wish(new Random(seed))));
    }

    /** The words of the wish in force; its first address is for proposals only. */
    private static SpaceByWord words(Plan plan, Set<BlockRef> lifted) {
        Wish wish = plan.wish().orElseThrow();
        return new SpaceByWord(plan, wish.within(StartAddress.of(1, 1), wish.universes()), lifted);
    }

    private static List<Integer> slots(Collection<SlotRange> runs) {
        return runs.stream()
                .flatMapToInt(r -> IntStream.rangeClosed(r.first(), r.last()))
                .boxed()
                .toList();
    }

    private static boolean fits(SpaceByWord words, int universe, int slot, int length) {
        return words.isAllowed(universe) && words.isFree(universe, slot, length);
    }

    private static List<Integer> starts(SpaceByWord words, int universe, int length) {
        return IntStream.rangeClosed(1, 512)
                .filter(s -> fits(words, universe, s, length))
                .boxed()
                .toList();
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void startsAreAllSlotsAtWhichARunOfTheLengthFits(long seed) {
        Plan plan = plan(seed);
        Fits fits = Fits.of(plan);
        SpaceByWord words = words(plan, Set.of());
        for (UniverseNumber universe : UNIVERSES.subList(0, 4)) {
            for (int length : LENGTHS) {
                List<SlotRange> runs = fits.starts(universe, length);
                assertThat(slots(runs)).isEqualTo(starts(words, universe.number(), length));
                for (int i = 1; i < runs.size(); i++) {
                    assertThat(runs.get(i).first())
                            .as("runs are apart")
                            .isGreaterThan(runs.get(i - 1).last() + 1);
                }
            }
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theNextIsTheFirstStartAtOrBehindAnAddress(long seed) {
        Plan plan = plan(seed);
        SpaceByWord words = words(plan, Set.of());
        Random random = new Random(seed);
        for (int length : LENGTHS) {
            StartAddress from = StartAddress.of(1 + random.nextInt(3), 1 + random.nextInt(512));
            Optional<StartAddress> expected = IntStream.rangeClosed(from.absolute(), SpaceByWord.HIGHEST * 512)
                    .mapToObj(StartAddress::ofAbsolute)
                    .filter(a -> fits(words, a.universe().number(), a.slot().number(), length))
                    .findFirst();
            assertThat(Fits.of(plan).next(from, length).filter(a -> a.universe().number() <= SpaceByWord.HIGHEST))
                    .as(length + " from " + from)
                    .isEqualTo(expected);
        }
        assertThat(Fits.of(plan).next(StartAddress.of(1, 1), 513)).isEmpty();
    }

    /** The most that can be laid, by trying every start from the last to the first. */
    private static int most(SpaceByWord words, int universe, int length) {
        int[] from = new int[512 + 1 + words.own(length) + 1];
        for (int slot = 512; slot >= 1; slot--) {
            int here = fits(words, universe, slot, length) ? 1 + from[slot + words.own(length)] : 0;
            from[slot] = Math.max(from[slot + 1], here);
        }
        return from[1];
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void howManyMoreFitIsTheMostThatCanBeLaid(long seed) {
        Plan plan = plan(seed);
        SpaceByWord words = words(plan, Set.of());
        for (int length : LENGTHS) {
            int expected = UNIVERSES.stream()
                    .mapToInt(u -> most(words, u.number(), length))
                    .sum();
            assertThat(Fits.of(plan).more(UNIVERSES, length)).as("of " + length).isEqualTo(expected);
        }
    }

    /** The longest run that may begin at each start, by what stands next behind it. */
    private static Map<Integer, Integer> longestBefore(SpaceByWord words, int universe) {
        Map<Integer, Integer> longest = new TreeMap<>();
        for (int slot : starts(words, universe, 1)) {
            int next = IntStream.rangeClosed(slot, 512)
                    .filter(s -> words.isTaken(universe, s) || words.isReserved(universe, s))
                    .findFirst()
                    .orElse(513);
            int length = (int) IntStream.rangeClosed(1, 513 - slot)
                    .takeWhile(l -> fits(words, universe, slot, l))
                    .count();
            longest.merge(next, length, Math::max);
        }
        return longest;
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void freeSpaceIsTheLongestRunBeforeEachThingInTheWay(long seed) {
        Plan plan = plan(seed);
        Fits fits = Fits.of(plan);
        SpaceByWord words = words(plan, Set.of());
        Map<Integer, Collection<Integer>> longest = new TreeMap<>();
        int largestOfAll = 0;
        for (UniverseNumber universe : UNIVERSES.subList(0, 4)) {
            Collection<Integer> runs = longestBefore(words, universe.number()).values();
            longest.put(universe.number(), runs);
            int largest = runs.stream().reduce(0, Math::max);
            Fits.FreeSpace free = fits.freeSpace(universe);
            assertThat(free).isEqualTo(new Fits.FreeSpace(runs.stream().reduce(0, Integer::sum), largest, runs.size()));
            assertThat(free.fragmentation()).isEqualTo(free.free() == 0 ? 0 : 100 - 100 * largest / free.free());
            largestOfAll = Math.max(largestOfAll, largest);
        }
        Optional<FreeRun> found = fits.largest(UNIVERSES.subList(0, 4));
        assertThat(found.map(r -> r.slots().length()).orElse(0)).isEqualTo(largestOfAll);
        found.ifPresent(r -> {
            int universe = r.universe().number();
            assertThat(fits(words, universe, r.slots().first(), r.slots().length()))
                    .isTrue();
            for (int before = 1; before < universe; before++) {
                assertThat(longest.get(before))
                        .as("universe " + before)
                        .noneMatch(length -> length >= r.slots().length());
            }
        });
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void takenAndFreeSlotsAreCountedOnce(long seed) {
        Plan plan = plan(seed);
        SpaceByWord words = words(plan, Set.of());
        for (UniverseNumber universe : UNIVERSES.subList(0, 4)) {
            int number = universe.number();
            assertThat(Fits.of(plan).used(universe)).isEqualTo((int) IntStream.rangeClosed(1, 512)
                    .filter(s -> words.isTaken(number, s))
                    .count());
            assertThat(slots(Fits.of(plan).freeRuns(universe)))
                    .isEqualTo(IntStream.rangeClosed(1, 512)
                            .filter(s -> !words.isTaken(number, s) && !words.isReserved(number, s))
                            .boxed()
                            .toList());
        }
    }

    private static List<PlannedBlock> some(Plan plan, Random random, int most) {
        List<PlannedBlock> addressed =
                plan.blocks().stream().filter(b -> b.start().isPresent()).toList();
        return IntStream.range(0, Math.min(most, addressed.size()))
                .mapToObj(i -> addressed.get(random.nextInt(addressed.size())))
                .distinct()
                .toList();
    }

    private static Set<BlockRef> refs(List<PlannedBlock> blocks) {
        return blocks.stream().map(PlannedBlock::ref).collect(Collectors.toSet());
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void togetherFitIsWhereEachOfThemFitsAtItsDistance(long seed) {
        Plan plan = plan(seed);
        Random random = new Random(seed);
        List<PlannedBlock> blocks = some(plan, random, 2);
        if (blocks.isEmpty()) {
            return;
        }
        SpaceByWord words = words(plan, refs(blocks));
        PlannedBlock held = blocks.get(0);
        Map<UniverseNumber, List<Integer>> expected = new TreeMap<>();
        for (UniverseNumber target : UNIVERSES) {
            List<Integer> starts = IntStream.rangeClosed(1, 512)
                    .filter(s -> blocks.stream().allMatch(b -> standsAt(words, b, held, target.number(), s)))
                    .boxed()
                    .toList();
            if (!starts.isEmpty()) {
                expected.put(target, starts);
            }
        }
        Map<UniverseNumber, List<Integer>> found = new TreeMap<>();
        Fits.withoutBlocks(plan, refs(blocks))
                .together(blocks, held, UNIVERSES)
                .forEach((universe, runs) -> found.put(universe, slots(runs)));
        assertThat(found).isEqualTo(expected);
    }

    private static boolean standsAt(SpaceByWord words, PlannedBlock block, PlannedBlock held, int target, int slot) {
        StartAddress mine = block.start().orElseThrow();
        StartAddress its = held.start().orElseThrow();
        int universe = target + mine.universe().number() - its.universe().number();
        int at = slot + mine.slot().number() - its.slot().number();
        return at >= 1 && at <= 512 && fits(words, universe, at, block.footprint()) && words.mayJoin(universe, block);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theNearestIsBehindElseBeforeElseOnALaterUniverseElseOnAnEarlierOne(long seed) {
        Plan plan = plan(seed);
        for (PlannedBlock block : some(plan, new Random(seed), 4)) {
            SpaceByWord words = words(plan, Set.of(block.ref()));
            StartAddress now = block.start().orElseThrow();
            int load = block.ref().block() == 1 ? 1 : 0;
            List<StartAddress> places = IntStream.rangeClosed(1, SpaceByWord.HIGHEST * 512)
                    .mapToObj(StartAddress::ofAbsolute)
                    .filter(a -> fits(words, a.universe().number(), a.slot().number(), block.footprint())
                            && words.mayJoin(a.universe().number(), block)
                            && words.lineTakes(a.universe().number(), load))
                    .toList();
            Optional<StartAddress> expected = places.stream()
                    .filter(a -> a.universe().equals(now.universe()) && a.compareTo(now) >= 0)
                    .findFirst()
                    .or(() -> places.stream()
                            .filter(a -> a.universe().equals(now.universe()))
                            .findFirst())
                    .or(() -> places.stream()
                            .filter(a -> a.universe().number() > now.universe().number())
                            .findFirst())
                    .or(() -> places.stream().findFirst());
            assertThat(Fits.withoutBlocks(plan, Set.of(block.ref())).nearest(block))
                    .as(block.label() + " at " + now)
                    .isEqualTo(expected);
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void inTheWayIsWhoIsAtOrTooNearARunOfSlots(long seed) {
        Plan plan = plan(seed);
        SpaceByWord words = words(plan, Set.of());
        Random random = new Random(seed);
        StartAddress at = StartAddress.of(1 + random.nextInt(3), 1 + random.nextInt(480));
        Set<BlockRef> notAsked = refs(some(plan, random, 2));
        List<PlannedBlock> expected = plan.blocks().stream()
                .filter(b -> !notAsked.contains(b.ref()))
                .filter(b -> b.start().isPresent() && b.start().get().universe().equals(at.universe()))
                .filter(b -> {
                    int first = b.start().orElseThrow().slot().number();
                    return first < at.slot().number() + words.own(32)
                            && at.slot().number() < first + words.own(b.footprint());
                })
                .toList();
        assertThat(Fits.of(plan).inTheWay(at, 32, notAsked)).isEqualTo(expected);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatIsLiftedOneAfterTheOtherIsAsIfItHadNeverBeenThere(long seed) {
        Plan plan = plan(seed);
        List<PlannedBlock> blocks = some(plan, new Random(seed), 5);
        Fits all = Fits.of(plan);
        Fits lifted = all.lifting(blocks);
        Fits without = Fits.withoutBlocks(plan, refs(blocks));
        for (UniverseNumber universe : UNIVERSES.subList(0, 4)) {
            assertThat(lifted.freeRuns(universe)).isEqualTo(without.freeRuns(universe));
            assertThat(lifted.starts(universe, 9)).isEqualTo(without.starts(universe, 9));
            assertThat(all.freeRuns(universe)).isEqualTo(Fits.of(plan).freeRuns(universe));
        }
        Set<BlockRef> whole = blocks.stream()
                .flatMap(b -> plan.blocksOf(b.fixture()).stream())
                .map(PlannedBlock::ref)
                .collect(Collectors.toSet());
        Fits noFixtures =
                Fits.without(plan, blocks.stream().map(b -> b.fixture().key()).toList());
        for (UniverseNumber universe : UNIVERSES.subList(0, 4)) {
            assertThat(noFixtures.freeRuns(universe))
                    .isEqualTo(Fits.withoutBlocks(plan, whole).freeRuns(universe));
        }
    }

    /** A wish that says nothing of hazards keeps them apart when asked to. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void hazardsApartIsTheWishWithHazardsApart(long seed) {
        Plan plan = plan(seed);
        Wish wish = plan.wish().orElseThrow();
        Plan apart = plan.with(KeptWish.inForce("", wish.withSplit(wish.split(), true)));
        for (PlannedBlock block : some(plan, new Random(seed), 3)) {
            assertThat(Fits.hazardsApart(plan).nearest(block))
                    .isEqualTo(Fits.of(apart).nearest(block));
        }
    }
}
